import type { Database } from '../db/database';
import { inTransaction } from '../db/transaction';
import { AppError } from '../errors';

/** What a list of photographs tells. */
export interface PhotoEntry {
  readonly id: string;
  readonly savedAt: string;
}

/** A JPEG begins with it (ISO/IEC 10918-1). */
const JPEG = [0xff, 0xd8, 0xff];
/** Of one piece of gear. */
export const MOST_PHOTOS = 12;

export function isJpeg(bytes: Uint8Array): boolean {
  return JPEG.every((byte, at) => bytes[at] === byte);
}

/** Photographs of gear: put once, never changed, taken away when nobody wants them. */
export class PhotoService {
  constructor(private readonly database: Database) {}

  /** The oldest first. */
  async list(gearId: string): Promise<readonly PhotoEntry[]> {
    const found = await this.database.photos.findAll({
      where: { gearId },
      attributes: ['id', 'savedAt'],
      order: [
        ['savedAt', 'ASC'],
        ['id', 'ASC'],
      ],
    });
    return found.map(({ id, savedAt }) => ({ id, savedAt: savedAt.toISOString() }));
  }

  /**
   * @throws `malformed-request` for what is no JPEG, or one more than there may be; `not-found` where there is no such gear;
   * `id-taken` where the identifier is in use.
   */
  async put(id: string, gearId: string, bytes: Buffer): Promise<void> {
    if (!isJpeg(bytes)) throw new AppError('malformed-request', 'The body: expected a JPEG (ISO/IEC 10918-1); got other bytes.');
    await inTransaction(this.database.sequelize, async (transaction) => {
      // the gear is held, so that two at once do not both find room for a last one
      const gear = await this.database.items.gear.findByPk(gearId, { attributes: ['id'], lock: transaction.LOCK.UPDATE, transaction });
      if (!gear) throw new AppError('not-found', `There is no gear ${gearId}.`);
      if ((await this.database.photos.count({ where: { gearId }, transaction })) >= MOST_PHOTOS)
        throw new AppError('malformed-request', `The gear ${gearId}: expected at most ${MOST_PHOTOS} photographs; it has as many.`);
      const [, made] = await this.database.photos.findOrCreate({
        where: { id },
        defaults: { id, gearId, bytes, savedAt: new Date() },
        transaction,
      });
      if (!made) throw new AppError('id-taken', `The photograph ${id} is there already.`);
    });
  }

  /** @throws `not-found` */
  async bytes(id: string): Promise<Buffer> {
    const found = await this.database.photos.findByPk(id, { attributes: ['bytes'] });
    if (!found) throw new AppError('not-found', `There is no photograph ${id}.`);
    return found.bytes;
  }

  /** @throws `not-found` */
  async remove(id: string): Promise<void> {
    if ((await this.database.photos.destroy({ where: { id } })) === 0) throw new AppError('not-found', `There is no photograph ${id}.`);
  }
}
