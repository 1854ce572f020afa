import { CHEMISTRIES, cellVoltage } from '../../cell';
import { batteryFigures, connectorName } from '../../gear';
import type { Connector, Gear, Rig } from '../../gear';
import { ASSUMED, batteryState, inOwnBay, isA, resolveRig } from '../../rig';
import type { Connection, SourceTree } from '../../rig';

/** A meter's own error: so much of what it shows, and so much on top. */
export interface MeterAccuracy {
  readonly share: number;
  readonly volts: number;
  readonly ohms: number;
}
/** A hand-held meter of the usual kind, where its own sheet was not read. */
export const HANDHELD: MeterAccuracy = { share: 0.005, volts: 0.02, ohms: 0.2 };

/** What a part that is plugged in next stands; undefined where nobody entered it. */
export interface NextPart {
  readonly name: string;
  readonly minV: number | undefined;
  readonly maxV: number | undefined;
}

/** One joint to be measured before what lies behind it is connected. */
export interface CheckStep {
  readonly id: string;
  /** `lead`: unpowered, ohms; `open`: volts with nothing behind; `attached`: volts with an inline meter, the device on. */
  readonly is: 'lead' | 'open' | 'attached';
  readonly at: string;
  /** Where red and black go. */
  readonly probes: string;
  /** Undefined where a figure is missing without which nothing can be expected. */
  readonly minV: number | undefined;
  readonly maxV: number | undefined;
  /** Of each conductor by itself. */
  readonly maxOhm: number | undefined;
  readonly next: NextPart;
  /** Steps before it on the same way, nearest the source first: a stop of one closes this. */
  readonly after: readonly string[];
}

/** By how much a charge that was looked at, on four lights or a rest voltage, may be off. */
const CHARGE_OFF = 0.1;
/** USB promises its contract within so much. */
const CONTRACT_SHARE = 0.05;
/** A pair of contacts at its worst. */
const WORST_CONTACT_OHM = 0.02;

/**
 * The joints of a rig in the order in which they are measured: each way from its source outwards, a lead before there is
 * power on it, then its end with nothing behind. What to expect follows from the pack's charge, the outputs and the meter.
 * A battery in its own device's bay has no joint to put probes on but its own contacts.
 *
 * @example checkSteps(rig, gear)[1] // { is: 'open', maxOhm: undefined, … }
 */
export function checkSteps(rig: Rig, gear: ReadonlyMap<string, Gear>, meter: MeterAccuracy = HANDHELD): readonly CheckStep[] {
  const seen = new Set<string>();
  return resolveRig(rig, gear).trees.flatMap((tree) => {
    const ids = new Map<string, readonly string[]>();
    return tree.connections.flatMap((one) => {
      const before = one.before ? (ids.get(one.before.id) ?? []) : [];
      // what a second source reaches too is measured again with that: its volts are others, its lead is the same
      const steps = stepsOf(rig, tree, one, meter, before).map((step) =>
        step.is !== 'lead' && seen.has(step.id)
          ? { ...step, id: `${step.id} ${tree.source.id}`, at: `${step.at}, fed by ${tree.source.title}` }
          : step,
      );
      ids.set(one.id, [...before, ...steps.map(({ id }) => id)]);
      return steps.filter(({ id }) => !seen.has(id) && seen.add(id));
    });
  });
}

function stepsOf(rig: Rig, tree: SourceTree, one: Connection, meter: MeterAccuracy, before: readonly string[]): readonly CheckStep[] {
  const { id, from, to, input, output, cable, leadOhm } = one;
  const next: NextPart = { name: to.title, minV: input.minV, maxV: input.maxV };
  const names = from.outputs.length > 1 ? `${output.name} of ${from.title}` : from.title;
  const isAgreed = one.contract !== undefined && output.gives === 'pd';
  const range = isAgreed ? around(one.contract.voltageV, CONTRACT_SHARE) : openRange(rig, tree, one);
  const volts: CheckStep = {
    id: `volts ${id}`,
    is: isAgreed ? 'attached' : 'open',
    at: cable ? `the end of ${cable.title}, from ${names}` : inOwnBay(one) ? `the contacts of ${from.title}` : names,
    probes: isAgreed
      ? `an inline USB meter between ${cable?.title ?? names} and ${to.title}`
      : probesOn(cable ? input.connector : output.connector),
    minV: range && range.minV * (1 - meter.share) - meter.volts,
    maxV: range && range.maxV * (1 + meter.share) + meter.volts,
    maxOhm: undefined,
    next,
    after: before,
  };
  const hasLead = leadOhm > 0 && !inOwnBay(one) && (cable !== undefined || ('lead' in input && input.lead === true));
  if (!hasLead) return [volts];
  const lead: CheckStep = {
    id: `lead ${id}`,
    is: 'lead',
    at: `${cable?.title ?? `the lead of ${to.title}`}, plugged in nowhere`,
    probes: 'one contact of one end, the same contact of the other; then the other contact; then across both: nothing',
    minV: undefined,
    maxV: undefined,
    maxOhm: (leadOhm / 2 + WORST_CONTACT_OHM) * (1 + meter.share) + meter.ohms,
    next,
    after: before,
  };
  return [lead, { ...volts, after: [...before, lead.id] }];
}

interface Range {
  readonly minV: number;
  readonly maxV: number;
}

const around = (volts: number, share: number): Range => ({ minV: volts * (1 - share), maxV: volts * (1 + share) });

/** Without load: a pack by its charge, as surely as that is known; what holds its output within what such outputs hold. */
function openRange(rig: Rig, { source }: SourceTree, { supply }: Connection): Range | undefined {
  if (!supply) return undefined;
  if (!supply.followsPack) {
    const { low, high } = ASSUMED.supplyShare;
    const isHeld = supply.highV - supply.lowV < 1e-9;
    return isHeld ? { minV: supply.lowV * low, maxV: supply.highV * high } : { minV: supply.lowV, maxV: supply.highV };
  }
  const whole: Range = { minV: supply.lowV, maxV: supply.highV };
  if (!isA(source, 'battery')) return whole;
  const { startSoc, chosen } = batteryState(rig, source.id);
  const cells = batteryFigures(source.gear).cellsInSeries;
  if (!chosen.charge || cells === undefined) return whole;
  const { ocvPerCell } = CHEMISTRIES[source.gear.chemistry];
  const at = (charge: number): number => cells * cellVoltage(ocvPerCell, Math.min(1, Math.max(0, charge)));
  return { minV: at(startSoc - CHARGE_OFF), maxV: startSoc + CHARGE_OFF >= 1 ? supply.highV : at(startSoc + CHARGE_OFF) };
}

/** Which contact is plus, seen from the front of the plug. */
function probesOn(connector: Connector): string {
  const { type } = connector;
  if (type === 'barrel') {
    if (connector.polarity === 'centre-positive') return 'red inside the barrel, black on its outside';
    if (connector.polarity === 'centre-negative') return 'red on the outside of the barrel, black inside';
    return 'inside and outside of the barrel; which is plus is not entered: the sign on the meter says it';
  }
  if (type === 'bare') return 'red on the plus end, black on the other';
  return `red on plus, black on minus of the ${connectorName(connector)}, as marked`;
}
