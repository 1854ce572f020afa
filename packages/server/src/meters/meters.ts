import type { Gear, Rig } from '@viaggio/core/gear';
import { playedRig } from '@viaggio/core/measure';
import { AppError } from '../errors';
import type { ItemServices } from '../items/kinds';
import { pollMeter } from './poll-meter';
import { playerHere } from './meter-player';
import type { MeterPlayer } from './meter-player';
import type { Trouble } from './simulated-meter';

export interface MeterAddress {
  readonly name: string;
  readonly host: string;
  readonly port: number;
}

export interface MeterInfo {
  readonly id: string;
  readonly name: string;
  readonly address: string;
  readonly simulated: boolean;
}

/** Volts and amps at one moment. */
export interface MeterShows {
  readonly voltageV: number;
  readonly currentA: number;
}

/** As long as somebody holds two probes for one reading. */
const READ_MS = 3000;
const SIMULATED = 'simulated';
const SECONDS_EACH = 20;
/** As long as anybody would watch a simulated meter. */
const MOST_S = 4 * 3600;

/** The meters that may be polled: those that the installation's owner named, and the simulated one once it plays. */
export class Meters {
  private simulated: { readonly port: number; readonly plays: string } | undefined;

  constructor(
    private readonly allowed: readonly MeterAddress[],
    private readonly items: ItemServices,
    private readonly player: MeterPlayer = playerHere(),
  ) {}

  list(): readonly MeterInfo[] {
    const { simulated } = this;
    return [
      ...this.allowed.map(({ name, host, port }) => ({ id: name, name, address: `${host}:${port}`, simulated: false })),
      ...(simulated
        ? [{ id: SIMULATED, name: `Simulated meter on ${simulated.plays}`, address: `127.0.0.1:${simulated.port}`, simulated: true }]
        : []),
    ];
  }

  /** Throws `not-found`: an address that is not on the list is not polled, whoever asks. */
  addressOf(id: string): { readonly host: string; readonly port: number } {
    if (id === SIMULATED && this.simulated) return { host: '127.0.0.1', port: this.simulated.port };
    const found = this.allowed.find(({ name }) => name === id);
    if (!found) throw new AppError('not-found', `“${id}” is not among the meters that this installation may ask: METERS names them.`);
    return found;
  }

  /** Lets the simulated meter play a rig, its device going through its modes with `off` between them. */
  async play(rigId: string, deviceId: string | undefined, secondsEach = SECONDS_EACH): Promise<MeterInfo> {
    const [saved, kept] = await Promise.all([this.items.rigs.get(rigId), this.items.gear.list()]);
    const rig = saved.body as Rig;
    const gear = new Map(kept.map(({ id, body }) => [id, body as Gear]));
    const signal = playedRig(rig, gear, { deviceId, secondsEach, stepS: 0.1, mostS: MOST_S });
    if (!signal) throw new AppError('meter-busy', `“${rig.name}” cannot be played: no battery feeds it, or a figure is missing.`);
    this.simulated = { port: await this.player.play(signal), plays: rig.name };
    return this.list().at(-1)!;
  }

  /** What a meter shows now, asked once. Throws `not-found`, `meter-away`. */
  async read(id: string): Promise<MeterShows> {
    const { host, port } = this.addressOf(id);
    const signal = AbortSignal.timeout(READ_MS);
    for await (const polled of pollMeter({ host, port, everyMs: 100, signal, timeoutMs: READ_MS })) {
      if (polled.kind === 'sample') return { voltageV: polled.voltageV, currentA: polled.currentA };
      if (polled.kind !== 'connected') throw new AppError('meter-away', `“${id}” does not answer as a meter does: ${polled.says}.`);
    }
    throw new AppError('meter-away', `“${id}” did not answer within ${READ_MS / 1000} s.`);
  }

  /** Throws `not-found` while it does not play. */
  makeTrouble(kind: Trouble, seconds: number): void {
    if (!this.simulated) throw new AppError('not-found', 'The simulated meter does not play anything yet.');
    this.player.makeTrouble(kind, seconds);
  }

  async end(): Promise<void> {
    this.simulated = undefined;
    await this.player.end();
  }
}
