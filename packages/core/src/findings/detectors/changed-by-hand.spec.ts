import { assess } from '../../answer/assess';
import { indicators } from '../../answer/indicators';
import { rigModel } from '../../answer/rig-model';
import { LOW_WATER } from '../../demo/low-water';
import type { Gear } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { tell } from '../../words/en/findings/tell';

const rig: Rig = LOW_WATER.rigs.find(({ body }) => body.name === 'Wheelhouse')!.body;
const adapterId = rig.links[0]!.to.gearId;
const change = { at: '2026-01-11', what: 'data contact left out', before: 'contact 3: 3.1 V', after: 'contact 3: open' };
const kit = (unseen?: object): ReadonlyMap<string, Gear> => {
  const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
  const adapter = gear.get(adapterId) as Extract<Gear, { kind: 'adapter' }>;
  return gear.set(adapterId, { ...adapter, gauge: 'true', changedByHand: [{ ...change, ...(unseen && { unseen }) }] });
};

describe('what was changed by hand', () => {
  it('is a caution wherever the part is used, with what the device can no longer see', () => {
    const found = assess(rig, kit({ charge: true, temperature: true })).findings.find(({ code }) => code === 'changed-by-hand')!;
    expect(found).toMatchObject({ verdict: 'caution', gearId: adapterId, facts: { what: change.what, unseen: ['charge', 'temperature'] } });
    expect(tell(found).sentence).toContain('what is left and its temperature');
    expect(tell(found).remedy).toContain('never charge it in the camera');
  });

  it('takes the gauge its word where what is left is not seen any more, and only there', () => {
    const gauges = (unseen?: object) =>
      indicators(rigModel(rig, kit(unseen), { tracePoints: 10 })).filter(({ part }) => part === 'Skuadon 60');
    expect(gauges({ charge: true })).toMatchObject([{ believable: 'no', why: { fact: 'changed' } }]);
    expect(gauges({ make: true })).toEqual([]);
  });

  it('is a caution of its own: a rig that was good is not good with it', () => {
    const good = LOW_WATER.rigs.find(({ body }) => body.name === 'Galley interviews')!.body;
    const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
    expect(assess(good, gear).verdict).toBe('good');
    const bankId = good.links[0]!.from.gearId;
    expect(assess(good, new Map(gear).set(bankId, { ...gear.get(bankId)!, changedByHand: [change] })).verdict).toBe('caution');
  });
});
