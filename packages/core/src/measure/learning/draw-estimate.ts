import { batteryFigures } from '../../gear';
import type { Battery } from '../../gear';
import { energyNow, energySpread } from '../../gear/kit';
import { coldDerating, deliveredWh, ocvArea } from '../../physics/cell';
import { formatQuantity } from '../../quantity';
import { CHEMISTRIES, ROOM_TEMPERATURE_C } from '../../tables';
import { through } from '../feed-loss';
import type { FeedLoss } from '../feed-loss';
import type { DrawObservation, ObservationOf } from '../log';
import type { SharedError } from './combined';

/** What one observation says about a draw: watts at the device, how sure, and how it follows. */
export interface DrawEstimate {
  readonly meanW: number;
  /** `battery`: what the way lost is not known, so this is not yet the device's own draw. */
  readonly at: 'device' | 'battery';
  /** One standard deviation, of everything together. */
  readonly sigmaW: number;
  /** What it may be off by alone, and together with others of the same battery, way, meter, charger, or cold. */
  readonly errors: EstimateErrors;
  readonly formula: string;
}

/** One standard deviation each. */
export interface EstimateErrors {
  readonly own: number;
  readonly shared: readonly SharedError[];
}

/** A clock read by somebody who is busy with something else. */
export const MINUTES = 1;
/** Of a bench meter, of full reading. */
const METER = 0.01;
/** Of the energy a charger says it put back: the same charger, the same error. */
export const CHARGER = 0.05;
export const CHARGER_LOSS = 0.12;
/** Volts of a hand meter, at rest. */
const REST_V = 0.02;
/** Of what other devices drew meanwhile: known from their own figures only. */
const OTHERS = 0.1;
/** Of a loss on the way that nobody measured. */
export const LOSS = 0.02;
/** What an indicator may show for one charge, in steps: errors that hold 95 of 100, one reading or two. */
const ONE_READING = 0.24;
const TWO_READINGS = 0.39;
/** An indicator of which it is not entered whether it rounds, or shows a step until the next. */
const ANY_GAUGE = 0.36;
/** Nobody entered how cold it was: it may have been as cold as this. */
const COLD_C = -10;
/** One standard deviation, of what that would take: cold days hold in two of them. */
const UNKNOWN_COLD = 0.55;
/** What the cold tables say is lost may be off by this share of it. */
export const COLD_TABLE = 0.25;

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
    const errors = { own: spreadW / Math.sqrt(Math.max(1, seconds / 10)), shared: [{ source: 'meter', sigma: METER * meanW }] };
    const how = `mean of ${say(seconds / 60, 'min')}`;
    if (atBattery !== true) return { at: 'device', meanW, sigmaW: allOf(errors), errors, formula: `${how} = ${say(meanW, 'W')}` };
    return atDevice(meanW, errors, observation, loss, how);
  }
  const used = usedEnergy(observation, battery);
  if (!used || used.energyWh <= 0) return undefined;
  const hours = observation.minutes / 60;
  const meanW = used.energyWh / hours;
  const errors = {
    own: Math.hypot(used.errors.own / hours, meanW * (MINUTES / observation.minutes)),
    shared: scaled(used.errors.shared, 1 / hours),
  };
  return atDevice(meanW, errors, observation, loss, `${used.formula} ÷ ${say(observation.minutes, 'min')}`);
}

/** Own and shared errors together. */
export function allOf({ own, shared }: EstimateErrors): number {
  return Math.hypot(own, ...shared.map(({ sigma }) => sigma));
}

export function scaled(shared: readonly SharedError[], by: number): readonly SharedError[] {
  return shared.map(({ source, sigma }) => ({ source, sigma: sigma * by }));
}

/** Energy that left the battery in an observation, with its errors in watt-hours. */
export function usedEnergy(
  observation: Exclude<DrawObservation, { kind: 'segment' }> | ObservationOf<'shots'>,
  battery: Battery | undefined,
): { readonly energyWh: number; readonly errors: EstimateErrors; readonly formula: string } | undefined {
  const say = formatQuantity;
  if (observation.kind === 'put-back') {
    const loss = observation.chargerLoss ?? CHARGER_LOSS;
    const energyWh = observation.energyWh * (1 - loss);
    return {
      energyWh,
      errors: { own: 0, shared: [{ source: 'charger', sigma: energyWh * CHARGER }] },
      formula: `${say(observation.energyWh, 'Wh')} put back, less ${say(loss, 'fraction')} lost in charging${observation.chargerLoss === undefined ? ', assumed' : ''}`,
    };
  }
  const full = battery && energyNow(battery);
  if (!battery || full === undefined) return undefined;
  const { batteryId, temperatureC } = observation;
  const cold = coldDerating(CHEMISTRIES[battery.chemistry].cold, temperatureC ?? ROOM_TEMPERATURE_C).capacityFactor;
  const energyWh = full * cold;
  /** What it may hold otherwise than was taken, and what the cold took of it. */
  const ofBattery = (wh: number): readonly SharedError[] => [
    { source: `battery ${batteryId}`, sigma: wh * energySpread(battery) },
    coldError(battery, temperatureC, wh),
  ];
  const held = `${say(energyWh, 'Wh')}${temperatureC === undefined ? ' (25 °C assumed)' : ''}`;
  if (observation.kind === 'run-down') {
    const { cellsInSeries = 1, resistanceOhm } = batteryFigures(battery);
    const spec = {
      chemistry: battery.chemistry,
      cellsInSeries,
      energyWh: full,
      ...(resistanceOhm !== undefined && { resistanceOhm }),
      ...(battery.cutoffV !== undefined && { cutoffV: battery.cutoffV }),
      temperatureC: temperatureC ?? ROOM_TEMPERATURE_C,
    };
    // emptied faster than its rated pace it gives less
    const givenWh = deliveredWh(spec, observation.minutes);
    return {
      energyWh: givenWh,
      errors: { own: 0, shared: ofBattery(givenWh) },
      formula: `${say(givenWh, 'Wh')}${temperatureC === undefined ? ' (25 °C assumed)' : ''}`,
    };
  }
  const part = observation.kind === 'two-point' ? byVolts(observation, battery) : byIndicator(observation);
  if (part === undefined || part.share <= 0) return undefined;
  return {
    energyWh: energyWh * part.share,
    errors: { own: energyWh * part.sigma, shared: ofBattery(energyWh * part.share) },
    formula: `${say(part.share, 'fraction')} of ${held}`,
  };
}

/** What the cold took, otherwise than its table says; where nobody entered it, up to all that a cold day takes. */
export function coldError(battery: Battery, temperatureC: number | undefined, wh: number): SharedError {
  const { cold } = CHEMISTRIES[battery.chemistry];
  const kept = coldDerating(cold, temperatureC ?? COLD_C).capacityFactor;
  // below 0, as less is in it; those that were not entered may all have been as cold
  return temperatureC === undefined
    ? { source: 'unknown cold', sigma: -wh * UNKNOWN_COLD * (1 - kept) }
    : { source: 'cold', sigma: (wh * COLD_TABLE * (1 - kept)) / kept };
}

/**
 * What was used by an indicator: one that rounds shows the step nearest to the charge, one that holds a bar shows it until
 * that is used up. A full one was charged just before; an empty one that holds its bars is empty.
 */
function byIndicator({ from, to, step, gauge }: ObservationOf<'part' | 'shots'>): { share: number; sigma: number } {
  const [isFull, isEmpty] = [from >= 1, to <= 0];
  if (gauge === 'holds') {
    const readings = Number(!isFull) + Number(!isEmpty);
    return { share: from - (isFull ? 0 : step / 2) - (to - (isEmpty ? 0 : step / 2)), sigma: step * (READINGS[readings] ?? 0) };
  }
  if (gauge === 'rounds') return { share: from - to - (isEmpty ? step / 4 : 0), sigma: step * (isFull ? ONE_READING : TWO_READINGS) };
  // of the two, the one would be half a step more from a full battery
  return { share: from - to + (isFull && !isEmpty ? step / 4 : 0), sigma: step * (isFull ? ANY_GAUGE : TWO_READINGS) };
}

const READINGS = [0, ONE_READING, TWO_READINGS];

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
function atDevice(
  meanW: number,
  errors: EstimateErrors,
  { lostShare: given, rigId }: Pick<DrawObservation, 'lostShare' | 'rigId'>,
  loss: FeedLoss | undefined,
  how: string,
): DrawEstimate {
  const say = formatQuantity;
  const read = `${how} = ${say(meanW, 'W')}`;
  if (given === 0) return { at: 'device', meanW, sigmaW: allOf(errors), errors, formula: `${read}, the battery in the device itself` };
  if (given === undefined && !loss) return { at: 'battery', meanW, sigmaW: allOf(errors), errors, formula: `${read} at the battery` };
  const taken = given === undefined ? loss! : { lostShare: given, othersW: 0 };
  const { lostShare, othersW } = taken;
  const lost = `less ${say(lostShare, 'fraction')} lost on the way${given === undefined ? ', as the rig has it' : ''}`;
  const way = rigId ?? `of ${lostShare}`;
  const after: EstimateErrors = {
    own: errors.own * (1 - lostShare),
    shared: [
      ...scaled(errors.shared, 1 - lostShare),
      { source: `way ${way}`, sigma: -LOSS * meanW },
      { source: `others ${way}`, sigma: -OTHERS * othersW },
    ],
  };
  return {
    at: 'device',
    meanW: through(meanW, taken),
    sigmaW: allOf(after),
    errors: after,
    formula: `${read} at the battery, ${lost}${othersW > 0 ? `, less ${say(othersW, 'W')} of the other devices on it` : ''}`,
  };
}
