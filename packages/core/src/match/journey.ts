import { fullVoltage } from '../cell/pack';
import type { Discharge, TimedPoint } from '../discharge/discharge';
import { batteryFigures } from '../gear/battery-figures';
import { worstVerdict } from './finding';
import { stoppingPeak } from './first-stop';
import type { Finding, Role, Verdict } from './finding';
import type { Passage } from './passage';
import { isA, roleOf } from './rig-graph';
import type { Part } from './rig-graph';
import { passageTo } from './rig-system';
import type { SourceTree } from './source-tree';
import { feedPoint } from './voltage-findings';

/** What flows at a station at one moment: behind it, towards the device. */
export interface Level {
  readonly voltageV: number;
  readonly currentA: number;
  readonly powerW: number;
}

/** The most that may flow at a station, and what sets it. */
export interface StationLimit {
  readonly maxA: number;
  readonly set: string;
}

/** One stop on the energy's way from source to device: what the voltage profile draws. */
export interface Station {
  /** The same for a part that several lanes share. */
  readonly key: string;
  readonly kind: 'battery' | 'converter' | 'lead' | 'device';
  readonly role: Role;
  readonly gearId: string;
  readonly name: string;
  /** The whole range that leaves it, from a full battery without load to the end; for the device, what it accepts. */
  readonly highV: number | undefined;
  readonly lowV: number | undefined;
  readonly limit: StationLimit | undefined;
  /** At the start of the run, at half the charge it uses, and at its end. */
  readonly start: Level | undefined;
  readonly middle: Level | undefined;
  readonly end: Level | undefined;
  /** At each of the lane's moments; empty when no curve was asked for. */
  readonly moments: readonly (Level | undefined)[];
  readonly verdict: Verdict;
}

/** The way to one device: a lane of the voltage profile. */
export interface Lane {
  readonly deviceId: string;
  readonly device: string;
  readonly sourceId: string;
  /** False: another source comes first, this one takes over when that is gone. */
  readonly first: boolean;
  /** From this minute on a peak can stop the run before it ends by itself. */
  readonly peak: { readonly minute: number; readonly sentence: string } | undefined;
  /** The moments of the source's run that the stations' levels are of. */
  readonly moments: readonly { readonly minute: number; readonly soc: number }[];
  readonly stations: readonly Station[];
}

/** The stations to a device in order; levels are there when the run could be computed. */
export function laneTo(tree: SourceTree, device: Part, first: boolean, run: Discharge | undefined, findings: readonly Finding[]): Lane {
  const way: Passage[] = [];
  for (let passage: Passage | undefined = passageTo(tree, device); passage; passage = passage.before) way.unshift(passage);
  const verdictOf = (part: Part, joint?: string): Verdict =>
    worstVerdict(
      findings
        .filter(({ gearId, jointId }) => gearId === part.id && (joint === undefined || jointId === undefined || jointId === joint))
        .map(({ verdict }) => verdict),
    );
  const levels: Levels = (level) => ({
    start: run?.start && level(run.start),
    middle: run?.middle && level(run.middle),
    end: run?.end && level(run.end),
    moments: run?.trace.map(level) ?? [],
  });
  const stations: Station[] = [sourceStation(tree, way[0]!, verdictOf(tree.source), levels)];
  for (const passage of way) stations.push(...passageStations(tree, passage, run, verdictOf, levels));
  const last = way.at(-1)!;
  const { input } = last.joint;
  const arriving = (point: TimedPoint): Level | undefined => {
    const at = feedPoint(point, last.joint.id);
    return at && levelOf(at.loadV ?? loadV(point, device.id) ?? at.inputV, at.currentA);
  };
  stations.push({
    key: `device ${device.id}`,
    kind: 'device',
    role: 'device',
    gearId: device.id,
    name: device.gear.name,
    highV: input.maxV,
    lowV: input.minV,
    limit: undefined,
    verdict: verdictOf(device),
    ...levels(arriving),
  });
  const moments = run?.trace.map(({ minute, soc }) => ({ minute, soc })) ?? [];
  const found = run && stoppingPeak(run);
  const peak = found && {
    minute: found.minute,
    sentence: `from here on a peak of ${found.loadId === device.id ? device.gear.name : 'another device'} can shut it off`,
  };
  return { deviceId: device.id, device: device.gear.name, sourceId: tree.source.id, first, peak, moments, stations };
}

function loadV(point: TimedPoint, deviceId: string): number | undefined {
  return point.feeds.find(({ id, loadV: volts }) => volts !== undefined && id.startsWith(deviceId))?.loadV;
}

function levelOf(voltageV: number, currentA: number): Level {
  return { voltageV, currentA, powerW: voltageV * currentA };
}

type Levels = (level: (point: TimedPoint) => Level | undefined) => Pick<Station, 'start' | 'middle' | 'end' | 'moments'>;

function sourceStation({ source }: SourceTree, first: Passage, verdict: Verdict, levels: Levels): Station {
  const maxA = isA(source, 'battery') ? batteryFigures(source.gear).maxA : undefined;
  const limit = maxA === undefined ? undefined : { maxA, set: source.gear.name };
  const key = `source ${source.id}`;
  const base = { key, kind: 'battery', role: roleOf(source), gearId: source.id, name: source.gear.name, limit, verdict } as const;
  if (!isA(source, 'battery'))
    return { ...base, highV: first.supply?.highV, lowV: first.supply?.lowV, ...levels((point) => levelOf(point.packV, point.packA)) };
  const { chemistry, cellsInSeries } = source.gear;
  return {
    ...base,
    highV: fullVoltage(chemistry, cellsInSeries),
    lowV: batteryFigures(source.gear).cutoffV,
    ...levels((point) => levelOf(point.packV, point.packA)),
  };
}

/** A step where a port sets its own voltage, then the lead that falls a little. */
function passageStations(
  tree: SourceTree,
  passage: Passage,
  run: Discharge | undefined,
  verdictOf: (part: Part, joint?: string) => Verdict,
  levels: Levels,
): Station[] {
  const { joint, supply, converter, leadOhm, limit } = passage;
  const { from, output, cable, to } = joint;
  const stations: Station[] = [];
  const fromSource = passage.before === undefined;
  if ((converter || isA(from, 'adapter') || isA(from, 'hub')) && !(fromSource && !isA(tree.source, 'battery'))) {
    const volts = supply?.highV;
    stations.push({
      key: `port ${from.id}/${joint.output.id}`,
      kind: 'converter',
      limit: isA(from, 'adapter') && !cable ? limit : undefined,
      role: roleOf(from),
      gearId: from.id,
      name: fromSource ? output.name : from.gear.name,
      highV: volts,
      lowV: supply?.lowV,
      verdict: verdictOf(from),
      ...levels((point) => {
        const at = feedPoint(point, joint.id);
        return at && levelOf(at.inputV + at.currentA * leadOhm, at.currentA);
      }),
    });
  }
  if (isA(from, 'adapter') && !cable) return stations; // an adapter's own output has no lead of its own
  // down to the cut-off, less what the lead takes at the end: the gate then shows the share it leaves in the battery
  const last = run?.end && feedPoint(run.end, joint.id);
  const dropV = last ? last.currentA * leadOhm : 0;
  stations.push({
    key: `lead ${joint.id}`,
    kind: 'lead',
    limit,
    role: cable ? 'cable' : isA(to, 'adapter') ? 'adapter' : roleOf(from),
    gearId: cable?.id ?? (isA(to, 'adapter') ? to.id : from.id),
    name: cable ? cable.gear.name : isA(to, 'adapter') ? `lead of ${to.gear.name}` : 'contacts',
    highV: supply?.highV,
    lowV: supply === undefined ? undefined : supply.followsPack ? supply.lowV - dropV : (last?.inputV ?? supply.lowV),
    verdict: cable ? verdictOf(cable) : 'good',
    ...levels((point) => {
      const at = feedPoint(point, joint.id);
      return at && levelOf(at.inputV, at.currentA);
    }),
  });
  return stations;
}
