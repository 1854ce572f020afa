import { LOW_WATER } from '../../demo/low-water';
import type { Gear } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { chance } from '../../run/random';
import { CAUSE_IDS, CAUSES } from '../../tables/faults/causes';
import type { Cause, CauseId, Symptom } from '../../tables/faults/causes';
import { chancesOf, FAULT_TEST_IDS, FAULT_TESTS } from '../../tables/faults/tests';
import type { FaultTestId } from '../../tables/faults/tests';
import { SYMPTOMS } from '../../words/en/bench/fault-words';
import { tellFault } from '../../words/en/bench/tell-fault';
import { diagnose } from './diagnose';
import type { Chances, FaultAnswer, FaultFacts } from './diagnose';
import { faultFacts } from './facts';
import { findFault } from './find-fault';
import { writeDown } from './write-down';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const RIGS = LOW_WATER.rigs.map(({ body }) => body);
const symptoms = Object.keys(SYMPTOMS) as readonly Symptom[];
const weightOf = (cause: CauseId, symptom: Symptom): number => (CAUSES[cause] as Cause).weight[symptom] ?? 0;

/** What a fault shows: drawn from a table, by a seeded chance. */
function drawn(chances: readonly number[], random: () => number): number {
  let rest = random();
  return Math.max(0, chances.findIndex((one) => (rest -= one) < 0)); // prettier-ignore
}

interface World {
  readonly tests: number;
  readonly first: CauseId | undefined;
  readonly probability: number;
  /** Sure enough to act. */
  readonly sure: boolean;
}

/** Asks until it is sure, or nothing is left, of a fault whose answers come from `chances`. */
function hunt(
  symptom: Symptom,
  cause: CauseId,
  facts: FaultFacts,
  chances: Chances,
  random: () => number,
  next?: (answers: readonly FaultAnswer[]) => FaultTestId | undefined,
): World {
  const answers: FaultAnswer[] = [];
  for (;;) {
    const { likely, is, tests } = diagnose(symptom, facts, answers);
    const test = is !== 'open' ? undefined : next ? next(answers) : tests[0]?.test;
    if (test === undefined)
      return {
        tests: answers.length,
        first: likely[0]?.cause,
        probability: likely.find((one) => one.cause === cause)?.probability ?? 0,
        sure: is === 'found',
      };
    answers.push({ test, answer: FAULT_TESTS[test].answers[drawn(chances(test, cause), random)]! });
  }
}

/** Every chance off by up to 30 %, and made whole again: what really happens is not what the tables say. */
function distorted(random: () => number): Chances {
  const rows = new Map<string, readonly number[]>();
  return (test, cause) => {
    const key = `${test} ${cause}`;
    const off = rows.get(key) ?? chancesOf(test, cause).map((one) => one * (0.7 + 0.6 * random()));
    const all = off.reduce((sum, one) => sum + one, 0);
    rows.set(key, off);
    return off.map((one) => one / all);
  };
}

/** Every cause that a rig could have, in a symptom that it shows. */
function* faults(rig: Rig): Generator<{ readonly symptom: Symptom; readonly cause: CauseId; readonly facts: FaultFacts }> {
  // a fault is not what the rig's own figures say: what speaks for another cause is left out
  const facts: FaultFacts = { ...faultFacts({ rig, gear }), times: new Map() };
  for (const cause of CAUSE_IDS)
    if (facts.possible.has(cause)) for (const symptom of symptoms) if (weightOf(cause, symptom) > 0) yield { symptom, cause, facts };
}

describe('the tables', () => {
  it('give every cause a symptom, and every chance a share: whole rows, none at nothing', () => {
    for (const cause of CAUSE_IDS) expect(symptoms.some((symptom) => weightOf(cause, symptom) > 0)).toBe(true);
    for (const test of FAULT_TEST_IDS) {
      for (const cause of CAUSE_IDS) {
        const row = chancesOf(test, cause);
        expect([test, cause, row.length]).toEqual([test, cause, FAULT_TESTS[test].answers.length]);
        expect(row.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
        expect(Math.min(...row)).toBeGreaterThan(0);
      }
    }
  });
});

describe('simulated faults of every cause in every demo rig', () => {
  const WORLDS = 1;
  const worlds = (make: (random: () => number) => Chances) => {
    let [all, first, tests, fixed] = [0, 0, 0, 0];
    const excluded: string[] = [];
    const dice = chance(16);
    const random = (): number => dice.uniform();
    for (const rig of RIGS) {
      for (const { symptom, cause, facts } of faults(rig)) {
        for (let world = 0; world < WORLDS * Math.ceil(weightOf(cause, symptom)); world++) {
          const chances = make(random);
          const asked = hunt(symptom, cause, facts, chances, random);
          const inOrder = hunt(symptom, cause, facts, chances, random, (answers) => facts.tests[answers.length]);
          all += 1;
          if (asked.first === cause) first += 1;
          if (asked.probability <= 0) excluded.push(`${rig.name} ${cause}`);
          tests += asked.tests;
          fixed += inOrder.tests;
        }
      }
    }
    return { all, share: first / all, tests: tests / all, fixed: fixed / all, excluded };
  };

  it.each([
    ['as the tables say', () => chancesOf],
    ['30 % off them', distorted],
  ] as const)('%s: the true cause is first in four of five, never excluded, with fewer tests than in a fixed order', (_how, make) => {
    const found = worlds(make);
    expect(found.all).toBeGreaterThan(1000);
    expect(found.excluded).toEqual([]);
    expect(found.share).toBeGreaterThanOrEqual(0.8);
    expect(found.tests).toBeLessThan(found.fixed);
  });
});

describe('a cause that its table does not name for a symptom', () => {
  it('is never out of the question, and what is found instead is wrong in at most 2 of 100', () => {
    const dice = chance(29);
    let [all, wrong] = [0, 0];
    for (const rig of RIGS) {
      const facts: FaultFacts = { ...faultFacts({ rig, gear }), times: new Map() };
      for (const cause of CAUSE_IDS) {
        if (!facts.possible.has(cause)) continue;
        for (const symptom of symptoms.filter((one) => weightOf(cause, one) === 0)) {
          const { first, probability, sure } = hunt(symptom, cause, facts, chancesOf, () => dice.uniform());
          expect(probability).toBeGreaterThan(0);
          all += 1;
          if (sure && first !== cause && first !== 'none-of-these') wrong += 1;
        }
      }
    }
    expect(all).toBeGreaterThan(500);
    expect(wrong / all).toBeLessThanOrEqual(0.02);
  });
});

describe('a fault of a rig', () => {
  const byName = (name: string): Rig => RIGS.find((rig) => rig.name === name)!;

  it('is told with causes that the rig can have, their parts, and a test that parts them', () => {
    for (const rig of RIGS) {
      for (const symptom of symptoms) {
        const { causes, next } = tellFault(findFault({ rig, gear, symptom, answers: [] }));
        expect(causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
        for (const { why, part } of causes) expect([why.length > 0, part === undefined || gear.has(part)]).toEqual([true, true]);
        expect(next?.answers.length ?? 2).toBeGreaterThan(1);
      }
    }
  });

  it('shows the parts from the source to the device, each as likely as the causes in it', () => {
    for (const rig of RIGS)
      for (const symptom of symptoms) {
        const { along, causes } = findFault({ rig, gear, symptom, answers: [] });
        expect(along.map(({ id }) => id).at(-1)).toBe(rig.devices[0]!.gearId);
        for (const { id, probability } of along)
          expect(probability).toBeCloseTo(
            causes.filter(({ part }) => part === id).reduce((sum, one) => sum + one.probability, 0),
            9,
          );
        expect(along.reduce((sum, { probability }) => sum + probability, 0)).toBeLessThanOrEqual(1 + 1e-9);
      }
    const wheelhouse = findFault({ rig: byName('Wheelhouse'), gear, symptom: 'flashes-and-dies', answers: [] }).along;
    expect(wheelhouse.map(({ name }) => name)).toEqual(['V1: Holmvik 95', 'Adapter M from D-tap', 'Skuadon 60']);
  });

  it('follows what is tried: a lead that changes as it is touched, and is whole with another', () => {
    const answers = [
      { test: 'when-it-comes', answer: 'when-touched' },
      { test: 'wiggle', answer: 'changes' },
    ] as const;
    const with_ = (more: readonly FaultAnswer[]) =>
      findFault({ rig: byName('Wheelhouse'), gear, symptom: 'flashes-and-dies', answers: [...answers, ...more] });
    const after = with_([]);
    expect([after.is, after.causes[0]!.cause]).toEqual(['open', 'contact-loose']);
    // what is often so is where to look first; it is found once what was seen says so by itself
    const more: FaultAnswer[] = [];
    for (let now = after; now.is === 'open' && more.length < 6; now = with_(more)) {
      const { test } = now.next!;
      const row = chancesOf(test, 'contact-loose');
      more.push({ test, answer: FAULT_TESTS[test].answers[row.indexOf(Math.max(...row))]! });
    }
    const found = tellFault(with_(more));
    expect([found.is, found.causes[0]!.cause, more.length]).toEqual(['found', 'contact-loose', 3]);
    expect(found.causes[0]!.why).toContain('For it');
  });

  it('takes what the rig knows into account, and widens by what it does not', () => {
    const rig = byName('Wheelhouse');
    const share = (facts: Rig): number =>
      findFault({ rig: facts, gear, symptom: 'stops-early', answers: [] }).causes.find(({ cause }) => cause === 'battery-cold')!
        .probability;
    expect(share({ ...rig, temperatureC: -10 })).toBeGreaterThan(2 * share({ ...rig, temperatureC: 20 }));
    expect(share({ ...rig, temperatureC: undefined })).toBeGreaterThan(share({ ...rig, temperatureC: 20 }));
  });

  it('asks for help where nothing is left to try', () => {
    const rig = byName('Wheelhouse');
    const facts = faultFacts({ rig, gear });
    const answers = facts.tests.map((test) => ({ test, answer: FAULT_TESTS[test].answers.at(-1)! }));
    const found = findFault({ rig, gear, symptom: 'no-gauge', answers });
    expect(found.next).toBeUndefined();
    expect(['help', 'found']).toContain(found.is);
  });

  it('answers that no table knows change nothing', () => {
    const rig = byName('Deck');
    const before = findFault({ rig, gear, symptom: 'no-gauge', answers: [] });
    const after = findFault({ rig, gear, symptom: 'no-gauge', answers: [{ test: 'wiggle', answer: 'perhaps' }] });
    expect(after.causes.map(({ probability }) => probability)).toEqual(before.causes.map(({ probability }) => probability));
  });
});

describe('what was found', () => {
  it('is written into the kit where it lies in a piece of gear', () => {
    const [leadId] = [...gear].find(([, { kind }]) => kind === 'cable')!;
    const [batteryId] = [...gear].find(([, { kind }]) => kind === 'battery')!;
    expect(writeDown('contact-loose', leadId, gear, '')[0]!.after).toMatchObject({ away: 'broken' });
    expect(writeDown('reversed', leadId, gear, '')[0]!.after).toMatchObject({ crossed: true });
    expect(writeDown('battery-low', batteryId, gear, '')[0]!.after).toMatchObject({ charge: 0 });
    expect(writeDown('draw-higher', batteryId, gear, '')).toEqual([]);
    expect(writeDown('contact-loose', 'gone', gear, '')).toEqual([]);
  });
});
