import { once } from 'node:events';
import { Readable } from 'node:stream';
import { freshDatabase } from '../../testing/database';
import { limited } from '../http/limited';
import { PieceService } from './piece-service';

let fresh: Awaited<ReturnType<typeof freshDatabase>>;
let pieces: PieceService;
beforeAll(async () => {
  fresh = await freshDatabase();
  pieces = new PieceService(fresh.database);
});
afterAll(() => fresh.drop());

const PIECE = 256 * 1024;
const bytes = (length: number) => Buffer.from(Array.from({ length }, (_, at) => (at * 31) % 251));
async function read(id: string): Promise<Buffer> {
  const all: Buffer[] = [];
  for await (const piece of pieces.read(id)) all.push(piece);
  return Buffer.concat(all);
}
const kept = () => fresh.database.pieces.count();

describe('what is kept in pieces', () => {
  it.each([0, 1, PIECE - 1, PIECE, PIECE + 1, 2 * PIECE + 17])(
    'comes back as it was, however it was cut on its way: %d bytes',
    async (length) => {
      const whole = bytes(length);
      const cut: Buffer[] = [];
      for (let at = 0; at < length; at += 77_777) cut.push(whole.subarray(at, at + 77_777));
      const { id, bytes: counted } = await pieces.write(cut);
      expect(counted).toBe(length);
      expect((await read(id)).equals(whole)).toBe(true);
      await pieces.drop(id);
      expect((await read(id)).length).toBe(0);
    },
  );

  it('leaves nothing when it breaks off, or is more than may come', async () => {
    const before = await kept();
    const breaks = async function* () {
      yield bytes(PIECE);
      await Promise.resolve();
      throw new Error('broke off');
    };
    await expect(pieces.write(breaks())).rejects.toThrow('broke off');
    const source = Readable.from([bytes(PIECE), bytes(PIECE), bytes(PIECE)]);
    const gone = once(source, 'end');
    await expect(pieces.write(limited(source, 2 * PIECE))).rejects.toMatchObject({ code: 'too-large' });
    await gone; // what comes after is let go by, so that the answer is read
    expect(await kept()).toBe(before);
  });
});
