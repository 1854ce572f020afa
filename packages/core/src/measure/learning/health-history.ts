import { batteryFigures } from '../../gear';
import type { Battery, Draw } from '../../gear';
import { coldDerating } from '../../physics/cell';
import { formatQuantity } from '../../quantity';
import { plainDraw } from '../../rig/resolved';
import { CHEMISTRIES, DRAW_SPREAD, ROOM_TEMPERATURE_C } from '../../tables';
import { FeedLosses } from '../feed-loss';
import type { Log } from '../feed-loss';
import { dayOf } from '../log';
import type { Observation, ObservationOf } from '../log';
import { combined } from './combined';
import type { SeenValue, SharedError } from './combined';
import { doubtfulAmong, weighedDown } from './doubtful';
import { allOf, CHARGER, CHARGER_LOSS, COLD_TABLE, coldError, LOSS, MINUTES } from './draw-estimate';
import type { EstimateErrors } from './draw-estimate';
import { learnedDraws, LEAST_SPREAD } from './log-draws';
import { normalShare } from './normal';

/** What one observation says of a battery's capacity. */
export interface CapacityPoint {
  readonly id: string;
  readonly kind: Observation['kind'];
  readonly at: string;
  /** When full, at 25 °C. */
  readonly energyWh: number;
  /** One standard deviation. */
  readonly sigmaWh: number;
  readonly formula: string;
  readonly setAside: boolean;
  /** It lies far from the line through the others. */
  readonly doubtful: boolean;
}

/** A battery over time. */
export interface HealthHistory {
  readonly batteryId: string;
  /** The day asked for, an ISO date. */
  readonly asOf: string;
  readonly labelWh: number | undefined;
  /** The oldest first. */
  readonly points: readonly CapacityPoint[];
  /** What it holds at the day asked for, nine of ten times between low and high. */
  readonly now: { readonly energyWh: number; readonly lowWh: number; readonly highWh: number } | undefined;
  /** Of the label. */
  readonly share: number | undefined;
  /** Watt-hours a year; undefined while the points lie too close together for one. */
  readonly trend: { readonly perYearWh: number; readonly sigmaWh: number } | undefined;
  /** Of what the cold usually takes of such cells, what it takes of these: as far as tests in the cold tell. */
  readonly cold: { readonly factor: number; readonly sigma: number; readonly low: number; readonly high: number } | undefined;
  /** Of being below the share at which one retires it, on the day asked for and a year later; undefined without a label. */
  readonly chance: { readonly now: number; readonly withinYear: number } | undefined;
  /** More likely than not. */
  readonly retire: 'now' | 'soon' | undefined;
  /** The battery with what was learnt in place; undefined where nothing was. */
  readonly use: Battery | undefined;
}

/** Below this share of its label a battery is usually retired from work that matters. A person may judge otherwise. */
export const RETIRE_SHARE = 0.7;
/** “Soon”: within a year. */
const SOON_YEARS = 1;
/** What a battery in use loses a year, of its label, before its own tests say otherwise: by years and some hundred cycles. */
const FADE = 0.04;
const FADE_SPREAD = 0.018;
/** Tests in the cold tell how much it takes when less than this of the doubt is left. */
const TELLS_COLD = 0.8;
/** Points within fewer days tell no trend. */
const LEAST_SPAN_DAYS = 60;
/** Of a capacity test: a load and a clock, or a meter that counts. */
const TEST = 0.02;
/** From one standard deviation to nine of ten. */
const NINE_OF_TEN = 1.645;
const YEAR_DAYS = 365.25;
const LIKELY = 0.5;

/**
 * What a battery held over time, from capacity tests, run-downs of devices whose draw a meter has told, and what a
 * charger put back after one; a weighted line through it. `today` is an ISO date.
 *
 * A run-down of a device whose draw is itself known only from run-downs of this battery says nothing here: it would give
 * the label back.
 *
 * @example healthHistory(rig.links[0].from.gearId, battery, log, '2026-01-12').points.length // 1
 */
export function healthHistory(batteryId: string, battery: Battery, log: Log, today: string): HealthHistory {
  const losses = new FeedLosses(log);
  const labelWh = battery.labelWh ?? (battery.from?.energyWh === 'measured' ? undefined : batteryFigures(battery).energyWh);
  const found = log.observations
    .flatMap(({ id, body }) => {
      const point = 'batteryId' in body && body.batteryId === batteryId ? pointOf(body, battery, log, losses) : undefined;
      return point ? [{ ...point, id, kind: body.kind, at: body.at, setAside: body.setAside === true }] : [];
    })
    .sort((a, b) => a.at.localeCompare(b.at));
  const counted = found.filter(({ setAside }) => !setAside);
  const line = lineThrough(counted, today, labelWh);
  const doubtful = new Set(line?.doubtful.map((place) => counted[place]!.id));
  const points = found.map(({ errors: _errors, ...point }): CapacityPoint => ({ ...point, doubtful: doubtful.has(point.id) }));
  const share = line && labelWh !== undefined ? line.energyWh / labelWh : undefined;
  const chance =
    line && labelWh !== undefined
      ? {
          now: below(line.energyWh, line.sigmaWh, RETIRE_SHARE * labelWh),
          withinYear: below(line.nextWh, line.nextSigmaWh, RETIRE_SHARE * labelWh),
        }
      : undefined;
  const retire = !chance || chance.withinYear < LIKELY ? undefined : chance.now >= LIKELY ? 'now' : 'soon';
  return {
    batteryId,
    asOf: today,
    labelWh,
    points,
    now: line && {
      energyWh: line.energyWh,
      lowWh: Math.max(0, line.energyWh - NINE_OF_TEN * line.sigmaWh),
      highWh: line.energyWh + NINE_OF_TEN * line.sigmaWh,
    },
    share,
    trend: line?.trend,
    cold: line?.cold,
    chance,
    retire,
    use: line && learnt(battery, line, labelWh),
  };
}

/** Of a normal distribution, what lies below. */
function below(mean: number, sigma: number, limit: number): number {
  return normalShare((limit - mean) / Math.max(sigma, 1e-9));
}

type Found = Omit<CapacityPoint, 'doubtful'> & { readonly errors: EstimateErrors };

function pointOf(
  body: Observation,
  battery: Battery,
  log: Log,
  losses: FeedLosses,
): Pick<Found, 'energyWh' | 'sigmaWh' | 'errors' | 'formula'> | undefined {
  const say = formatQuantity;
  const temperatureC = 'temperatureC' in body ? body.temperatureC : undefined;
  const cold = coldDerating(CHEMISTRIES[battery.chemistry].cold, temperatureC ?? ROOM_TEMPERATURE_C).capacityFactor;
  const warm =
    temperatureC === undefined
      ? ', 25 °C assumed'
      : cold === 1
        ? ''
        : `, at ${say(temperatureC, 'C')} ${say(cold, 'fraction')} of what it holds warm`;
  /** Of a test in the cold; one that nobody entered is taken to be of a bench. */
  const ofCold = (energyWh: number): readonly SharedError[] =>
    temperatureC === undefined ? [] : [coldError(battery, temperatureC, energyWh)];
  if (body.kind === 'capacity') {
    const energyWh = body.energyWh / cold;
    const errors = { own: energyWh * TEST, shared: ofCold(energyWh) };
    return { energyWh, sigmaWh: allOf(errors), errors, formula: `${say(body.energyWh, 'Wh')} in a test${warm}` };
  }
  if (body.kind === 'put-back' && body.fromEmpty) {
    const loss = body.chargerLoss ?? CHARGER_LOSS;
    const energyWh = body.energyWh * (1 - loss);
    const formula = `${say(body.energyWh, 'Wh')} put back, less ${say(loss, 'fraction')} lost in charging${body.chargerLoss === undefined ? ', assumed' : ''}`;
    const errors = { own: energyWh * TEST, shared: [{ source: 'charger', sigma: energyWh * CHARGER }] };
    return { energyWh, sigmaWh: allOf(errors), errors, formula };
  }
  if (body.kind !== 'run-down') return undefined;
  const device = log.gear.get(body.deviceId);
  if (device?.kind !== 'device') return undefined;
  const mode = body.modeId === undefined ? undefined : device.modes?.find(({ id }) => id === body.modeId);
  const draw = mode ? mode.draw : device.draw;
  const known = draw && independentDraw(body, draw, log);
  if (!known) return undefined;
  const loss = losses.of(body);
  const lostShare = body.lostShare ?? loss?.lostShare;
  if (lostShare === undefined) return undefined;
  const { powerW, spread } = known;
  const othersW = body.lostShare === undefined ? (loss?.othersW ?? 0) : 0;
  const energyWh = (((powerW + othersW) / (1 - lostShare)) * (body.minutes / 60)) / cold;
  // the same device and the same way each time; how cold it was, where nobody entered it, counts upwards here
  const shared = [
    { source: `draw ${body.deviceId} ${body.modeId ?? ''}`, sigma: energyWh * spread },
    { source: `way ${body.rigId ?? ''}`, sigma: energyWh * LOSS },
    temperatureC === undefined
      ? { source: 'unknown cold', sigma: -coldError(battery, undefined, energyWh).sigma }
      : coldError(battery, temperatureC, energyWh),
  ];
  const errors = { own: energyWh * (MINUTES / body.minutes), shared };
  const others = othersW > 0 ? ` + ${say(othersW, 'W')} of the others` : '';
  return {
    energyWh,
    sigmaWh: allOf(errors),
    errors,
    formula: `(${say(powerW, 'W')}${others}) ÷ ${say(1 - lostShare, 'fraction')} kept × ${say(body.minutes, 'min')}${warm}`,
  };
}

/**
 * What a device drew in a run-down, as far as it is known without the battery that is judged: from a meter, or from
 * everything in the log that was not made with this battery. Undefined where only the battery itself tells it.
 */
function independentDraw(
  { deviceId, modeId, batteryId }: ObservationOf<'run-down'>,
  draw: Draw,
  log: Log,
): { readonly powerW: number; readonly spread: number } | undefined {
  if (draw.basis === 'meter') {
    if (draw.at === 'battery' && draw.lostShare === undefined) return undefined;
    const { powerW, spread } = plainDraw(draw, 'measured');
    return { powerW, spread: spread ?? DRAW_SPREAD.measured };
  }
  if (draw.basis !== 'learnt') return undefined;
  // a meter's word does not lean on the battery, wherever it sat
  const observations = log.observations.filter(({ body }) => body.kind === 'segment' || body.batteryId !== batteryId);
  const row = learnedDraws({ ...log, observations }).find((one) => one.deviceId === deviceId && one.modeId === modeId && one.of === 'draw');
  return row?.learnt && { powerW: row.learnt.meanW, spread: Math.max(LEAST_SPREAD, row.learnt.sigmaW / row.learnt.meanW) };
}

interface Line {
  readonly energyWh: number;
  readonly sigmaWh: number;
  /** A year later. */
  readonly nextWh: number;
  readonly nextSigmaWh: number;
  readonly trend: HealthHistory['trend'];
  readonly cold: HealthHistory['cold'];
  readonly doubtful: readonly number[];
}

/**
 * What the points say of a day, and of the loss a year: together with what such batteries usually lose, so that an old test
 * says less of today, and one test alone says something of next year. Points that scatter more than their own errors say
 * make it less sure; those in doubt count less.
 */
function lineThrough(points: readonly Found[], day: string, labelWh: number | undefined): Line | undefined {
  if (points.length === 0) return undefined;
  const today = dayOf(day) / YEAR_DAYS;
  const years = points.map(({ at }) => dayOf(at) / YEAR_DAYS - today);
  const size = labelWh ?? Math.max(...points.map(({ energyWh }) => energyWh));
  const usual: SeenValue = { value: -FADE * size, own: FADE_SPREAD * size, shared: [], of: [0, 1] };
  const seen = [
    ...points.map(({ energyWh, errors }, at): SeenValue => ({
      value: energyWh,
      own: Math.max(errors.own, 1e-6),
      shared: errors.shared,
      of: [1, years[at]!],
    })),
    usual,
  ];
  const doubtful = doubtfulAmong(seen).filter((place) => place < points.length);
  const found = combined(weighedDown(seen, doubtful));
  const [energyWh = 0, perYearWh = 0] = found.unknowns;
  const [[level = 0, both = 0] = [], [, slope = 0] = []] = found.covariance;
  const free = points.length - 1;
  const factor = points.length > 2 ? Math.max(1, Math.sqrt(found.squares / free)) : 1;
  const span = (Math.max(...years) - Math.min(...years)) * YEAR_DAYS;
  const cold = found.sources.get('cold');
  return {
    energyWh: Math.max(0, energyWh),
    sigmaWh: factor * Math.sqrt(level),
    nextWh: Math.max(0, energyWh + SOON_YEARS * perYearWh),
    nextSigmaWh: factor * Math.sqrt(level + 2 * SOON_YEARS * both + SOON_YEARS ** 2 * slope),
    trend: points.length > 1 && span >= LEAST_SPAN_DAYS ? { perYearWh, sigmaWh: factor * Math.sqrt(slope) } : undefined,
    cold: cold && cold.sigma < TELLS_COLD ? coldTaken(1 - COLD_TABLE * cold.mean, COLD_TABLE * cold.sigma) : undefined,
    doubtful,
  };
}

function learnt(battery: Battery, { energyWh, sigmaWh }: Line, labelWh: number | undefined): Battery {
  const next: Battery = {
    ...battery,
    energyWh: Number(energyWh.toPrecision(4)),
    energySpread: Number(Math.min(1, sigmaWh / Math.max(energyWh, 1e-9)).toPrecision(2)),
    from: { ...battery.from, energyWh: 'measured' },
  };
  return labelWh === undefined ? next : { ...next, labelWh };
}

function coldTaken(factor: number, sigma: number): HealthHistory['cold'] {
  return { factor, sigma, low: Math.max(0, factor - NINE_OF_TEN * sigma), high: factor + NINE_OF_TEN * sigma };
}
