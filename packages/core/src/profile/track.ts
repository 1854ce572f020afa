import { deviceVolts, feedPoint, worstVerdict } from '../findings';
import type { Finding, Verdict } from '../findings';
import { fullVoltage } from '../physics/cell';
import { isKind, roleOf } from '../rig/drawn';
import type { Part, Role } from '../rig/drawn';
import { connectionTo } from '../rig/resolved';
import type { Connection, CurrentLimit, SourceTree } from '../rig/resolved';
import { stoppingPeak } from '../run';
import type { Discharge, TimedPoint } from '../run';

/** What flows at a station at one moment: behind it, towards the device. */
export interface Level {
  readonly voltageV: number;
  readonly currentA: number;
  readonly powerW: number;
}

/** One stop on the energy's path from source to device: what the voltage profile draws. */
export interface Station {
  /** The same for a part that several tracks share. */
  readonly key: string;
  readonly kind: 'battery' | 'converter' | 'lead' | 'device';
  readonly role: Role;
  readonly gearId: string;
  readonly name: string;
  /** The whole range that leaves it, from a full battery without load to the end; for the device, what it accepts. */
  readonly highV: number | undefined;
  readonly lowV: number | undefined;
  readonly limit: CurrentLimit | undefined;
  /** At the start of the run, at half the charge it uses, and at its end. */
  readonly start: Level | undefined;
  readonly middle: Level | undefined;
  readonly end: Level | undefined;
  /** At each of the track's moments; empty when no curve was asked for. */
  readonly moments: readonly (Level | undefined)[];
  readonly verdict: Verdict;
}

/** The path to one device: a track of the voltage profile. */
export interface Track {
  readonly deviceId: string;
  readonly device: string;
  readonly sourceId: string;
  /** False: another source comes first, this one takes over when that is gone. */
  readonly first: boolean;
  /** From this minute on a peak can stop the run before it ends by itself. */
  readonly peak: { readonly minute: number; readonly device: string | undefined } | undefined;
  /** The moments of the source's run that the stations' levels are of. */
  readonly moments: readonly { readonly minute: number; readonly soc: number }[];
  readonly stations: readonly Station[];
}

/** The stations to a device in order; levels are there when the run could be computed. */
export function trackTo(tree: SourceTree, device: Part, first: boolean, run: Discharge | undefined, findings: readonly Finding[]): Track {
  const path: Connection[] = [];
  for (let at: Connection | undefined = connectionTo(tree, device); at; at = at.before) path.unshift(at);
  const verdictOf = (part: Part): Verdict =>
    worstVerdict(findings.filter(({ gearId }) => gearId === part.id).map(({ verdict }) => verdict));
  const levels: Levels = (level) => ({
    start: run?.start && level(run.start),
    middle: run?.middle && level(run.middle),
    end: run?.end && level(run.end),
    moments: run?.trace.map(level) ?? [],
  });
  const stations: Station[] = [sourceStation(tree, path[0]!, verdictOf(tree.source), levels)];
  for (const connection of path) stations.push(...connectionStations(tree, connection, run, verdictOf, levels));
  const last = path.at(-1)!;
  const { input } = last;
  const arriving = (point: TimedPoint): Level | undefined => {
    const at = feedPoint(point, last.id);
    return at && levelOf(at.loadV ?? deviceVolts(point, device.id) ?? at.inputV, at.currentA);
  };
  stations.push({
    key: `device ${device.id}`,
    kind: 'device',
    role: 'device',
    gearId: device.id,
    name: device.title,
    highV: input.maxV,
    lowV: input.minV,
    limit: undefined,
    verdict: verdictOf(device),
    ...levels(arriving),
  });
  const moments = run?.trace.map(({ minute, soc }) => ({ minute, soc })) ?? [];
  const found = run && stoppingPeak(run);
  const peak = found && { minute: found.minute, device: found.loadId === device.id ? device.title : undefined };
  return { deviceId: device.id, device: device.title, sourceId: tree.source.id, first, peak, moments, stations };
}

function levelOf(voltageV: number, currentA: number): Level {
  return { voltageV, currentA, powerW: voltageV * currentA };
}

type Levels = (level: (point: TimedPoint) => Level | undefined) => Pick<Station, 'start' | 'middle' | 'end' | 'moments'>;

function sourceStation({ source, figures }: SourceTree, first: Connection, verdict: Verdict, levels: Levels): Station {
  const maxA = figures?.maxA;
  const limit = maxA === undefined ? undefined : ({ maxA, by: 'battery', past: 'trips', part: source.title, port: undefined } as const);
  const key = `source ${source.id}`;
  const base = { key, kind: 'battery', role: roleOf(source), gearId: source.id, name: source.title, limit, verdict } as const;
  if (!isKind(source, 'battery') || !figures)
    return { ...base, highV: first.supply?.highV, lowV: first.supply?.lowV, ...levels((point) => levelOf(point.packV, point.packA)) };
  const { cellsInSeries: cells, cutoffV } = figures;
  return {
    ...base,
    highV: cells === undefined ? undefined : fullVoltage(source.gear.chemistry, cells),
    lowV: cutoffV,
    ...levels((point) => levelOf(point.packV, point.packA)),
  };
}

/** A step where a port sets its own voltage, then the lead that falls a little. */
function connectionStations(
  tree: SourceTree,
  connection: Connection,
  run: Discharge | undefined,
  verdictOf: (part: Part) => Verdict,
  levels: Levels,
): Station[] {
  const { id, from, output, cable, to, supply, converter, leadOhm } = connection;
  const [limit] = connection.limits;
  const stations: Station[] = [];
  const fromSource = connection.before === undefined;
  if ((converter || isKind(from, 'adapter') || isKind(from, 'hub')) && !(fromSource && !isKind(tree.source, 'battery'))) {
    const volts = supply?.highV;
    stations.push({
      key: `port ${from.id}/${output.id}`,
      kind: 'converter',
      limit: isKind(from, 'adapter') && !cable ? limit : undefined,
      role: roleOf(from),
      gearId: from.id,
      name: fromSource ? output.name : from.title,
      highV: volts,
      lowV: supply?.lowV,
      verdict: verdictOf(from),
      ...levels((point) => {
        const at = feedPoint(point, id);
        return at && levelOf(at.inputV + at.currentA * leadOhm, at.currentA);
      }),
    });
  }
  if (isKind(from, 'adapter') && !cable) return stations; // an adapter's own output has no lead of its own
  // down to the cut-off, less what the lead takes at the end: the gate then shows the share it leaves in the battery
  const last = run?.end && feedPoint(run.end, id);
  const dropV = last ? last.currentA * leadOhm : 0;
  stations.push({
    key: `lead ${id}`,
    kind: 'lead',
    limit,
    role: cable ? 'cable' : isKind(to, 'adapter') ? 'adapter' : roleOf(from),
    gearId: cable?.id ?? (isKind(to, 'adapter') ? to.id : from.id),
    name: cable ? cable.title : isKind(to, 'adapter') ? `lead of ${to.title}` : 'contacts',
    highV: supply?.highV,
    lowV: supply === undefined ? undefined : supply.followsPack ? supply.lowV - dropV : (last?.inputV ?? supply.lowV),
    verdict: cable ? verdictOf(cable) : 'good',
    ...levels((point) => {
      const at = feedPoint(point, id);
      return at && levelOf(at.inputV, at.currentA);
    }),
  });
  return stations;
}
