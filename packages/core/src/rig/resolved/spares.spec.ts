import { build, camera, pack } from '../../../testing/rig-builder';
import type { Battery } from '../../gear/gear';
import { portsOf } from '../../gear/ports-of';
import { drawnRig } from '../drawn/drawn-rig';
import type { Part } from '../drawn/part';
import { spareTrouble } from './spares';

/** What keeps a spare from the place of a 95 Wh battery that feeds a camera. */
function trouble(over: Partial<Battery>) {
  const first = pack({ maxA: 10, cutoffV: 11 });
  const { rig, gear } = build({ pack: first, camera: camera({}, 20) }, [['pack.out', 'camera.in']]);
  const drawn = drawnRig(rig, gear);
  const part = (id: string, one: Battery): Part<Battery> => ({ id, gear: one, title: id, ...portsOf(one) });
  return spareTrouble(drawn, part('spare', pack({ maxA: 10, cutoffV: 11, ...over })), part('pack', first))?.why;
}

describe('a spare in the place of a battery', () => {
  it('of the same kind goes in', () => {
    expect(trouble({})).toBeUndefined();
    expect(trouble({ energyWh: 147 })).toBeUndefined();
  });

  it.each([
    ['broken', { away: 'broken' }, 'not-fit'],
    ['lost', { away: 'lost' }, 'not-fit'],
    ['that fell', { harmed: [{ what: 'dropped' }] }, 'not-fit'],
    ['swollen, whatever somebody says', { harmed: [{ what: 'swollen', sound: true }] }, 'not-fit'],
    ['that fell and was found sound', { harmed: [{ what: 'dropped', sound: true }] }, undefined],
    ['of unknown watt-hours', { energyWh: undefined }, 'energy-unknown'],
    ['of other cells', { chemistry: 'lifepo4' }, 'other-cells'],
    ['of more cells in series', { cellsInSeries: 5 }, 'other-cells'],
    ['that cuts off elsewhere', { cutoffV: 12 }, 'other-cutoff'],
    ['that gives less current', { maxA: 9.9 }, 'less-current'],
    ['that gives more current', { maxA: 12 }, undefined],
    ['with no such port', { outputs: [] }, 'no-port'],
  ] as const)('%s', (_what, over, expected) => {
    expect(trouble(over as Partial<Battery>)).toBe(expected);
  });
});
