import { rigModel } from '../../answer';
import type { RigModel } from '../../answer';
import { batteryFigures } from '../../gear';
import type { Connector, Gear } from '../../gear';
import { cellVoltage } from '../../physics/cell';
import { batteryState, inOwnBay, isKind } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import type { Connection, SourceTree } from '../../rig/resolved';
import { ASSUMED, CHARGE_OFF, CHEMISTRIES, CONTRACT_SHARE, PLAIN_MOST_V, PLAIN_V } from '../../tables';
import { HANDHELD } from '../sheet';
import type { MeterAccuracy } from '../sheet';
import { factsOf } from './facts';

/** What a part that is plugged in next stands; undefined where nobody entered it. */
export interface NextPart {
  readonly name: string;
  readonly minV: number | undefined;
  readonly maxV: number | undefined;
}

/** An output of a part; `port` where it has several. */
export interface NamedOutput {
  readonly port: string | undefined;
  readonly part: string;
}

/** Where a step is measured. */
export type StepPlace = (
  | { readonly is: 'conductor'; readonly lead: string; readonly conductor: 'plus' | 'minus' | 'both' }
  | { readonly is: 'lead-end'; readonly lead: string; readonly from: NamedOutput }
  | { readonly is: 'contacts'; readonly of: string }
  | { readonly is: 'output'; readonly from: NamedOutput }
) & {
  readonly withLamp?: true;
  /** The source, where a second one reaches the joint too. */
  readonly fedBy?: string;
};

/** What the probes, or an inline meter, are held to. */
export type Probes =
  | { readonly with: 'meter-between'; readonly lead: string | undefined; readonly from: NamedOutput; readonly to: string }
  | {
      readonly with: 'conductor';
      readonly sign: 'plus' | 'minus';
      readonly source: Connector;
      readonly load: Connector;
      readonly to: string;
    }
  | { readonly with: 'one-end' }
  | { readonly with: 'contacts'; readonly connector: Connector };

/** One joint to be measured before what lies behind it is connected. */
export interface CheckStep {
  readonly id: string;
  /**
   * `lead`: one conductor, unpowered, ohms; `across`: both, unpowered, nothing; `open`: volts with nothing behind;
   * `loaded`: the same with a lamp on it; `attached`: volts with an inline meter, the device on.
   */
  readonly is: 'lead' | 'across' | 'open' | 'loaded' | 'attached';
  readonly at: StepPlace;
  /** Where red and black go. */
  readonly probes: Probes;
  /** What the probes stand on; undefined for an inline meter. */
  readonly connector: Connector | undefined;
  /** Undefined where a figure is missing without which nothing can be expected. */
  readonly minV: number | undefined;
  readonly maxV: number | undefined;
  /** Of one conductor by itself; across both there is more than that, or a short. */
  readonly maxOhm: number | undefined;
  /** About what hangs on it: with a dummy load or a lamp of so much; undefined where nothing does. */
  readonly loadW: number | undefined;
  readonly next: NextPart;
  /** The most that what feeds the joint may ever give: a full battery, a regulated output. */
  readonly highV: number | undefined;
  /** What the meter may be off. */
  readonly meter: MeterAccuracy;
  /** Steps before it on the same way, nearest the source first: a stop of one closes this. */
  readonly after: readonly string[];
  /** The part that feeds the joint, and the lead between: what a reading that is not as expected may correct. */
  readonly fromId: string;
  readonly cableId: string | undefined;
  /** What it rests on, shortened: another means that it is to be measured again. A charge does not count. */
  readonly facts: string;
}

/** A pair of contacts at its worst. */
const WORST_CONTACT_OHM = 0.02;
/** Ends that two probes can be held to with nothing live on them. */
const PROBED: ReadonlySet<Connector['type']> = new Set(['barrel', 'd-tap', 'xlr4', 'circular2', 'xt60', 'bare']);

/**
 * The joints of a rig in the order in which they are measured: each way from its source outwards, a lead before there is
 * power on it, then its end with nothing behind, and with a lamp on it before a device is. What to expect follows from the
 * pack's charge, the outputs and the meter. A battery in its own device's bay has no joint but its own contacts.
 *
 * @example checkSteps(rig, gear)[1] // { is: 'open', maxOhm: undefined, … }
 */
export function checkSteps(rig: Rig, gear: ReadonlyMap<string, Gear>, meter: MeterAccuracy = HANDHELD): readonly CheckStep[] {
  const model = rigModel(rig, gear, { tracePoints: 0 });
  const seen = new Set<string>();
  return model.resolved.trees.flatMap((tree) => {
    const ids = new Map<string, readonly string[]>();
    return tree.connections.flatMap((one) => {
      const before = one.before ? (ids.get(one.before.id) ?? []) : [];
      // what a second source reaches too is measured again with that: its volts are others, its lead is the same
      const again = seen.has(`open ${one.id}`) || seen.has(`attached ${one.id}`);
      const steps = stepsOf(model, tree, one, meter, before).filter(({ id }) => !again || !isUnpowered(id));
      const named = again ? steps.map((step) => ofSource(step, tree, steps)) : steps;
      for (const { id } of named) seen.add(id);
      ids.set(one.id, [...before, ...named.map(({ id }) => id)]);
      return named;
    });
  });
}

const isUnpowered = (id: string): boolean => id.startsWith('lead') || id.startsWith('across');

function ofSource(step: CheckStep, { source }: SourceTree, steps: readonly CheckStep[]): CheckStep {
  const again = (id: string): string => (steps.some((one) => one.id === id) ? `${id} ${source.id}` : id);
  return { ...step, id: again(step.id), at: { ...step.at, fedBy: source.title }, after: step.after.map(again) };
}

function stepsOf(
  model: RigModel,
  tree: SourceTree,
  one: Connection,
  meter: MeterAccuracy,
  before: readonly string[],
): readonly CheckStep[] {
  const { rig } = model.resolved;
  const { id, from, to, input, output, cable } = one;
  const named: NamedOutput = { port: from.outputs.length > 1 ? output.name : undefined, part: from.title };
  const isAgreed = one.contract !== undefined && output.gives === 'pd';
  const range = isAgreed ? around(one.contract.voltageV, CONTRACT_SHARE) : openRange(rig, tree, one);
  const common = {
    next: { name: to.title, ...acceptedBy(input, meter) },
    highV: one.supply?.highV,
    meter,
    fromId: from.id,
    cableId: cable?.id,
    facts: factsOf(one),
    connector: cable ? input.connector : output.connector,
    maxOhm: undefined,
    loadW: undefined,
  };
  const leads = cable ? leadSteps(one, meter, before, common) : [];
  const after = [...before, ...leads.map((step) => step.id)];
  const measured: CheckStep = {
    ...common,
    ...withMeter(range, meter),
    id: `${isAgreed ? 'attached' : 'open'} ${id}`,
    is: isAgreed ? 'attached' : 'open',
    at: placeOf(one, named),
    probes: isAgreed
      ? { with: 'meter-between', lead: cable?.title, from: named, to: to.title }
      : { with: 'contacts', connector: common.connector },
    ...(isAgreed && { connector: undefined }),
    after,
  };
  const loaded = !isAgreed && isKind(to, 'device') && !inOwnBay(one) ? [loadedStep(model, tree, one, measured, range, meter)] : [];
  return [...leads, measured, ...loaded];
}

/** Each conductor by itself, then both against each other, where both ends can be probed with nothing live on them. */
function leadSteps(
  { id, to, input, cable, leadOhm, output }: Connection,
  meter: MeterAccuracy,
  before: readonly string[],
  common: Pick<CheckStep, 'next' | 'highV' | 'meter' | 'fromId' | 'cableId' | 'facts' | 'connector' | 'loadW'>,
): readonly CheckStep[] {
  if (!cable || !PROBED.has(output.connector.type) || !PROBED.has(input.connector.type)) return [];
  const maxOhm = (leadOhm / 2 + WORST_CONTACT_OHM) * (1 + meter.share) + meter.ohms;
  const step = (is: 'lead' | 'across', contact: '+' | '-' | '', probes: Probes, after: readonly string[]): CheckStep => ({
    ...common,
    id: `${is}${contact} ${id}`,
    is,
    at: { is: 'conductor', lead: cable.title, conductor: contact === '' ? 'both' : contact === '+' ? 'plus' : 'minus' },
    probes,
    minV: undefined,
    maxV: undefined,
    maxOhm,
    after,
  });
  const ends = (sign: 'plus' | 'minus'): Probes => ({
    with: 'conductor',
    sign,
    source: output.connector,
    load: input.connector,
    to: to.title,
  });
  const plus = step('lead', '+', ends('plus'), before);
  const minus = step('lead', '-', ends('minus'), [...before, plus.id]);
  const across = step('across', '', { with: 'one-end' }, [...before, plus.id, minus.id]);
  return [plus, minus, across];
}

/** The last joint before a device with a lamp on it: a bad contact, a tired pack or a weak adapter sags only then. */
function loadedStep(
  { runs }: RigModel,
  tree: SourceTree,
  one: Connection,
  open: CheckStep,
  range: Range | undefined,
  meter: MeterAccuracy,
): CheckStep {
  const at = runs.get(tree)?.start;
  const point = at?.feeds.find(({ id }) => id === one.id);
  const freeV = one.supply?.startV;
  const dropV = point && freeV !== undefined ? Math.max(0, freeV - point.inputV) : undefined;
  const { low, high } = ASSUMED.packOhmShare;
  const loaded = range && dropV !== undefined ? { minV: range.minV - high * dropV, maxV: range.maxV - low * dropV } : undefined;
  return {
    ...open,
    ...withMeter(loaded, meter),
    id: `loaded ${one.id}`,
    is: 'loaded',
    at: { ...open.at, withLamp: true },
    loadW: point && point.currentA * point.inputV,
    after: [...open.after, open.id],
  };
}

/** What a part stands at its input; an input that asks for levels stands each within what the standard lets it be off. */
function acceptedBy({ takes, minV, maxV }: Connection['input'], meter: MeterAccuracy): Pick<NextPart, 'minV' | 'maxV'> {
  if (takes !== 'pd' || minV === undefined || maxV === undefined) return { minV, maxV };
  const mostV = maxV === PLAIN_V ? PLAIN_MOST_V : maxV * (1 + CONTRACT_SHARE);
  // the meter may be off by as much again
  return withMeter({ minV: minV * (1 - CONTRACT_SHARE), maxV: mostV }, meter);
}

interface Range {
  readonly minV: number;
  readonly maxV: number;
}

const around = (volts: number, share: number): Range => ({ minV: volts * (1 - share), maxV: volts * (1 + share) });

function withMeter(range: Range | undefined, meter: MeterAccuracy): Pick<CheckStep, 'minV' | 'maxV'> {
  return {
    minV: range && range.minV * (1 - meter.share) - meter.volts,
    maxV: range && range.maxV * (1 + meter.share) + meter.volts,
  };
}

/** Without load: a pack by its charge, as surely as that is known; what holds its output within what such outputs hold. */
function openRange(rig: Rig, { source }: SourceTree, { supply }: Connection): Range | undefined {
  if (!supply) return undefined;
  if (!supply.followsPack) {
    const { low, high } = ASSUMED.supplyShare;
    const isHeld = supply.highV - supply.lowV < 1e-9;
    return isHeld ? { minV: supply.lowV * low, maxV: supply.highV * high } : { minV: supply.lowV, maxV: supply.highV };
  }
  const whole: Range = { minV: supply.lowV, maxV: supply.highV };
  if (!isKind(source, 'battery')) return whole;
  const { startSoc, chosen } = batteryState(rig, source.id);
  const cells = batteryFigures(source.gear).cellsInSeries;
  // as it lies there now; else what the rig starts with
  const charge = source.gear.charge ?? (chosen.charge ? startSoc : undefined);
  if (charge === undefined || cells === undefined) return whole;
  const { ocvPerCell } = CHEMISTRIES[source.gear.chemistry];
  const at = (share: number): number => cells * cellVoltage(ocvPerCell, Math.min(1, Math.max(0, share)));
  return { minV: at(charge - CHARGE_OFF), maxV: charge + CHARGE_OFF >= 1 ? supply.highV : at(charge + CHARGE_OFF) };
}

function placeOf(one: Connection, from: NamedOutput): StepPlace {
  if (one.cable) return { is: 'lead-end', lead: one.cable.title, from };
  return inOwnBay(one) ? { is: 'contacts', of: one.from.title } : { is: 'output', from };
}
