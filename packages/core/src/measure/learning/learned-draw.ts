import { CHEMISTRIES, coldDerating, deliveredWh, ocvArea } from '../../cell';
import { batteryFigures, energyNow } from '../../gear';
import type { Battery } from '../../gear';
import { through } from '../feed-loss';
import { dayOf } from '../log';
import type { FeedLoss } from '../feed-loss';
import type { DrawObservation, ObservationOf } from '../log';
import { formatQuantity } from '../../quantity';
import { doubtfulAmong } from './doubtful';

/** What one observation says about a draw: watts at the device, how sure, and how it follows. */
export interface DrawEstimate {
  readonly meanW: number;
  /** `battery`: what the way lost is not known, so this is not yet the device's own draw. */
  readonly at: 'device' | 'battery';
  /** One standard deviation. */
  readonly sigmaW: number;
  readonly formula: string;
}

/** A draw learnt from several observations. */
export interface LearnedDraw {
  readonly meanW: number;
  readonly sigmaW: number;
  /** How much each counted; 0 for one that was set aside. */
  readonly shares: readonly number[];
  /** Places of observations that disagree with the rest: to be questioned, and counted all the same. */
  readonly doubtful: readonly number[];
}

/** ±3 % of a measured capacity, ±8 % otherwise, as two standard deviations. */
const CAPACITY = { measured: 0.015, other: 0.04 };
/** A clock read by somebody who is busy with something else. */
export const MINUTES = 1;
/** Of a bench meter, of full reading. */
const METER = 0.01;
/** Of the energy a charger says it put back. */
export const CHARGER = 0.05;
export const CHARGER_LOSS = 0.12;
/** Volts of a hand meter, at rest. */
const REST_V = 0.02;
/** Of what other devices drew meanwhile: known from their own figures only. */
const OTHERS = 0.1;
/** Of a loss on the way that nobody measured. */
export const LOSS = 0.02;
/** After a year an observation counts half as much. */
const HALF_YEARS = 1;
const YEAR_DAYS = 365.25;

/**
 * The draw that one observation speaks of, its errors followed through: the battery's capacity, the indicator's step,
 * the clock, the meter, what the feed lost and what else hung on it (`way`; a loss that the observation itself gives
 * goes before). Undefined while the battery's energy is not known, or nothing was used.
 *
 * @example drawFrom({ kind: 'run-down', at: '2026-01-10', deviceId: cameraId, batteryId: 'v', minutes: 310 }, battery).meanW // 18.4
 */
export function drawFrom(observation: DrawObservation, battery?: Battery, loss?: FeedLoss): DrawEstimate | undefined {
  const say = formatQuantity;
  if (observation.kind === 'segment') {
    const { meanW, spreadW, seconds, atBattery } = observation;
    // slots of a second follow each other closely; a tenth of them is taken to be independent
    const sigma = Math.hypot(spreadW / Math.sqrt(Math.max(1, seconds / 10)), METER * meanW);
    const how = `mean of ${say(seconds / 60, 'min')}`;
    if (atBattery !== true) return { at: 'device', meanW, sigmaW: sigma, formula: `${how} = ${say(meanW, 'W')}` };
    return atDevice(meanW, sigma, observation.lostShare, loss, how);
  }
  const used = usedEnergy(observation, battery);
  if (!used || used.energyWh <= 0) return undefined;
  const hours = observation.minutes / 60;
  const meanW = used.energyWh / hours;
  const sigma = meanW * Math.hypot(used.sigmaWh / used.energyWh, MINUTES / observation.minutes);
  return atDevice(meanW, sigma, observation.lostShare, loss, `${used.formula} ÷ ${say(observation.minutes, 'min')}`);
}

/** Energy that left the battery in an observation, with its error. */
export function usedEnergy(
  observation: Exclude<DrawObservation, { kind: 'segment' }> | ObservationOf<'shots'>,
  battery: Battery | undefined,
): { readonly energyWh: number; readonly sigmaWh: number; readonly formula: string } | undefined {
  const say = formatQuantity;
  if (observation.kind === 'put-back') {
    const loss = observation.chargerLoss ?? CHARGER_LOSS;
    const energyWh = observation.energyWh * (1 - loss);
    return {
      energyWh,
      sigmaWh: energyWh * CHARGER,
      formula: `${say(observation.energyWh, 'Wh')} put back, less ${say(loss, 'fraction')} lost in charging${observation.chargerLoss === undefined ? ', assumed' : ''}`,
    };
  }
  const full = battery && energyNow(battery);
  if (!battery || full === undefined) return undefined;
  const cold = coldDerating(CHEMISTRIES[battery.chemistry].cold, observation.temperatureC ?? 25).capacityFactor;
  const energyWh = full * cold;
  const spread = battery.from?.energyWh === 'measured' ? CAPACITY.measured : CAPACITY.other;
  const held = `${say(energyWh, 'Wh')}${observation.temperatureC === undefined ? ' (25 °C assumed)' : ''}`;
  if (observation.kind === 'run-down') {
    const { cellsInSeries = 1, resistanceOhm } = batteryFigures(battery);
    const spec = { chemistry: battery.chemistry, cellsInSeries, energyWh: full, ...(resistanceOhm !== undefined && { resistanceOhm }), ...(battery.cutoffV !== undefined && { cutoffV: battery.cutoffV }), temperatureC: observation.temperatureC ?? 25 }; // prettier-ignore
    // emptied faster than its rated pace it gives less
    const givenWh = deliveredWh(spec, observation.minutes);
    return {
      energyWh: givenWh,
      sigmaWh: givenWh * spread,
      formula: `${say(givenWh, 'Wh')}${observation.temperatureC === undefined ? ' (25 °C assumed)' : ''}`,
    };
  }
  const part = observation.kind === 'two-point' ? byVolts(observation, battery) : byIndicator(observation);
  if (part === undefined || part.share <= 0) return undefined;
  return {
    energyWh: energyWh * part.share,
    sigmaWh: energyWh * Math.hypot(part.sigma, part.share * spread),
    formula: `${say(part.share, 'fraction')} of ${held}`,
  };
}

/** An indicator shows a step for everything within it: each reading is off by up to half of one. */
function byIndicator({ from, to, step }: ObservationOf<'part' | 'shots'>): { share: number; sigma: number } {
  return { share: from - to, sigma: (Math.SQRT2 * step) / Math.sqrt(12) };
}

/** Charge by the volts at rest, along the cell's table. */
function byVolts(
  { fromV, toV }: Extract<DrawObservation, { kind: 'two-point' }>,
  battery: Battery,
): { share: number; sigma: number } | undefined {
  const { cellsInSeries } = batteryFigures(battery);
  if (cellsInSeries === undefined) return undefined;
  const table = CHEMISTRIES[battery.chemistry].ocvPerCell;
  const energyShare = (volts: number): number => {
    const cellV = volts / cellsInSeries;
    let soc = cellV <= table[0]![1] ? 0 : 1;
    for (let place = 1; place < table.length; place++) {
      const [[fromSoc, lowV], [toSoc, highV]] = [table[place - 1]!, table[place]!];
      if (cellV >= lowV && cellV <= highV) soc = fromSoc + ((cellV - lowV) / Math.max(highV - lowV, 1e-9)) * (toSoc - fromSoc);
    }
    return ocvArea(table, soc) / ocvArea(table, 1);
  };
  const slope = (volts: number): number => Math.abs(energyShare(volts + REST_V) - energyShare(volts - REST_V)) / 2;
  return { share: energyShare(fromV) - energyShare(toV), sigma: Math.hypot(slope(fromV), slope(toV)) };
}

/** Watts at the battery as watts at the device; as they are where nothing is known of the way. */
function atDevice(meanW: number, sigmaW: number, given: number | undefined, loss: FeedLoss | undefined, how: string): DrawEstimate {
  const say = formatQuantity;
  const read = `${how} = ${say(meanW, 'W')}`;
  if (given === 0) return { at: 'device', meanW, sigmaW, formula: `${read}, the battery in the device itself` };
  if (given === undefined && !loss) return { at: 'battery', meanW, sigmaW, formula: `${read} at the battery` };
  const taken = given === undefined ? loss! : { lostShare: given, othersW: 0 };
  const { lostShare, othersW } = taken;
  const lost = `less ${say(lostShare, 'fraction')} lost on the way${given === undefined ? ', as the rig has it' : ''}`;
  return {
    at: 'device',
    meanW: through(meanW, taken),
    sigmaW: Math.hypot(sigmaW * (1 - lostShare), LOSS * meanW, OTHERS * othersW),
    formula: `${read} at the battery, ${lost}${othersW > 0 ? `, less ${say(othersW, 'W')} of the other devices on it` : ''}`,
  };
}

/**
 * Several estimates as one: each counts by the inverse of its variance, older ones less. One that disagrees with the
 * rest is named, and counts until a person sets it aside. Undefined where there is none.
 *
 * @example combineDraws([{ meanW: 10, sigmaW: 1 }, { meanW: 12, sigmaW: 2 }]).meanW // 10.4
 */
export function combineDraws(
  estimates: readonly (Pick<DrawEstimate, 'meanW' | 'sigmaW'> & { readonly at?: string; readonly setAside?: boolean })[],
): LearnedDraw | undefined {
  const newest = Math.max(...estimates.map(({ at }) => (at === undefined ? -Infinity : dayOf(at))));
  const weights = estimates.map(({ sigmaW, at, setAside }) => {
    if (setAside) return 0;
    const years = at === undefined || !Number.isFinite(newest) ? 0 : (newest - dayOf(at)) / YEAR_DAYS;
    return 0.5 ** (years / HALF_YEARS) / Math.max(sigmaW, 1e-9) ** 2;
  });
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  if (total <= 0) return undefined;
  const meanW = estimates.reduce((sum, estimate, index) => sum + estimate.meanW * weights[index]!, 0) / total;
  return {
    meanW,
    sigmaW: Math.sqrt(1 / total),
    shares: weights.map((weight) => weight / total),
    doubtful: doubtfulAmong(
      weights.map((weight) => weight > 0),
      (left) => deviations(estimates, weights.map((weight, index) => (left[index] ? weight : 0))), // prettier-ignore
    ),
  };
}

/** Of each, standard deviations from the mean of all the others: an estimate must not excuse itself. */
function deviations(estimates: readonly Pick<DrawEstimate, 'meanW' | 'sigmaW'>[], weights: readonly number[]): (own: number) => number {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const weighed = estimates.reduce((sum, { meanW }, index) => sum + meanW * weights[index]!, 0);
  return (own) => {
    const { meanW, sigmaW } = estimates[own]!;
    const rest = total - weights[own]!;
    // what is left of a difference of nearly equal sums is no weight
    if (rest <= 1e-12 * total) return 0;
    return Math.abs(meanW - (weighed - meanW * weights[own]!) / rest) / Math.hypot(sigmaW, Math.sqrt(1 / rest));
  };
}
