import { battery, CONTACTS, device, IN_CAMERA, rigOf } from '../../../testing/rig-parts';
import { drawnRig } from './drawn-rig';

describe('parts of a rig', () => {
  const spare = '00000000-0000-4000-8000-000000000009';
  const titles = (tag: string | undefined, other: string | undefined) => {
    const pack = battery(CONTACTS, 2);
    const { rig, gear } = rigOf({ device: device(), battery: { ...pack, ...(tag !== undefined && { tag }) } });
    const both = new Map([...gear, [spare, { ...pack, ...(other !== undefined && { tag: other }) }] as const]);
    const batteries = [{ gearId: rig.links[0]!.from.gearId, spareIds: [spare] }];
    return [...drawnRig({ ...rig, batteries }, both).parts.values()].map(({ title }) => title);
  };

  it('that bear one name are told apart by their tags', () => {
    expect(titles('B1', 'B2')).toEqual(['Camera', 'B1: Battery', 'B2: Battery']);
    expect(titles('B1', undefined)).toEqual(['Camera', 'B1: Battery', 'Battery']);
  });

  it('keep to their name where no other bears it', () => {
    const { rig, gear } = rigOf({ ...IN_CAMERA, battery: { ...IN_CAMERA.battery, tag: 'B1' } });
    expect([...drawnRig(rig, gear).parts.values()].map(({ title }) => title)).toEqual(['Camera', 'Battery']);
  });
});
