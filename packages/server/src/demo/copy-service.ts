import { namedBy, PLAN_KINDS } from '@viaggio/core/document';
import type { PlanKind } from '@viaggio/core/document';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';
import { inTransaction } from '../db/transaction';
import { AppError } from '../errors';
import type { NewItem, Saved } from '../items/item-service';
import type { ItemServices } from '../items/kinds';
import type { RecordingDataService } from '../recordings/recording-data-service';

/** As much of a world as is copied from, and to. */
interface Side {
  readonly database: Database;
  readonly items: ItemServices;
  readonly recordings: RecordingDataService;
}

export type Copied = Partial<Record<PlanKind, readonly Saved[]>>;

/** Copies things of one world into another, under the same identifiers: what they name goes along, or is there already. */
export class CopyService {
  constructor(
    private readonly from: Side,
    private readonly to: Side,
  ) {}

  /** All of it, or nothing. What is there already stays as it is there. Throws `not-found`. */
  async copy(kind: PlanKind, id: string): Promise<Copied> {
    const wanted = await this.withNamed(kind, id);
    return inTransaction(this.to.database.sequelize, async (transaction) => {
      const copied: Copied = {};
      for (const each of PLAN_KINDS) copied[each] = await this.bring(each, wanted.get(each) ?? [], transaction);
      return copied;
    });
  }

  /** A thing and all that it names, and that those name in turn. */
  private async withNamed(kind: PlanKind, id: string): Promise<ReadonlyMap<PlanKind, readonly NewItem[]>> {
    const found = new Map<string, { readonly kind: PlanKind; readonly item: NewItem }>();
    const look = async (of: PlanKind, wanted: string): Promise<void> => {
      if (found.has(wanted)) return;
      const item = await this.from.items[of].get(wanted);
      found.set(wanted, { kind: of, item });
      for (const named of namedBy(of, item.body as never)) await look(named.kind, named.id).catch(ignoreMissing);
    };
    await look(kind, id);
    return new Map(PLAN_KINDS.map((each) => [each, [...found.values()].filter((one) => one.kind === each).map(({ item }) => item)]));
  }

  private async bring(kind: PlanKind, items: readonly NewItem[], transaction: Transaction): Promise<readonly Saved[]> {
    const saved: Saved[] = [];
    for (const { id, body } of items) {
      if (await this.to.items[kind].has(id, transaction)) continue;
      saved.push(await this.to.items[kind].put({ id, body }, transaction));
      if (kind === 'recordings') await this.bringSamples(id, transaction);
    }
    return saved;
  }

  private async bringSamples(id: string, transaction: Transaction): Promise<void> {
    const whole = async (bytes: AsyncIterable<Uint8Array>): Promise<Buffer> => {
      const pieces: Uint8Array[] = [];
      for await (const piece of bytes) pieces.push(piece);
      return Buffer.concat(pieces);
    };
    const slots = await whole((await this.from.recordings.slots(id)).bytes);
    const kept = await this.from.recordings.original(id).catch(ignoreMissing);
    const bytes = { slots, original: kept && (await whole(kept.bytes)), originalName: kept?.name ?? '' };
    await this.to.recordings.putIfNew(id, bytes, transaction);
  }
}

/** What is not there cannot come along: what was deleted and is named still, an original that nobody kept. */
function ignoreMissing(error: unknown): undefined {
  if (!(error instanceof AppError) || error.code !== 'not-found') throw error;
}
