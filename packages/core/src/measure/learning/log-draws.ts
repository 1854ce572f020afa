import type { Battery, Device, Draw, Gear, Mode, Provenance } from '../../gear';
import { formatQuantity } from '../../quantity';
import { plainDraw } from '../../rig/resolved';
import { DRAW_SPREAD } from '../../tables';
import { FeedLosses, through } from '../feed-loss';
import type { FeedLoss, Log } from '../feed-loss';
import { observationsOf, USUAL } from '../log';
import type { DrawObservation, NamedSegment, ObservationOf, Recording } from '../log';
import type { KnownMode } from '../trace';
import { combineDraws } from './combine-draws';
import type { LearnedDraw } from './combine-draws';
import { allOf, drawFrom, usedEnergy } from './draw-estimate';
import type { DrawEstimate } from './draw-estimate';
import { heldStandby, learnedStandby, perEvent, wakesOf } from './shots';
import type { Standby } from './shots';

/** One observation in the making of a figure. */
export interface DrawEvidence {
  /** Of the observation, or of the recording and the place of its segment: `id#2`. */
  readonly id: string;
  readonly kind: DrawObservation['kind'] | 'shots';
  readonly at: string;
  /** Undefined where it tells nothing yet: `lacks` says why. */
  readonly estimate: DrawEstimate | undefined;
  readonly lacks: string | undefined;
  /** How much it counts, 0 to 1. */
  readonly share: number;
  /** It disagrees with the rest: a person should look. */
  readonly doubtful: boolean;
  readonly setAside: boolean;
}

/** What is known and what was learnt of one device in one mode. */
export interface DrawRow {
  readonly deviceId: string;
  readonly modeId: string | undefined;
  readonly device: string;
  readonly mode: string;
  /** Watts, or joules a shot or frame beyond what it draws between them. */
  readonly of: 'draw' | 'shot' | 'frame';
  /** The figure that plans use now. Undefined: unknown. */
  readonly now: { readonly value: number; readonly from: Provenance; readonly learnt: boolean } | undefined;
  /** In watts, or joules a shot. */
  readonly learnt: LearnedDraw | undefined;
  /** What it draws between shots or frames, where tests at another pace tell it apart. */
  readonly standby: Standby | undefined;
  /** Highest peak that a meter saw, and its length. */
  readonly peak: { readonly peakW: number; readonly peakMs: number } | undefined;
  readonly evidence: readonly DrawEvidence[];
  /** The device with the learnt figure in place, and a peak that was measured higher than known; undefined when there is none, and for a mean of what draws by the shot or frame. */
  readonly use: Device | undefined;
}

/** A learnt figure is not believed to be surer than this: another day, lens or temperature is not the same. */
export const LEAST_SPREAD = 0.02;

/**
 * Every device and mode that something was observed of, with the way from observations to figure.
 * Devices in the order of the gear, the usual mode first. Cost: a run of each rig that fed one.
 *
 * @example learnedDraws(log)[0].device // 'Skuadon 60'
 */
export function learnedDraws(log: Log): readonly DrawRow[] {
  const losses = new FeedLosses(log);
  const seen = new Map<string, Seen[]>();
  const add = (id: string, body: DrawObservation | ObservationOf<'shots'>): void => {
    const key = `${body.deviceId} ${body.modeId ?? USUAL} ${body.kind === 'shots' ? 'event' : 'draw'}`;
    const known = seen.get(key);
    if (known) known.push({ id, body });
    else seen.set(key, [{ id, body }]);
  };
  for (const { id, body } of log.observations) if (body.kind !== 'capacity' && body.kind !== 'set-run') add(id, body);
  for (const entry of log.recordings) for (const { id, body } of observationsOf(entry)) add(id, body);
  return [...log.gear].flatMap(([deviceId, device]) => {
    if (device.kind !== 'device') return [];
    const modes: readonly (Mode | undefined)[] = [undefined, ...(device.modes ?? [])];
    return modes.flatMap((mode) =>
      (['draw', 'event'] as const).flatMap((what) => {
        const found = seen.get(`${deviceId} ${mode?.id ?? USUAL} ${what}`);
        const isFrames = (mode ? mode.draw : device.draw)?.basis === 'frames';
        const of = what === 'draw' ? 'draw' : isFrames ? 'frame' : 'shot';
        return found ? [rowOf(deviceId, device, mode, of, found, log.gear, losses)] : [];
      }),
    );
  });
}

/**
 * The modes of a device whose draw is known more or less, for `matchModes`.
 *
 * @example knownModes(gear.get(cameraId))[0].powerW // 16.7
 */
export function knownModes(device: Device): readonly KnownMode[] {
  const told = [{ id: USUAL, draw: device.draw }, ...(device.modes ?? [])];
  return told.flatMap(({ id, draw }) => {
    const plain = draw && plainDraw(draw, id === USUAL ? device.from?.draw : undefined);
    if (!plain || plain.powerW <= 0) return [];
    return [{ modeId: id, powerW: plain.powerW, spread: plain.spread ?? DRAW_SPREAD[plain.from] }];
  });
}

interface Seen {
  readonly id: string;
  readonly body: DrawObservation | ObservationOf<'shots'>;
}
type Read = Seen & Estimated;

/** What each observation says, and how much of what was learnt is its: none where it does not count. */
function evidenceOf(read: readonly Read[], counted: readonly Read[], learnt: ReturnType<typeof combineDraws>): readonly DrawEvidence[] {
  const places = new Map(counted.map(({ id }, place) => [id, place]));
  const doubtful = new Set(learnt?.doubtful);
  return read.map(({ id, body, estimate, lacks }): DrawEvidence => {
    const place = places.get(id);
    return {
      id,
      kind: body.kind,
      at: body.at,
      estimate,
      lacks,
      share: place === undefined ? 0 : (learnt?.shares[place] ?? 0),
      doubtful: place !== undefined && doubtful.has(place),
      setAside: body.setAside === true,
    };
  });
}

function rowOf(
  deviceId: string,
  device: Device,
  mode: Mode | undefined,
  of: DrawRow['of'],
  found: readonly Seen[],
  gear: ReadonlyMap<string, Gear>,
  losses: FeedLosses,
): DrawRow {
  const draw = mode ? mode.draw : device.draw;
  const batteryOf = (batteryId: string | undefined): Battery | undefined => {
    const body = batteryId === undefined ? undefined : gear.get(batteryId);
    return body?.kind === 'battery' ? body : undefined;
  };
  const standby = of === 'draw' ? undefined : standbyOf(found, draw, batteryOf, losses);
  const read = found.map(({ id, body }): Read => ({
    id,
    body,
    ...estimateOf(body, batteryOf(body.batteryId), draw, standby ?? heldStandby(draw), losses),
  }));
  const counted = read.filter(({ estimate }) => estimate?.at === 'device');
  const learnt = combineDraws(
    counted.map(({ body, estimate }) => ({
      meanW: estimate!.meanW,
      errors: estimate!.errors,
      at: body.at,
      setAside: body.setAside === true,
    })),
  );
  const evidence = evidenceOf(read, counted, learnt);
  const peak = read.flatMap(({ body, peak: seen }) => (seen && body.setAside !== true ? [seen] : [])).sort((a, b) => b.peakW - a.peakW)[0];
  const plain = draw && plainDraw(draw, mode ? undefined : device.from?.draw);
  const value = of === 'draw' ? plain?.powerW : wakesOf(draw)?.eventJ;
  return {
    deviceId,
    modeId: mode?.id,
    device: device.name,
    mode: mode?.name ?? 'usual',
    of,
    now: plain && value !== undefined ? { value, from: plain.from, learnt: draw?.basis === 'learnt' } : undefined,
    learnt,
    standby,
    peak,
    evidence,
    use:
      learnt && !(of === 'draw' && isCounted(draw))
        ? inUse(device, mode, drawLearnt(draw, of, learnt, standby, evidence), peak)
        : undefined,
  };
}

/** Drawn by the shot or frame: a mean over some hours says nothing of another day's count. */
function isCounted(draw: Draw | undefined): boolean {
  return draw?.basis === 'shots' || draw?.basis === 'frames';
}

interface Estimated extends Pick<DrawEvidence, 'estimate' | 'lacks'> {
  /** At the device. */
  readonly peak?: DrawRow['peak'];
}

/** One observation as an estimate, or what it lacks to be one. */
function estimateOf(
  body: DrawObservation | ObservationOf<'shots'>,
  battery: Battery | undefined,
  draw: Draw | undefined,
  standby: Standby | undefined,
  losses: FeedLosses,
): Estimated {
  const loss = losses.of(body);
  if (body.kind === 'shots') {
    if (!standby) return { estimate: undefined, lacks: 'what it draws between shots; say so on the device' };
    const used = usedEnergy(body, battery);
    if (!used || used.energyWh <= 0) return { estimate: undefined, lacks: LACKS_ENERGY };
    const keeps = 1 - (body.lostShare ?? loss?.lostShare ?? 0);
    const each = perEvent(body, used, keeps, standby);
    if (each.meanJ <= 0)
      return { estimate: undefined, lacks: 'energy beyond the standby between shots: fewer minutes, or a lower standby' };
    const say = formatQuantity;
    const events = draw?.basis === 'frames' ? 'frames' : 'shots';
    return {
      estimate: {
        at: 'device',
        meanW: each.meanJ,
        sigmaW: allOf(each.errors),
        errors: each.errors,
        formula: `(${used.formula} − ${say(standby.powerW, 'W')} standby) ÷ ${body.count} ${events} = ${say(each.meanJ, 'J')}`,
      },
      lacks: undefined,
    };
  }
  const estimate = drawFrom(body, battery, loss);
  if (!estimate) return { estimate: undefined, lacks: LACKS_ENERGY };
  if (estimate.at === 'battery') {
    const lacks =
      body.rigId === undefined
        ? 'the feed it was made with: name the rig, or what was lost'
        : 'a figure of that rig’s feed, or which of its batteries it was';
    return { estimate, lacks };
  }
  const peak = body.kind === 'segment' ? peakOf(body, loss) : undefined;
  return estimate.meanW > 0
    ? { estimate, lacks: undefined, ...(peak && { peak }) }
    : { estimate: undefined, lacks: 'watts that the other devices do not explain' };
}

/** What is drawn between shots or frames, from tests at different paces. */
function standbyOf(
  found: readonly Seen[],
  draw: Draw | undefined,
  batteryOf: (id: string | undefined) => Battery | undefined,
  losses: FeedLosses,
): Standby | undefined {
  const held = heldStandby(draw);
  if (!held) return undefined;
  const tests = found.flatMap(({ body }) => {
    if (body.kind !== 'shots' || body.setAside) return [];
    const used = usedEnergy(body, batteryOf(body.batteryId));
    return used && used.energyWh > 0 ? [{ body, used, keeps: 1 - (body.lostShare ?? losses.of(body)?.lostShare ?? 0) }] : [];
  });
  return learnedStandby(tests, held);
}

/** A meter at the battery saw the peak with the way's loss and the other devices in it. */
function peakOf({ peakW, peakMs = 0, atBattery, lostShare }: ObservationOf<'segment'>, loss: FeedLoss | undefined): DrawRow['peak'] {
  if (peakW === undefined) return undefined;
  const known = atBattery ? feedLossOf(lostShare, loss) : NOTHING_LOST;
  return known && { peakW: through(peakW, known), peakMs };
}

const NOTHING_LOST: FeedLoss = { lostShare: 0, othersW: 0 };

/** What somebody measured goes before what the rig's figures say. */
function feedLossOf(lostShare: number | undefined, loss: FeedLoss | undefined): FeedLoss | undefined {
  return lostShare === undefined ? loss : { lostShare, othersW: 0 };
}

/**
 * What turns the watts of a recording into watts at its device; undefined while it is not known what lay between.
 *
 * @example atDevice({ meterAt: 'battery', lostShare: 0.09, deviceId: cameraId }, log)?.(18.4) // 16.7
 */
export function atDevice(recording: Recording, log: Pick<Log, 'gear' | 'rigs'>): ((watts: number) => number) | undefined {
  const { meterAt, deviceId, rigId, batteryId, lostShare } = recording;
  if (meterAt === 'device') return (watts) => watts;
  const loss = feedLossOf(lostShare, deviceId === undefined ? undefined : new FeedLosses(log).of({ rigId, deviceId, batteryId }));
  return loss && ((watts) => through(watts, loss));
}

/** A segment as the draw of a new mode; undefined while it is not known what lay between meter and device, or nothing was drawn. */
export function drawOfSegment(recording: Recording, { meanW, spreadW }: NamedSegment, log: Pick<Log, 'gear' | 'rigs'>): Draw | undefined {
  const powerW = atDevice(recording, log)?.(meanW);
  if (powerW === undefined || powerW <= 0) return undefined;
  const spread = Math.min(1, Math.max(LEAST_SPREAD, spreadW / meanW));
  return {
    basis: 'learnt',
    powerW: round(powerW),
    spread: round(spread),
    how: `learnt from a segment of “${recording.name}”, ${recording.at.slice(0, 10)}`.slice(0, 300),
  };
}

const LACKS_ENERGY = 'what the battery holds, or a use of its charge';

function drawLearnt(
  draw: Draw | undefined,
  of: DrawRow['of'],
  learnt: LearnedDraw,
  standby: Standby | undefined,
  evidence: readonly DrawEvidence[],
): Draw {
  const { meanW, sigmaW, dayShare } = learnt;
  if (of === 'shot' && draw?.basis === 'shots')
    return { ...draw, shotJ: round(meanW), ...(standby && { standbyW: round(standby.powerW) }) };
  if (of === 'frame' && draw?.basis === 'frames') {
    const sleepW = standby?.powerW ?? draw.sleepW;
    return { ...draw, sleepW: round(sleepW), awakeW: round(sleepW + meanW / draw.awakeS) };
  }
  const counting = evidence.filter(({ estimate, setAside }) => estimate?.at === 'device' && !setAside);
  const newest =
    counting
      .map(({ at }) => at)
      .sort()
      .at(-1)
      ?.slice(0, 10) ?? '';
  const number = counting.length === 1 ? 'one observation' : `${counting.length} observations`;
  const say = formatQuantity;
  return {
    basis: 'learnt',
    powerW: round(meanW),
    // the next day is another one
    spread: round(Math.min(1, Math.max(LEAST_SPREAD, Math.hypot(sigmaW / meanW, dayShare)))),
    how: `learnt from ${number} in the log, the newest of ${newest}: ${say(meanW, 'W')} ± ${say(2 * sigmaW, 'W')}`,
  };
}

/** Six digits are more than was measured, and few enough to read in a file. */
function round(value: number): number {
  return Number(value.toPrecision(6));
}

function inUse(device: Device, mode: Mode | undefined, draw: Draw, peak: DrawRow['peak']): Device {
  if (mode) {
    const higher = peak && peak.peakW > (mode.peakW ?? device.peakW ?? 0) ? { peakW: round(peak.peakW) } : {};
    return { ...device, modes: device.modes!.map((one) => (one.id === mode.id ? { ...one, draw, ...higher } : one)) };
  }
  const higher = peak && peak.peakW > (device.peakW ?? 0) ? { peakW: round(peak.peakW), peakMs: round(peak.peakMs) } : {};
  return { ...device, draw, ...higher, from: { ...device.from, draw: 'measured' } };
}
