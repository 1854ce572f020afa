import { setTimeout as sleep } from 'node:timers/promises';
import { InDoubt, ScpiClient } from './scpi-client';
import { errorOf, numberOf } from './scpi';

/** What polling a meter brings. Seconds are from the first question, by a clock that does not jump. */
export type Polled =
  | { readonly kind: 'sample'; readonly timeS: number; readonly voltageV: number; readonly currentA: number }
  | { readonly kind: 'connected'; readonly identity: string }
  | { readonly kind: 'away' | 'nonsense'; readonly says: string }
  /** Answers that were thrown away, as they may not belong to what was asked. */
  | { readonly kind: 'doubt'; readonly timeS: number; readonly says: string };

export interface PollOptions {
  readonly host: string;
  readonly port: number;
  readonly everyMs: number;
  readonly signal: AbortSignal;
  readonly timeoutMs?: number;
  /** The first wait before it is tried again; each next one is twice as long, up to two seconds. */
  readonly retryMs?: number;
}

const TIMEOUT_MS = 2000;
const RETRY_MS = 500;
const LONGEST_RETRY_MS = 2000;
/** So many answers in a row that are no numbers: the connection is begun anew. */
const MOST_NONSENSE = 5;
const MOST_ERRORS = 20;
const MOST_DOUBTS = 20;

/**
 * Reads volts and amps over and over until told to stop. A meter that is silent, closes the connection, or was never
 * there is tried again; answers that are no numbers are told and left out. A reading counts only once it is sure that its
 * answers belong to it: volts, amps, and then a plain 1, with nothing unasked up to the next question. After any doubt the
 * line is synchronised anew. Never throws.
 */
export async function* pollMeter(options: PollOptions): AsyncGenerator<Polled, void> {
  const { signal, retryMs = RETRY_MS } = options;
  const began = performance.now();
  let waitMs = retryMs;
  while (!signal.aborted) {
    let client: ScpiClient | undefined;
    const closing = (): void => client?.close();
    signal.addEventListener('abort', closing);
    try {
      client = await ScpiClient.open(options.host, options.port, options.timeoutMs ?? TIMEOUT_MS);
      yield { kind: 'connected', identity: await begin(client) };
      for await (const polled of readings(client, options, began)) {
        if (polled.kind === 'sample') waitMs = retryMs;
        yield polled;
      }
    } catch (error) {
      if (!signal.aborted) yield { kind: 'away', says: (error as Error).message };
    } finally {
      signal.removeEventListener('abort', closing);
      client?.close();
    }
    await sleep(waitMs, undefined, { signal }).catch(() => undefined);
    waitMs = Math.min(2 * waitMs, LONGEST_RETRY_MS);
  }
}

/** Who it is, the line sure, and its error queue emptied. */
async function begin(client: ScpiClient): Promise<string> {
  const identity = await client.synchronise();
  client.send('*CLS');
  const done = await client.query('*OPC?');
  return done === '1' ? identity.slice(0, 200) : (await client.synchronise()).slice(0, 200);
}

type Sample = Extract<Polled, { kind: 'sample' }>;

async function* readings(client: ScpiClient, { everyMs, signal }: PollOptions, began: number): AsyncGenerator<Polled, void> {
  let nonsense = 0;
  let doubts = 0;
  while (!signal.aborted) {
    const asked = performance.now();
    try {
      const read = await readOnce(client, began);
      const leftMs = everyMs - (performance.now() - asked);
      await sleep(Math.max(leftMs, 1), undefined, { signal }).catch(() => undefined);
      if (client.isInDoubt) throw new InDoubt('more came than was asked for');
      if ('sample' in read) {
        [nonsense, doubts] = [0, 0];
        yield read.sample;
        continue;
      }
      const errors = await errorQueue(client);
      yield { kind: 'nonsense', says: errors || `“${read.got.slice(0, 40)}” is no number` };
      if (++nonsense >= MOST_NONSENSE) throw new Error(`${MOST_NONSENSE} answers in a row were no numbers`);
    } catch (error) {
      if (!(error instanceof InDoubt) || signal.aborted) throw error;
      yield { kind: 'doubt', timeS: (performance.now() - began) / 1000, says: error.message };
      if (++doubts >= MOST_DOUBTS) throw new Error(`${MOST_DOUBTS} readings in a row were in doubt`, { cause: error });
      await client.synchronise();
    }
  }
}

/** Volts, amps, and a 1 that nothing else could be: if an answer too many came, it shows here. */
async function readOnce(client: ScpiClient, began: number): Promise<{ readonly sample: Sample } | { readonly got: string }> {
  const asked = performance.now();
  const volts = await client.query('MEASure:VOLTage:DC?');
  const amps = await client.query('MEASure:CURRent:DC?');
  const timeS = ((asked + performance.now()) / 2 - began) / 1000;
  const done = await client.query('*OPC?');
  const [voltageV, currentA] = [numberOf(volts), numberOf(amps)];
  if (voltageV === undefined || currentA === undefined) return { got: voltageV === undefined ? volts : amps };
  if (done !== '1') throw new InDoubt(`“${done.slice(0, 40)}” is no answer to *OPC?`);
  return { sample: { kind: 'sample', timeS, voltageV, currentA } };
}

/** What the meter itself says went wrong, oldest first; empty when it says nothing. */
async function errorQueue(client: ScpiClient): Promise<string> {
  const told: string[] = [];
  for (let asked = 0; asked < MOST_ERRORS; asked++) {
    const error = errorOf(await client.query('SYSTem:ERRor?'));
    if (!error || error.code === 0) break;
    told.push(error.says);
  }
  return told.join('; ');
}
