import { gearTitle } from '../../gear';
import type { Gear } from '../../gear';
import type { Rig } from '../../rig/drawn';
import { joinedPairs, joiningOf } from '../../rig/resolved';
import type { ResolvedRig } from '../../rig/resolved';
import type { MeterAccuracy } from '../sheet';
import { packRange, withMeter } from './expected-volts';
import { factsOfAlone, factsOfPair } from './facts';
import type { CheckStep } from './step';

const NOTHING = { cableId: undefined, loadW: undefined, maxOhm: undefined, highV: undefined } as const;

/** Each battery of a string by itself, by the one that stands for the string: one put in the wrong way round shows only here. */
export function stepsAlone(
  { strings, parts }: Pick<ResolvedRig, 'strings' | 'parts'>,
  rig: Rig,
  gear: ReadonlyMap<string, Gear>,
  meter: MeterAccuracy,
): ReadonlyMap<string, readonly CheckStep[]> {
  return new Map(
    strings.map(({ hubId, batteryIds, batteries }) => {
      const steps = batteryIds.flatMap((id, place): CheckStep[] => {
        const battery = batteries[place];
        const connector = battery?.outputs[0]?.connector;
        if (!battery || !connector) return [];
        const range = packRange(rig, id, battery);
        const shows = withMeter(range, meter);
        const step: CheckStep = {
          ...NOTHING,
          id: `open ${id} alone`,
          is: 'open',
          at: { is: 'output', from: { port: undefined, part: gearTitle(gear.get(id) ?? battery) } },
          probes: { with: 'contacts', connector },
          connector,
          ...shows,
          // the holder takes what the battery gives: what counts is that it does, and which way round
          next: { name: parts.get(hubId)?.title ?? battery.name, ...withMeter(shows, meter) },
          meter,
          after: [],
          fromId: id,
          facts: factsOfAlone(id, battery, hubId),
        };
        return [step];
      });
      const [first = ''] = batteryIds;
      return [first, steps] as const;
    }),
  );
}

/** Every two like batteries that a part joins, against each other, once each has been measured by itself. */
export function apartSteps(resolved: ResolvedRig, ways: readonly CheckStep[], meter: MeterAccuracy): readonly CheckStep[] {
  return joinedPairs(resolved).flatMap((pair): readonly CheckStep[] => {
    const joining = joiningOf(resolved, pair);
    if (!joining) return [];
    const { hub, one, other } = pair;
    const { ohm, limitA } = joining;
    const [a, b] = [one.tree.source, other.tree.source];
    const mostV = ohm * limitA;
    return [
      {
        ...NOTHING,
        id: `apart ${one.way.id} ${other.way.id}`,
        is: 'apart',
        at: { is: 'between', one: a.title, other: b.title, hub: hub.title },
        probes: { with: 'two-batteries', one: a.title, other: b.title },
        connector: one.way.output.connector,
        minV: -mostV,
        maxV: mostV,
        next: { name: hub.title, minV: undefined, maxV: undefined },
        joining: { ohm, limitA },
        meter,
        after: ways.filter(({ id }) => [one, other].some(({ way }) => id === `open ${way.id}`)).map(({ id }) => id),
        fromId: a.id,
        facts: factsOfPair(resolved.rig, one.way, other.way),
      },
    ];
  });
}
