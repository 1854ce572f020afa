import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/database';

/** A statement writes so much at most. */
const PIECE_BYTES = 256 * 1024;

/** Something that is kept in pieces. */
export interface Whole {
  readonly id: string;
  readonly bytes: number;
}

/** Keeps what may be larger than memory, piece by piece; whoever refers to a whole makes it count. */
export class PieceService {
  constructor(private readonly database: Database) {}

  /** Keeps all that comes. What breaks off leaves nothing. */
  async write(from: AsyncIterable<Uint8Array> | Iterable<Uint8Array>, transaction?: Transaction): Promise<Whole> {
    const id = randomUUID();
    let bytes = 0;
    let place = 0;
    const put = async (piece: Buffer): Promise<void> => {
      bytes += piece.length;
      await this.database.pieces.create(
        { wholeId: id, place: place++, bytes: piece, savedAt: new Date() },
        { ...(transaction && { transaction }), returning: false },
      );
    };
    try {
      for await (const piece of inPieces(from)) await put(piece);
    } catch (error) {
      // within a transaction it is gone with the rest
      if (!transaction) await this.drop(id).catch(() => undefined);
      throw error;
    }
    return { id, bytes };
  }

  /** Piece by piece, no connection held in between. */
  async *read(id: string): AsyncGenerator<Buffer, void> {
    for (let place = 0; ; place++) {
      const piece = await this.database.pieces.findOne({ where: { wholeId: id, place } });
      if (!piece) return;
      yield piece.bytes;
    }
  }

  async drop(id: string, transaction?: Transaction): Promise<void> {
    await this.database.pieces.destroy({ where: { wholeId: id }, ...(transaction && { transaction }) });
  }
}

/** The same bytes in pieces of one size, the last one excepted. */
async function* inPieces(from: AsyncIterable<Uint8Array> | Iterable<Uint8Array>): AsyncGenerator<Buffer, void> {
  let waiting: Uint8Array[] = [];
  let length = 0;
  for await (const chunk of from) {
    for (let at = 0; at < chunk.length;) {
      const part = chunk.subarray(at, at + PIECE_BYTES - length);
      waiting.push(part);
      length += part.length;
      at += part.length;
      if (length < PIECE_BYTES) continue;
      yield Buffer.concat(waiting);
      waiting = [];
      length = 0;
    }
  }
  if (length > 0) yield Buffer.concat(waiting);
}
