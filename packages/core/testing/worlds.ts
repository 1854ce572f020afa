import type { Battery, Device, Gear } from '../src/gear/gear';
import { GENERIC_BATTERIES, GENERIC_DEVICES } from '../src/gear/generic/generic';
import type { Log } from '../src/measure/feed-loss/log';
import type { Observation } from '../src/measure/log/observation';
import { deliveredWh } from '../src/physics/cell/delivered';
import { coldDerating } from '../src/physics/cell/derating';
import { CHEMISTRIES } from '../src/tables/chemistries';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Chances of one made world: the same for the same seed. */
export interface Chances {
  readonly normal: () => number;
  /** Between two values. */
  readonly between: (low: number, high: number) => number;
}

export function chancesOf(seed: number): Chances {
  const random = xoroshiro128plus(seed * 7919 + 17);
  const unit = (): number => ((random.next() >>> 0) + 0.5) / 2 ** 32;
  // the first numbers of seeds beside each other are alike
  for (let skipped = 0; skipped < 20; skipped++) unit();
  return {
    normal: () => Math.sqrt(-2 * Math.log(unit())) * Math.cos(2 * Math.PI * unit()),
    between: (low, high) => low + (high - low) * unit(),
  };
}

const LABEL_WH = 95;
const LOST = 0.09;
const MINUTE = 1;
/** As sure as `docs/log.md` says that such figures are. */
const LABEL_SPREAD = 0.04;
const MEASURED_SPREAD = 0.015;
const LOSS_SPREAD = 0.02;
const METER_SPREAD = 0.01;

/** A device, its batteries and its feed as they truly are: what is observed of them follows, errors and all. */
export class World {
  readonly drawW: number;
  private readonly capacities: readonly number[];
  private readonly lost: number;
  private readonly meter: number;
  private readonly days = new Map<number, number>();
  private readonly observations: Observation[] = [];

  constructor(
    private readonly chances: Chances,
    private readonly is: {
      readonly batteries?: number;
      readonly measured?: boolean;
      /** From day to day. */
      readonly varies?: number;
    } = {},
  ) {
    const { normal, between } = chances;
    this.drawW = between(8, 40);
    const spread = is.measured ? MEASURED_SPREAD : LABEL_SPREAD;
    this.capacities = Array.from({ length: is.batteries ?? 1 }, () => LABEL_WH * (1 + spread * normal()));
    this.lost = LOST + LOSS_SPREAD * normal();
    this.meter = 1 + METER_SPREAD * normal();
  }

  /** Full to dead on a day. `told`: the temperature was entered. */
  runDown(day: number, { battery = 0, temperatureC = 25, told = true } = {}): this {
    const drawn = this.drawnAt(day) / (1 - this.lost);
    let minutes = 60;
    for (let round = 0; round < 8; round++)
      minutes =
        (deliveredWh({ chemistry: 'li-ion', cellsInSeries: 4, energyWh: this.capacities[battery]!, temperatureC }, minutes) / drawn) * 60;
    return this.seen({
      kind: 'run-down',
      ...this.of(day, battery),
      minutes: Math.max(1, minutes + MINUTE * this.chances.normal()),
      ...(told && { temperatureC }),
    });
  }

  /** A part of a charge, by a gauge of so many bars. */
  part(day: number, gauge: 'rounds' | 'holds', { battery = 0, bars = 4, told = true } = {}): this {
    const step = 1 / bars;
    const left = this.chances.between(0.15, 0.75);
    const hours = (this.capacities[battery]! * (1 - left) * (1 - this.lost)) / this.drawnAt(day);
    const to = step * (gauge === 'rounds' ? Math.round(left / step) : Math.ceil(left / step));
    return this.seen({
      kind: 'part',
      ...this.of(day, battery),
      temperatureC: 25,
      minutes: hours * 60,
      from: 1,
      to,
      step,
      ...(told && { gauge }),
    });
  }

  /** A meter at the battery, through the one feed. */
  reading(day: number): this {
    const meanW = (this.drawnAt(day) / (1 - this.lost)) * this.meter;
    return this.seen({ kind: 'segment', ...this.of(day, 0), meanW, spreadW: 0.02 * meanW, seconds: 600, atBattery: true });
  }

  log(): Log {
    const gear = new Map<string, Gear>([['device', DEVICE]]);
    this.capacities.forEach((_, index) =>
      gear.set(`battery ${index}`, { ...PACK, from: this.is.measured ? { energyWh: 'measured' } : {} }),
    );
    return { observations: this.observations.map((body, index) => ({ id: `o${index}`, body })), recordings: [], gear, rigs: new Map() };
  }

  private of(day: number, battery: number) {
    return { at: dateOf(day), deviceId: 'device', batteryId: `battery ${battery}`, lostShare: LOST } as const;
  }

  private drawnAt(day: number): number {
    if (!this.days.has(day)) this.days.set(day, this.drawW * (1 + (this.is.varies ?? 0) * this.chances.normal()));
    return this.days.get(day)!;
  }

  private seen(observation: Observation): this {
    this.observations.push(observation);
    return this;
  }
}

/** A battery that fades, and tests of it. */
export class FadingBattery {
  readonly body: Battery = PACK;
  private readonly firstWh: number;
  private readonly observations: Observation[] = [];

  constructor(
    private readonly chances: Chances,
    /** Of its label, a year. */
    readonly fade: number,
  ) {
    this.firstWh = LABEL_WH * chances.between(0.85, 1.02);
  }

  at(day: number): number {
    return this.firstWh - LABEL_WH * this.fade * (day / 365.25);
  }

  test(day: number, temperatureC = 25): this {
    const cold = coldDerating(CHEMISTRIES['li-ion'].cold, temperatureC).capacityFactor;
    const energyWh = this.at(day) * cold * (1 + 0.02 * this.chances.normal());
    this.observations.push({ kind: 'capacity', at: dateOf(day), batteryId: 'battery', energyWh, temperatureC });
    return this;
  }

  log(): Log {
    return {
      observations: this.observations.map((body, index) => ({ id: `o${index}`, body })),
      recordings: [],
      gear: new Map<string, Gear>([['battery', PACK]]),
      rigs: new Map(),
    };
  }
}

/** A date so many days after the first of 2024. */
export function dateOf(day: number): string {
  return new Date(Date.UTC(2024, 0, 1) + day * 86_400_000).toISOString().slice(0, 10);
}

const { from: _from, ...GENERIC } = GENERIC_BATTERIES[4]!; // 95 Wh, four cells
const PACK: Battery = { ...GENERIC, from: {} };
const DEVICE: Device = GENERIC_DEVICES[0]!;
