import { fullVoltage } from '../cell/pack';
import type { Discharge, TimedPoint } from '../discharge/discharge';
import { batteryFigures } from '../gear/battery-figures';
import { worstVerdict } from './finding';
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

/** One stop on the energy's way from source to device: what the voltage profile draws. */
export interface Station {
  readonly kind: 'battery' | 'converter' | 'lead' | 'device';
  readonly role: Role;
  readonly gearId: string;
  readonly name: string;
  /** The whole range that leaves it, from a full battery without load to the end; for the device, what it accepts. */
  readonly highV: number | undefined;
  readonly lowV: number | undefined;
  readonly start: Level | undefined;
  readonly end: Level | undefined;
  readonly verdict: Verdict;
}

/** The way to one device: a lane of the voltage profile. */
export interface Lane {
  readonly deviceId: string;
  readonly device: string;
  readonly sourceId: string;
  readonly stations: readonly Station[];
}

/** The stations to a device in order; levels are there when the run could be computed. */
export function laneTo(tree: SourceTree, device: Part, run: Discharge | undefined, findings: readonly Finding[]): Lane {
  const way: Passage[] = [];
  for (let passage: Passage | undefined = passageTo(tree, device); passage; passage = passage.before) way.unshift(passage);
  const verdictOf = (part: Part, joint?: string): Verdict =>
    worstVerdict(
      findings
        .filter(({ gearId, jointId }) => gearId === part.id && (joint === undefined || jointId === undefined || jointId === joint))
        .map(({ verdict }) => verdict),
    );
  const both = (level: (point: TimedPoint) => Level | undefined): Pick<Station, 'start' | 'end'> => ({
    start: run?.start && level(run.start),
    end: run?.end && level(run.end),
  });
  const stations: Station[] = [sourceStation(tree, way[0]!, verdictOf(tree.source), both)];
  for (const passage of way) stations.push(...passageStations(tree, passage, run, verdictOf, both));
  const last = way.at(-1)!;
  const { input } = last.joint;
  const arriving = (point: TimedPoint): Level | undefined => {
    const at = feedPoint(point, last.joint.id);
    return at && levelOf(at.loadV ?? loadV(point, device.id) ?? at.inputV, at.currentA);
  };
  stations.push({
    kind: 'device',
    role: 'device',
    gearId: device.id,
    name: device.gear.name,
    highV: input.maxV,
    lowV: input.minV,
    verdict: verdictOf(device),
    ...both(arriving),
  });
  return { deviceId: device.id, device: device.gear.name, sourceId: tree.source.id, stations };
}

function loadV(point: TimedPoint, deviceId: string): number | undefined {
  return point.feeds.find(({ id, loadV: volts }) => volts !== undefined && id.startsWith(deviceId))?.loadV;
}

function levelOf(voltageV: number, currentA: number): Level {
  return { voltageV, currentA, powerW: voltageV * currentA };
}

type Both = (level: (point: TimedPoint) => Level | undefined) => Pick<Station, 'start' | 'end'>;

function sourceStation({ source }: SourceTree, first: Passage, verdict: Verdict, both: Both): Station {
  const base = { kind: 'battery', role: roleOf(source), gearId: source.id, name: source.gear.name, verdict } as const;
  if (!isA(source, 'battery'))
    return { ...base, highV: first.supply?.highV, lowV: first.supply?.lowV, ...both((point) => levelOf(point.packV, point.packA)) };
  const { chemistry, cellsInSeries } = source.gear;
  return {
    ...base,
    highV: fullVoltage(chemistry, cellsInSeries),
    lowV: batteryFigures(source.gear).cutoffV,
    ...both((point) => levelOf(point.packV, point.packA)),
  };
}

/** A step where a port sets its own voltage, then the lead that falls a little. */
function passageStations(
  tree: SourceTree,
  passage: Passage,
  run: Discharge | undefined,
  verdictOf: (part: Part, joint?: string) => Verdict,
  both: Both,
): Station[] {
  const { joint, supply, converter, leadOhm } = passage;
  const { from, output, cable, to } = joint;
  const stations: Station[] = [];
  const fromSource = passage.before === undefined;
  if ((converter || isA(from, 'adapter') || isA(from, 'hub')) && !(fromSource && !isA(tree.source, 'battery'))) {
    const volts = supply?.highV;
    stations.push({
      kind: 'converter',
      role: roleOf(from),
      gearId: from.id,
      name: fromSource ? output.name : from.gear.name,
      highV: volts,
      lowV: supply?.lowV,
      verdict: verdictOf(from),
      ...both((point) => {
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
    kind: 'lead',
    role: cable ? 'cable' : isA(to, 'adapter') ? 'adapter' : roleOf(from),
    gearId: cable?.id ?? (isA(to, 'adapter') ? to.id : from.id),
    name: cable ? cable.gear.name : isA(to, 'adapter') ? `lead of ${to.gear.name}` : 'contacts',
    highV: supply?.highV,
    lowV: supply === undefined ? undefined : supply.followsPack ? supply.lowV - dropV : (last?.inputV ?? supply.lowV),
    verdict: cable ? verdictOf(cable) : 'good',
    ...both((point) => {
      const at = feedPoint(point, joint.id);
      return at && levelOf(at.inputV, at.currentA);
    }),
  });
  return stations;
}
