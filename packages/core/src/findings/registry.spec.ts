import { assess } from '../answer/assess';
import { judgedRig } from '../answer/rig-model';
import { LOW_WATER } from '../demo/low-water';
import { drawnRig } from '../rig/drawn/drawn-rig';
import { WORDINGS } from '../words/en/findings/tell';
import type { FindingCode } from './facts';
import { detected, DETECTORS } from './registry';
import type { Stage } from './registry';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
/** What several judgements together say, and what the bench says, and no detector by itself. */
const OF_JUDGEMENTS: readonly FindingCode[] = ['assumption-decides', 'measured-stop', 'contacts-stop', 'groups-stop'];

describe('the registry of detectors', () => {
  it('has every code that words tell, each with whoever finds it', () => {
    const codes = new Set([...DETECTORS.flatMap((one) => one.codes), ...OF_JUDGEMENTS]);
    expect([...codes].sort()).toEqual(Object.keys(WORDINGS).sort());
  });

  it('names a subject once', () => {
    expect(new Set(DETECTORS.map(({ subject }) => subject)).size).toBe(DETECTORS.length);
  });

  it.each(LOW_WATER.rigs.map(({ body }) => [body.name, body] as const))(
    '%s: a detector finds only what it says that it may',
    (_name, rig) => {
      const { resolved, draws, runs } = judgedRig(drawnRig(rig, gear), {});
      const looked = { resolved, loads: draws?.usual, runs };
      for (const { codes, ...one } of DETECTORS) {
        const found = 'inRig' in one ? one.inRig(looked) : resolved.trees.flatMap((tree) => one.atSource(looked, tree));
        for (const { code } of found) expect([one.subject, codes.includes(code)]).toEqual([one.subject, true]);
      }
    },
  );

  it('finds before any time is looked at what the answer tells', () => {
    const stages: readonly Stage[] = ['drawn', 'matched'];
    for (const { body } of LOW_WATER.rigs) {
      const { resolved, draws, runs } = judgedRig(drawnRig(body, gear), {});
      const stops = detected(stages, { resolved, loads: draws?.usual, runs }).filter(({ verdict }) => verdict === 'stop');
      const told = assess(body, gear).findings;
      // what turns within the range of an assumption is told as that
      for (const stop of stops) expect(told.some(({ code }) => code === stop.code || code === 'assumption-decides')).toBe(true);
    }
  });
});
