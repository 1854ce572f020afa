import { readTrace, slotsToBytes } from '@viaggio/core/measure';
import type { NamedSegment, Recording } from '@viaggio/core/measure';
import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import type { Database } from '../db/database';
import { inTransaction } from '../db/transaction';
import type { LiveChunk } from '../db/models/live-chunk';
import { AppError } from '../errors';
import type { Saved } from '../items/item-service';
import type { ItemServices } from '../items/kinds';
import { requireReferences } from '../plan/references';
import type { RecordingDataService } from '../recordings/recording-data-service';
import { Leases } from './leases';
import { LiveSamples } from './live-samples';
import type { Meters } from './meters';
import type { Start } from './meter-shapes';
import { pollMeter } from './poll-meter';

/** How it stands with the meter. */
export type MeterState = 'connecting' | 'connected' | 'away' | 'nonsense';

/** What a page is told of a live recording. */
export interface LiveStatus {
  readonly id: string;
  readonly meterId: string;
  readonly about: Start['about'];
  readonly startedAt: string;
  readonly state: MeterState;
  /** What the meter called itself, or what is wrong. */
  readonly says: string;
  readonly rows: number;
  readonly seconds: number;
  /** How often the meter was lost so far. */
  readonly lost: number;
  /** How often its answers were in doubt, and thrown away. */
  readonly doubts: number;
}
export interface LiveEvent extends LiveStatus {
  /** `[seconds, volts, amps]`: those that came since the last event. */
  readonly points: readonly (readonly [number, number, number])[];
  readonly ended: boolean;
}

interface Live {
  status: LiveStatus;
  identity: string;
  readonly samples: LiveSamples;
  /** Seconds from the first question at which answers were in doubt. */
  readonly doubtsS: number[];
  readonly stopping: AbortController;
  /** Resolves when polling has ended. */
  polling: Promise<void>;
  flushed: number;
  chunks: number;
  /** The chunk that is being written. */
  writing: Promise<void>;
  flushing: ReturnType<typeof setInterval>;
}

const INTERRUPTED = 'The server ended while this was being recorded; up to some seconds are missing.';
const MOST_AT_ONCE = 4;
const MOST_ROWS = 5_000_000;
const EVENT_EVERY_MS = 250;
const FLUSH_EVERY_MS = 5000;
/** A recording belongs to the server that makes it as long as that renews its word at every flush. */
const LEASE_S = 20;
const LOOK_EVERY_MS = 10_000;
const MOST_DOUBTS = 1000;
/** A page that comes late is not sent hours of samples one by one. */
const MOST_BACKLOG = 2000;

/** Recordings that are being made from meters. What they have is written down every few seconds. */
export class LiveRecordings {
  private readonly live = new Map<string, Live>();
  private readonly leases: Leases;
  private looking: ReturnType<typeof setInterval> | undefined;

  constructor(
    private readonly database: Database,
    private readonly items: ItemServices,
    private readonly recordings: RecordingDataService,
    private readonly meters: Meters,
  ) {
    this.leases = new Leases(database.sequelize, LEASE_S);
  }

  list(): readonly LiveStatus[] {
    return [...this.live.values()].map(({ status }) => status);
  }

  /** Throws `not-found` for a meter that nobody allowed, `meter-busy`, `invalid-fields`. */
  async start({ meterId, everyMs, about }: Start): Promise<LiveStatus> {
    await requireReferences([{ path: '/about', kind: 'recordings', body: about }], this.items);
    const { host, port } = this.meters.addressOf(meterId);
    if (this.list().some((other) => other.meterId === meterId)) throw new AppError('meter-busy', `“${meterId}” is being recorded already.`);
    if (this.live.size >= MOST_AT_ONCE) throw new AppError('meter-busy', `${MOST_AT_ONCE} recordings are being made already.`);
    const id = randomUUID();
    if (!(await this.leases.take(id))) throw new AppError('meter-busy', `${id} belongs to another server.`);
    const startedAt = new Date().toISOString();
    const stopping = new AbortController();
    const live: Live = {
      status: { id, meterId, about, startedAt, state: 'connecting', says: '', rows: 0, seconds: 0, lost: 0, doubts: 0 },
      identity: meterId,
      samples: new LiveSamples(),
      doubtsS: [],
      stopping,
      polling: Promise.resolve(),
      flushed: 0,
      chunks: 0,
      writing: Promise.resolve(),
      flushing: setInterval(() => (live.writing = live.writing.then(() => this.flush(live).catch(() => undefined))), FLUSH_EVERY_MS),
    };
    live.polling = this.poll(live, host, port, everyMs);
    this.live.set(id, live);
    return live.status;
  }

  /** What comes, until the recording is ended. Throws `not-found`. */
  events(id: string): AsyncIterable<LiveEvent> {
    return this.follow(this.find(id));
  }

  /** Ends it and keeps it. Throws `not-found`; with `database-away` it goes on, so that nothing is lost. */
  async stop(id: string): Promise<Saved> {
    const live = this.find(id);
    const saved = await this.keep(id, live);
    await this.forget(live);
    return saved;
  }

  /** Ends it and throws it away. Throws `not-found`. */
  async discard(id: string): Promise<void> {
    const live = this.find(id);
    await this.database.liveChunks.destroy({ where: { liveId: id } });
    await this.forget(live);
  }

  /**
   * Keeps what was being recorded by a server that is gone: this one's last run, or another that does not renew its word.
   * What cannot be read is left as it is, and counted: it must not keep the server from starting.
   */
  async recover(): Promise<{ readonly kept: number; readonly unreadable: number }> {
    const left = await this.database.liveChunks.findAll({ attributes: ['liveId'], group: ['liveId'], order: ['liveId'] });
    const done = { kept: 0, unreadable: 0 };
    for (const { liveId: id } of left) {
      if (this.live.has(id) || !(await this.leases.take(id))) continue;
      const chunks = await this.database.liveChunks.findAll({ where: { liveId: id }, order: ['place'] });
      if (await this.recordings.has(id)) {
        await this.database.liveChunks.destroy({ where: { liveId: id } });
        await this.leases.leave(id);
        continue;
      }
      const interrupted = readChunks(chunks);
      if (interrupted) {
        await this.keep(id, interrupted, INTERRUPTED);
        done.kept++;
      } else done.unreadable++;
    }
    return done;
  }

  /** Looks now and then for recordings of servers that are gone. `told` hears of each time that there were some. */
  watch(told: (done: { readonly kept: number; readonly unreadable: number }) => void): void {
    let seen = 0;
    this.looking = setInterval(() => {
      void this.recover()
        .then((done) => {
          if (done.kept > 0 || done.unreadable > seen) told(done);
          seen = done.unreadable;
        })
        // a database that is away is told by everything else
        .catch(() => undefined);
    }, LOOK_EVERY_MS);
    this.looking.unref();
  }

  /** Keeps all that is being recorded: the server ends. */
  async end(): Promise<void> {
    clearInterval(this.looking);
    await Promise.allSettled([...this.live.keys()].map((id) => this.stop(id)));
  }

  private async poll(live: Live, host: string, port: number, everyMs: number): Promise<void> {
    for await (const polled of pollMeter({ host, port, everyMs, signal: live.stopping.signal })) {
      const { samples } = live;
      if (polled.kind === 'sample') {
        if (samples.length >= MOST_ROWS) return;
        if (!samples.add(polled.timeS, polled.voltageV, polled.currentA)) {
          doubt(live, polled.timeS, `It shows ${polled.voltageV} V and ${polled.currentA} A, which no meter can: left out.`);
          continue;
        }
        live.status = { ...live.status, state: 'connected', says: live.identity, rows: samples.length, seconds: samples.seconds };
      } else if (polled.kind === 'connected') {
        live.identity = polled.identity;
        live.status = { ...live.status, state: 'connected', says: polled.identity };
      } else if (polled.kind === 'doubt') {
        doubt(live, polled.timeS, polled.says);
      } else {
        const lost = live.status.lost + (polled.kind === 'away' && live.status.state !== 'away' && samples.length > 0 ? 1 : 0);
        live.status = { ...live.status, state: polled.kind, says: polled.says, lost };
      }
    }
  }

  private async *follow(live: Live): AsyncGenerator<LiveEvent, void> {
    let sent = Math.max(0, live.samples.length - MOST_BACKLOG);
    for (;;) {
      const ended = !this.live.has(live.status.id);
      const points = live.samples.from(sent);
      sent += points.length;
      yield { ...live.status, points, ended };
      if (ended) return;
      await new Promise((resolve) => setTimeout(resolve, EVENT_EVERY_MS));
    }
  }

  private async flush(live: Live): Promise<void> {
    const { status, identity, samples, doubtsS, flushed } = live;
    await this.leases.take(status.id);
    if (samples.length === flushed) return;
    const upTo = samples.length;
    const row = { liveId: status.id, place: live.chunks, about: { status, identity, doubtsS }, samples: samples.bytes(flushed) };
    await this.database.liveChunks.create(row);
    live.flushed = upTo;
    live.chunks++;
  }

  /** Item, samples, original: all of it, or none. What another server has kept meanwhile is another recording. */
  private async keep(wanted: string, live: Kept, note?: string): Promise<Saved> {
    const { samples, doubtsS } = live;
    const id = (await this.recordings.has(wanted)) ? randomUUID() : wanted;
    // all of it from the same moment: samples still come in
    const trace = samples.trace();
    const { slots, segments, seconds } = readTrace(trace);
    // what came to a pause belongs to the segment before it
    const doubted = new Set(doubtsS.map((atS) => segments.findLastIndex(({ fromS }) => fromS <= atS - samples.firstS)));
    const marked = segments.map((segment, place): NamedSegment => (doubted.has(place) ? { ...segment, inDoubt: true } : segment));
    const body: Recording = {
      ...recordingOf(live),
      ...(note !== undefined && { note }),
      rows: trace.timeS.length,
      seconds,
      segments: marked,
    };
    const bytes = {
      slots: Buffer.from(slotsToBytes(slots)),
      original: gzipSync(samples.csv(trace.timeS.length)),
      originalName: 'recording.csv',
    };
    return inTransaction(this.database.sequelize, async (transaction) => {
      await this.recordings.putIfNew(id, bytes, transaction);
      const saved = await this.items.recordings.put({ id, body }, transaction);
      await this.database.liveChunks.destroy({ where: { liveId: wanted }, transaction });
      await this.leases.leave(wanted, transaction);
      return saved;
    });
  }

  private async forget(live: Live): Promise<void> {
    this.live.delete(live.status.id);
    clearInterval(live.flushing);
    live.stopping.abort();
    await Promise.all([live.polling, live.writing]);
    // a chunk that was on its way meanwhile
    await this.database.liveChunks.destroy({ where: { liveId: live.status.id } });
    await this.leases.leave(live.status.id);
  }

  private find(id: string): Live {
    const live = this.live.get(id);
    if (!live) throw new AppError('not-found', `Nothing is being recorded as ${id}.`);
    return live;
  }
}

type Kept = Pick<Live, 'status' | 'identity' | 'samples' | 'doubtsS'>;

/** An answer that is not taken: counted, and its segment marked. */
function doubt(live: Live, timeS: number, says: string): void {
  if (live.doubtsS.length < MOST_DOUBTS) live.doubtsS.push(timeS);
  live.status = { ...live.status, state: 'nonsense', says, doubts: live.status.doubts + 1 };
}

function readChunks(chunks: readonly LiveChunk[]): Kept | undefined {
  const samples = new LiveSamples();
  for (const { samples: bytes } of chunks) samples.addBytes(bytes);
  // an older version wrote no doubts
  const { status, identity, doubtsS = [] } = (chunks.at(-1)?.about ?? {}) as Partial<Kept>;
  return status && identity !== undefined && samples.length > 0
    ? { status: { ...status, doubts: doubtsS.length }, identity, samples, doubtsS }
    : undefined;
}

function recordingOf({ status, identity }: Kept): Omit<Recording, 'rows' | 'seconds' | 'segments'> {
  const { about, startedAt, lost, doubts } = status;
  return {
    ...about,
    at: startedAt,
    source: identity,
    remarks: [
      ...(lost > 0 ? [{ code: 'lost-meter', line: 0, count: lost } as const] : []),
      ...(doubts > 0 ? [{ code: 'in-doubt', line: 0, count: doubts } as const] : []),
    ],
  };
}
