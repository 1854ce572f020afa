import { rigModel } from '../../answer';
import type { RigModel } from '../../answer';
import type { Connector, Gear } from '../../gear';
import { inOwnBay, isKind } from '../../rig/drawn';
import type { Rig } from '../../rig/drawn';
import type { Connection, SourceTree } from '../../rig/resolved';
import { ASSUMED, CONTRACT_SHARE } from '../../tables';
import { HANDHELD } from '../sheet';
import type { MeterAccuracy } from '../sheet';
import { acceptedBy, around, openRange, withMeter } from './expected-volts';
import type { Range } from './expected-volts';
import { factsOf } from './facts';
import { apartSteps, stepsAlone } from './joined-steps';
import type { CheckStep, NamedOutput, Probes, StepPlace } from './step';

/** A pair of contacts at its worst. */
const WORST_CONTACT_OHM = 0.02;
/** Ends that two probes can be held to with nothing live on them. */
const PROBED: ReadonlySet<Connector['type']> = new Set(['barrel', 'd-tap', 'xlr4', 'circular2', 'xt60', 'bare']);

/**
 * The joints of a rig in the order in which they are measured: each way from its source outwards, a lead before there is
 * power on it, then its end with nothing behind, and with a lamp on it before a device is. Batteries in series are measured each by
 * itself first; two that are joined once more against each other, last of all. What to expect follows from the
 * pack's charge, the outputs and the meter. A battery in its own device's bay has no joint but its own contacts.
 *
 * @example checkSteps(rig, gear)[1] // { is: 'open', maxOhm: undefined, … }
 */
export function checkSteps(rig: Rig, gear: ReadonlyMap<string, Gear>, meter: MeterAccuracy = HANDHELD): readonly CheckStep[] {
  const model = rigModel(rig, gear, { tracePoints: 0 });
  const seen = new Set<string>();
  const alone = stepsAlone(model.resolved, rig, gear, meter);
  const ways = model.resolved.trees.flatMap((tree) => {
    const ids = new Map<string, readonly string[]>();
    return tree.connections.flatMap((one) => {
      const before = one.before ? (ids.get(one.before.id) ?? []) : (alone.get(tree.source.id) ?? []).map(({ id }) => id);
      // what a second source reaches too is measured again with that: its volts are others, its lead is the same
      const again = seen.has(`open ${one.id}`) || seen.has(`attached ${one.id}`);
      const steps = stepsOf(model, tree, one, meter, before).filter(({ id }) => !again || !isUnpowered(id));
      const named = again ? steps.map((step) => ofSource(step, tree, steps)) : steps;
      for (const { id } of named) seen.add(id);
      ids.set(one.id, [...before, ...named.map(({ id }) => id)]);
      return named;
    });
  });
  return [...[...alone.values()].flat(), ...ways, ...apartSteps(model.resolved, ways, meter)];
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

function placeOf(one: Connection, from: NamedOutput): StepPlace {
  if (one.cable) return { is: 'lead-end', lead: one.cable.title, from };
  return inOwnBay(one) ? { is: 'contacts', of: one.from.title } : { is: 'output', from };
}
