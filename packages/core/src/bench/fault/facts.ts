import { assess } from '../../answer';
import type { Answer } from '../../answer';
import type { Finding, FindingCode } from '../../findings';
import { batteryFigures, gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import { isReady } from '../../gear/kit';
import { batteryState, drawnRig, isKind } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import { resolveRig } from '../../rig/resolved';
import type { Connection } from '../../rig/resolved';
import { said } from '../../said';
import { CAUSE_IDS, CAUSES, COLD_BATTERY_C, FACT_TIMES, FAULT_TEST_IDS, FINDING_SPEAKS, MEASURED_SPEAKS, STATE_SPEAKS } from '../../tables';
import type { CauseId, FaultPart, FaultTestId } from '../../tables';
import { sheetOfRig, standingOf } from '../joints';
import { measuredFindings } from '../measured';
import type { SheetEntry } from '../sheet';
import type { FaultFacts } from './diagnose';
import type { FaultSaid } from './says';

/** A reason for or against a cause that the rig itself gives. */
interface Reason {
  readonly cause: CauseId;
  readonly times: number;
  readonly why: FaultSaid;
}

/** By how much a finding of the rig speaks for a cause. */
const SPEAKS: Readonly<Partial<Record<FindingCode, readonly [CauseId, number]>>> = FINDING_SPEAKS;

/** Facts of a rig with why they speak for a cause, and which part each cause would lie in. */
export interface RigFacts extends FaultFacts {
  readonly why: ReadonlyMap<CauseId, FaultSaid>;
  readonly parts: ReadonlyMap<CauseId, string>;
  /** The parts on the way to the device, as its energy goes. */
  readonly along: readonly string[];
  /** Something of the kit that can take a part’s place. */
  readonly spares: ReadonlyMap<FaultTestId, string>;
}

export interface FactsFrom {
  readonly rig: Rig;
  readonly gear: ReadonlyMap<string, Gear>;
  /** Which device shows the fault; the first of the rig when absent. */
  readonly deviceId?: string | undefined;
  /** Its own bench sheets, if there are any, with its identifier. */
  readonly rigId?: string;
  readonly sheets?: readonly SheetEntry[];
}

/** What a rig's own figures and findings say of what may be behind a fault. Cost: one assessment. */
export function faultFacts({ rig, gear, deviceId = rig.devices[0]?.gearId, rigId, sheets = [] }: FactsFrom): RigFacts {
  const resolved = resolveRig(rig, gear);
  const way = wayTo(
    resolved.trees.flatMap(({ connections }) => connections),
    deviceId,
  );
  const measured = rigId === undefined ? [] : measuredFindings(rigId, rig, gear, sheets);
  const answer = assess(rig, gear, { tracePoints: 0, measured });
  const parts = partsOf(way, deviceId);
  const sheet = rigId === undefined ? undefined : sheetOfRig(sheets, rigId);
  const reasons = [
    ...fromFindings(answer, way, deviceId),
    ...fromBattery(rig, gear, parts),
    ...fromDraw(answer, deviceId),
    ...(sheet?.body.kind === 'joints' && standingOf(rig, gear, sheet.body).is === 'passed' ? passedSheet(sheet.body.at) : []),
  ];
  const times = new Map<CauseId, number>();
  const why = new Map<CauseId, FaultSaid>();
  for (const reason of reasons) {
    times.set(reason.cause, (times.get(reason.cause) ?? 1) * reason.times);
    if (!why.has(reason.cause)) why.set(reason.cause, reason.why);
  }
  const possible = new Set(CAUSE_IDS.filter((cause) => isPossible(cause, parts, resolved.devices.length)));
  const spares = sparesFor(rig, gear, parts);
  return {
    possible,
    times,
    why,
    parts: byCause(parts),
    along: alongOf(way, deviceId),
    spares,
    tests: FAULT_TEST_IDS.filter((test) => isPossibleTest(test, parts, spares)),
  };
}

interface Parts {
  readonly of: ReadonlyMap<FaultPart, string>;
  readonly hasBank: boolean;
  readonly hasDelivery: boolean;
  readonly hasConverter: boolean;
  readonly hasGroups: boolean;
  readonly isPlural: boolean;
  readonly hasOwnBay: boolean;
}

/** The connections on the way to a device, the outermost first. */
function wayTo(connections: readonly Connection[], deviceId: string | undefined): readonly Connection[] {
  const last = connections.find(({ to }) => to.id === deviceId);
  const way: Connection[] = [];
  for (let at = last; at; at = at.before) way.unshift(at);
  return way;
}

function alongOf(way: readonly Connection[], deviceId: string | undefined): readonly string[] {
  const ids = way.flatMap(({ from, to, cable }) => [from.id, ...(cable ? [cable.id] : []), to.id]);
  return [...new Set(way.length === 0 && deviceId !== undefined ? [deviceId] : ids)];
}

function partsOf(way: readonly Connection[], deviceId: string | undefined): Parts {
  const of = new Map<FaultPart, string>();
  const put = (part: FaultPart, id: string | undefined): void => {
    if (id !== undefined && !of.has(part)) of.set(part, id);
  };
  put('device', deviceId);
  for (const { from, to, cable } of way) {
    if (isKind(from, 'battery')) put('battery', from.id);
    put('lead', cable?.id);
    for (const part of [from, to]) {
      if (isKind(part, 'adapter')) put('adapter', part.id);
      if (isKind(part, 'hub')) put('hub', part.id);
    }
  }
  const source = way[0]?.from;
  put('port', source?.id);
  const into = way.at(-1);
  return {
    of,
    hasBank: source !== undefined && isKind(source, 'battery') && source.gear.form === 'bank',
    hasDelivery: way.some(({ output, contract }) => output.gives === 'pd' || contract !== undefined),
    hasConverter: way.some(({ converter, from }) => converter !== undefined && (isKind(from, 'adapter') || isKind(from, 'hub'))),
    hasGroups:
      source !== undefined &&
      isKind(source, 'battery') &&
      source.gear.form === 'pack' &&
      (batteryFigures(source.gear).cellsInSeries ?? 1) > 1,
    isPlural: (source?.outputs.length ?? 0) > 1,
    hasOwnBay:
      into !== undefined &&
      isKind(into.to, 'device') &&
      into.to.gear.inputs.some(({ connector }) => connector.type === 'bay' || connector.type === 'l-plate'),
  };
}

function byCause({ of }: Parts): ReadonlyMap<CauseId, string> {
  return new Map(
    CAUSE_IDS.flatMap((cause) => {
      const { part } = CAUSES[cause];
      if (cause === 'none-of-these') return [];
      // a lead that is moulded to its adapter, a converter that sits in a plate
      const id = of.get(part) ?? (part === 'lead' ? of.get('adapter') : part === 'adapter' ? of.get('hub') : undefined);
      return id === undefined ? [] : [[cause, id] as const];
    }),
  );
}

/** A cause is left out only where the rig has no such part. */
function isPossible(cause: CauseId, { of, hasBank, hasDelivery, hasConverter, isPlural }: Parts, devices: number): boolean {
  switch (cause) {
    case 'battery-low':
    case 'battery-worn':
    case 'battery-cold':
    case 'weak-group':
      return of.has('battery');
    case 'bank-asleep':
      return hasBank;
    case 'renegotiates':
      return hasDelivery && isPlural;
    case 'ports-shared':
      return devices > 1;
    case 'lead-thin':
    case 'reversed':
      return of.has('lead') || of.has('adapter');
    case 'volts-off':
      return of.has('adapter') || hasConverter;
    case 'adapter-weak':
    case 'adapter-refused':
    case 'gauge-held':
      return of.has('adapter');
    case 'fuse-blown':
      return of.has('hub') || of.has('lead');
    case 'start-threshold':
      return hasConverter || of.has('hub');
    default:
      return true;
  }
}

function isPossibleTest(test: FaultTestId, parts: Parts, spares: ReadonlyMap<FaultTestId, string>): boolean {
  const { of, hasBank, hasDelivery, hasGroups, isPlural, hasOwnBay } = parts;
  switch (test) {
    case 'other-battery':
    case 'rest-volts':
    case 'warm':
    case 'gauge-falls':
    case 'full-battery':
      return of.has('battery');
    case 'other-lead':
      return of.has('lead') && spares.has(test);
    case 'other-adapter':
      return of.has('adapter') && spares.has(test);
    case 'contacts':
    case 'gauge-own':
      return of.has('adapter');
    case 'own-battery':
      return hasOwnBay;
    case 'plug-again':
      return hasDelivery && isPlural;
    case 'contract':
      return hasDelivery;
    case 'wake-bank':
      return hasBank;
    case 'taps':
      return hasGroups;
    case 'fuse':
      return of.has('hub') || of.has('lead');
    case 'end-volts':
    case 'lamp-volts':
      return of.has('lead') || of.has('adapter') || of.has('hub');
    default:
      return true;
  }
}

function fromFindings({ findings }: Answer, way: readonly Connection[], deviceId: string | undefined): readonly Reason[] {
  const ids = new Set([deviceId, ...way.flatMap(({ id, from, to, cable }) => [id, from.id, to.id, cable?.id])]);
  return findings.flatMap((found): readonly Reason[] => {
    const speaks = speaksOf(found);
    if (!speaks || found.verdict === 'good') return [];
    if (found.gearId !== undefined && !ids.has(found.gearId) && !ids.has(found.connectionId)) return [];
    return [{ cause: speaks[0], times: speaks[1], why: said('finding', { finding: found }) }];
  });
}

/** The cause that a finding speaks for, and by how much: by its code, by what was read, by the part that is not as it was. */
function speaksOf(found: Finding): readonly [CauseId, number] | undefined {
  if (found.code === 'measured-stop') return MEASURED_SPEAKS[found.facts.wrong];
  if (found.code !== 'gear-harmed' && found.code !== 'gear-away') return SPEAKS[found.code];
  const cause = CAUSE_OF_PART[found.role];
  return cause && [cause, STATE_SPEAKS];
}

/** What is behind a fault where it is known that a part is not as it was. */
const CAUSE_OF_PART: Readonly<Partial<Record<Finding['role'], CauseId>>> = {
  battery: 'battery-worn',
  cable: 'contact-loose',
  adapter: 'adapter-weak',
  hub: 'contact-loose',
  device: 'device-faulty',
};

function fromBattery(rig: Rig, gear: ReadonlyMap<string, Gear>, { of }: Parts): readonly Reason[] {
  const id = of.get('battery');
  const battery = id === undefined ? undefined : gear.get(id);
  if (id === undefined || battery?.kind !== 'battery') return [];
  const { startSoc, temperatureC, chosen } = batteryState(rig, id);
  const title = gearTitle(battery);
  const charge = battery.charge ?? (chosen.charge ? startSoc : undefined);
  const { labelWh, energyWh, years, cycles } = battery;
  const share = labelWh !== undefined && energyWh !== undefined ? energyWh / labelWh : undefined;
  return [
    charge === undefined
      ? { cause: 'battery-low', times: FACT_TIMES.notKnown, why: said('charge-not-entered', { title }) }
      : { cause: 'battery-low', times: timesOf(FACT_TIMES.charge, charge), why: said('charge-entered', { title, charge }) },
    share !== undefined
      ? { cause: 'battery-worn', times: timesOf(FACT_TIMES.health, share), why: said('health', { title, share }) }
      : years === undefined && cycles === undefined
        ? { cause: 'battery-worn', times: FACT_TIMES.notKnown, why: said('never-tested', { title }) }
        : {
            cause: 'battery-worn',
            times: (years ?? 0) > FACT_TIMES.old.years || (cycles ?? 0) > FACT_TIMES.old.cycles ? FACT_TIMES.old.times : FACT_TIMES.young,
            why: years === undefined ? said('cycles', { title, cycles }) : said('years', { title, years }),
          },
    chosen.cold
      ? {
          cause: 'battery-cold',
          times: temperatureC <= COLD_BATTERY_C ? FACT_TIMES.cold : FACT_TIMES.warm,
          why: said('rig-temperature', { temperatureC }),
        }
      : { cause: 'battery-cold', times: 1, why: said('temperature-not-entered') },
  ];
}

function fromDraw({ figures }: Answer, deviceId: string | undefined): readonly Reason[] {
  const draw = figures.find(({ gearId, basis }) => gearId === deviceId && basis.of === 'draw');
  if (!draw) return [{ cause: 'draw-higher', times: FACT_TIMES.notKnown, why: said('draw-not-entered') }];
  return draw.from === 'measured' || draw.from === 'computed'
    ? [{ cause: 'draw-higher', times: FACT_TIMES.drawMeasured, why: said('draw-measured') }]
    : [{ cause: 'draw-higher', times: FACT_TIMES.notKnown, why: said('draw-not-measured') }];
}

function passedSheet(at: string): readonly Reason[] {
  const why = said('sheet-passed', { at });
  return (['reversed', 'volts-off', 'fuse-blown'] as const).map((cause) => ({ cause, times: FACT_TIMES.passedSheet, why }));
}

/** What of the kit may take a part's place: of the same kind and plugs, at hand, not in the rig. */
function sparesFor(rig: Rig, gear: ReadonlyMap<string, Gear>, { of }: Parts): ReadonlyMap<FaultTestId, string> {
  const used = new Set(drawnRig(rig, gear).ends.flatMap(({ from, to, cable }) => [from.id, to.id, cable?.id ?? '']));
  const found = new Map<FaultTestId, string>();
  for (const [test, part] of [
    ['other-battery', 'battery'],
    ['other-lead', 'lead'],
    ['other-adapter', 'adapter'],
  ] as const) {
    const id = of.get(part);
    const now = id === undefined ? undefined : gear.get(id);
    if (!now) continue;
    for (const [otherId, other] of gear) {
      if (used.has(otherId) || !isReady(other) || !isAlike(now, other)) continue;
      found.set(test, otherId);
      break;
    }
  }
  return found;
}

function isAlike(one: Gear, other: Gear): boolean {
  if (one.kind === 'battery' && other.kind === 'battery')
    return one.form === other.form && one.chemistry === other.chemistry && one.cellsInSeries === other.cellsInSeries;
  if (one.kind === 'cable' && other.kind === 'cable') return JSON.stringify(one.ends) === JSON.stringify(other.ends) && !other.crossed;
  if (one.kind === 'adapter' && other.kind === 'adapter')
    return (
      one.input.connector.type === other.input.connector.type &&
      JSON.stringify(one.output.connector) === JSON.stringify(other.output.connector) &&
      one.output.voltageV === other.output.voltageV
    );
  return false;
}

/** The first step of a table that a share lies below. */
function timesOf(steps: readonly (readonly [below: number, times: number])[], share: number): number {
  return steps.find(([below]) => share < below)?.[1] ?? 1;
}
