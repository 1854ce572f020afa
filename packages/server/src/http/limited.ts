import type { Readable } from 'node:stream';
import { Transform } from 'node:stream';
import { AppError } from '../errors';

/** What comes, up to so many bytes. Reading on throws `too-large`. */
export function limited(from: Readable, maxBytes: number): Readable {
  let sum = 0;
  const counted = new Transform({
    transform(piece: Buffer, _encoding, done) {
      sum += piece.length;
      if (sum > maxBytes) done(new AppError('too-large', `The body is larger than ${maxBytes} bytes.`));
      else done(null, piece);
    },
  });
  // whoever sends reads no answer before all is sent: the rest is let go by
  counted.once('error', () => from.resume());
  from.once('aborted', () => counted.destroy(new AppError('malformed-request', 'The body broke off.')));
  from.once('error', () => counted.destroy(new AppError('malformed-request', 'The body broke off.')));
  return from.pipe(counted);
}
