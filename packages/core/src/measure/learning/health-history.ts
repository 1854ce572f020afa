import { CHEMISTRIES, coldDerating } from '../../cell';
import { batteryFigures } from '../../gear';
import type { Battery, Draw } from '../../gear';
import { FeedLosses } from '../feed-loss';
import { dayOf } from '../log';
import type { Log } from '../feed-loss';
import type { Observation, ObservationOf } from '../log';
import { formatQuantity } from '../../quantity';
import { DRAW_SPREAD, plainDraw } from '../../rig';
import { doubtfulAmong } from './doubtful';
import { CHARGER, CHARGER_LOSS, LOSS, MINUTES } from './learned-draw';
import { learnedDraws, LEAST_SPREAD } from './log-draws';

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
  readonly labelWh: number | undefined;
  /** The oldest first. */
  readonly points: readonly CapacityPoint[];
  /** What it holds at the day asked for, nine of ten times between low and high. */
  readonly now: { readonly energyWh: number; readonly lowWh: number; readonly highWh: number } | undefined;
  /** Of the label. */
  readonly share: number | undefined;
  /** Watt-hours a year; undefined while the points lie too close together for one. */
  readonly trend: { readonly perYearWh: number; readonly sigmaWh: number } | undefined;
  readonly retire: 'now' | 'soon' | undefined;
  /** What that rests on, in a sentence. */
  readonly says: string;
  /** The battery with what was learnt in place; undefined where nothing was. */
  readonly use: Battery | undefined;
}

/** Below this share of its label a battery is usually retired from work that matters. A person may judge otherwise. */
export const RETIRE_SHARE = 0.7;
/** “Soon”: within a year at the present rate. */
const SOON_YEARS = 1;
/** Points within fewer days tell no trend. */
const LEAST_SPAN_DAYS = 60;
/** Of a capacity test: a load and a clock, or a meter that counts. */
const TEST = 0.02;
/** From one standard deviation to nine of ten. */
const NINE_OF_TEN = 1.645;
/** A test older than this is said to be. */
const OLD_MONTHS = 6;
const YEAR_DAYS = 365.25;

/**
 * What a battery held over time, from capacity tests, run-downs of devices whose draw a meter has told, and what a
 * charger put back after one; a weighted line through it. `today` is an ISO date.
 *
 * A run-down of a device whose draw is itself known only from run-downs of this battery says nothing here: it would give
 * the label back.
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
  const doubtful = new Set(
    doubtfulAmong(
      found.map(({ setAside }) => !setAside),
      (left) => (own) => {
        const point = found[own]!;
        const rest = lineThrough(found.filter((_, index) => left[index] && index !== own), point.at); // prettier-ignore
        return rest ? Math.abs(point.energyWh - rest.energyWh) / Math.hypot(point.sigmaWh, rest.sigmaWh) : 0;
      },
    ),
  );
  const points = found.map((point, index): CapacityPoint => ({ ...point, doubtful: doubtful.has(index) }));
  const line = lineThrough(counted, today);
  const share = line && labelWh !== undefined ? line.energyWh / labelWh : undefined;
  const retire = retireBy(share, line, labelWh);
  return {
    batteryId,
    labelWh,
    points,
    now: line && {
      energyWh: line.energyWh,
      lowWh: line.energyWh - NINE_OF_TEN * line.sigmaWh,
      highWh: line.energyWh + NINE_OF_TEN * line.sigmaWh,
    },
    share,
    trend: line?.trend,
    retire,
    says: sentence(line, share, retire, counted, today),
    use: line && learnt(battery, line.energyWh, labelWh),
  };
}

type Found = Omit<CapacityPoint, 'doubtful'>;

function pointOf(
  body: Observation,
  battery: Battery,
  log: Log,
  losses: FeedLosses,
): Pick<CapacityPoint, 'energyWh' | 'sigmaWh' | 'formula'> | undefined {
  const say = formatQuantity;
  const temperatureC = 'temperatureC' in body ? body.temperatureC : undefined;
  const cold = coldDerating(CHEMISTRIES[battery.chemistry].cold, temperatureC ?? 25).capacityFactor;
  const warm =
    temperatureC === undefined
      ? ', 25 °C assumed'
      : cold === 1
        ? ''
        : `, at ${say(temperatureC, 'C')} ${say(cold, 'fraction')} of what it holds warm`;
  if (body.kind === 'capacity')
    return {
      energyWh: body.energyWh / cold,
      sigmaWh: (body.energyWh / cold) * TEST,
      formula: `${say(body.energyWh, 'Wh')} in a test${warm}`,
    };
  if (body.kind === 'put-back' && body.fromEmpty) {
    const loss = body.chargerLoss ?? CHARGER_LOSS;
    const energyWh = body.energyWh * (1 - loss);
    const formula = `${say(body.energyWh, 'Wh')} put back, less ${say(loss, 'fraction')} lost in charging${body.chargerLoss === undefined ? ', assumed' : ''}`;
    return { energyWh, sigmaWh: energyWh * CHARGER, formula };
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
  const sigmaWh = energyWh * Math.hypot(spread, MINUTES / body.minutes, LOSS);
  const others = othersW > 0 ? ` + ${say(othersW, 'W')} of the others` : '';
  return {
    energyWh,
    sigmaWh,
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
  readonly trend: HealthHistory['trend'];
}

/** A weighted straight line, read at a day; a weighted mean while the points lie too close together for one. */
function lineThrough(points: readonly Found[], day: string): Line | undefined {
  if (points.length === 0) return undefined;
  const weights = points.map(({ sigmaWh }) => 1 / Math.max(sigmaWh, 1e-6) ** 2);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const mean = (values: readonly number[]): number => values.reduce((sum, value, at) => sum + value * weights[at]!, 0) / total;
  const years = points.map(({ at }) => dayOf(at) / YEAR_DAYS);
  const energies = points.map(({ energyWh }) => energyWh);
  const [middle, level] = [mean(years), mean(energies)];
  const span = (Math.max(...years) - Math.min(...years)) * YEAR_DAYS;
  if (points.length < 2 || span < LEAST_SPAN_DAYS) return { energyWh: level, sigmaWh: Math.sqrt(1 / total), trend: undefined };
  const spread = mean(years.map((year) => (year - middle) ** 2));
  const slope = mean(years.map((year, at) => (year - middle) * (energies[at]! - level))) / spread;
  // points that scatter more than their own errors say make the line less sure
  const misfit = mean(energies.map((energy, at) => (energy - level - slope * (years[at]! - middle)) ** 2));
  const factor = points.length > 2 ? Math.max(1, Math.sqrt((misfit * total) / (points.length - 2))) : 1;
  const ahead = dayOf(day) / YEAR_DAYS - middle;
  const sigmaSlope = factor / Math.sqrt(total * spread);
  return {
    energyWh: Math.max(0, level + slope * ahead),
    sigmaWh: Math.hypot(factor / Math.sqrt(total), sigmaSlope * ahead),
    trend: { perYearWh: slope, sigmaWh: sigmaSlope },
  };
}

function retireBy(share: number | undefined, line: Line | undefined, labelWh: number | undefined): HealthHistory['retire'] {
  if (share === undefined || !line || labelWh === undefined) return undefined;
  if (share < RETIRE_SHARE) return 'now';
  const ahead = line.energyWh + SOON_YEARS * Math.min(0, line.trend?.perYearWh ?? 0);
  return ahead / labelWh < RETIRE_SHARE ? 'soon' : undefined;
}

function sentence(
  line: Line | undefined,
  share: number | undefined,
  retire: HealthHistory['retire'],
  points: readonly Found[],
  today: string,
): string {
  const say = formatQuantity;
  if (!line) return 'Nothing was measured yet: a capacity test, or a run-down at a known draw, tells what it holds.';
  const holds = `Holds ${say(line.energyWh, 'Wh')} ± ${say(NINE_OF_TEN * line.sigmaWh, 'Wh')} from ${points.length === 1 ? 'one observation' : `${points.length} observations`}`;
  const months = Math.round(((dayOf(today) - dayOf(points.at(-1)!.at)) / YEAR_DAYS) * 12);
  const old = months < OLD_MONTHS ? '' : `, the newest ${months} months old`;
  const ofLabel = share === undefined ? '' : `, ${say(share, 'fraction')} of its label`;
  const slope = line.trend ? `; ${line.trend.perYearWh < 0 ? 'loses' : 'gains'} ${say(Math.abs(line.trend.perYearWh), 'Wh')} a year` : '';
  const verdict =
    retire === 'now'
      ? ` Below ${say(RETIRE_SHARE, 'fraction')} of its label: keep it for what may stop.`
      : retire === 'soon'
        ? ` Below ${say(RETIRE_SHARE, 'fraction')} within a year at this rate.`
        : '';
  return `${holds}${old}${ofLabel}${slope}.${verdict}`;
}

function learnt(battery: Battery, energyWh: number, labelWh: number | undefined): Battery {
  const next: Battery = { ...battery, energyWh: Number(energyWh.toPrecision(4)), from: { ...battery.from, energyWh: 'measured' } };
  return labelWh === undefined ? next : { ...next, labelWh };
}
