import { LOW_WATER } from '../../demo/low-water';
import { LOW_WATER_DAY } from '../../demo/low-water-day';
import { DaySimulation } from '../run/simulate';
import { DAY_APPROACHES, dayApproach } from './day-approaches';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const named = (name: string) => LOW_WATER.rigs.find(({ body }) => body.name === name)!.id;

describe('a day under the approaches', () => {
  const rigIds = [named('Wheelhouse'), named('Stills')];
  const blocks = LOW_WATER_DAY.body.blocks
    .slice(0, 2)
    .map((block, index) => ({ ...block, kind: 'record' as const, rigId: rigIds[index]! }));
  const simulation = new DaySimulation({ ...LOW_WATER_DAY.body, rigIds, blocks }, gear, rigs);

  it('is fed and planned both ways, and says what is kept and what is missing', () => {
    const [one, each] = DAY_APPROACHES.map((approach) => dayApproach(approach, simulation));
    expect([one!.title, each!.title]).toEqual(['one V-mount for everything', 'each device its own battery']);
    for (const { plan, kept, toBuy } of [one!, each!]) {
      // one battery may do for two rigs that run one after the other
      expect(plan.cost.batteries).toBeGreaterThanOrEqual(1);
      expect(kept.every(({ rigId, why }) => rigIds.includes(rigId) && why !== undefined)).toBe(true);
      expect(Array.isArray(toBuy)).toBe(true);
    }
    // other batteries are carried
    expect(one!.plan.cost.massG).not.toBe(each!.plan.cost.massG);
  });
});
