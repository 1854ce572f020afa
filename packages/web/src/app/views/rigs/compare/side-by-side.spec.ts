import { LOW_WATER } from '@viaggio/core/demo';
import { rigColumns } from './side-by-side';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));

describe('rigs side by side', () => {
  it('are columns in the order chosen, with verdict and feeds, at most six', () => {
    const [first, second] = rigColumns(LOW_WATER.rigs.slice(0, 2), gear);
    expect([first!.title, second!.title]).toEqual(LOW_WATER.rigs.slice(0, 2).map(({ body }) => body.name));
    expect(first!.feeds.length).toBe(LOW_WATER.rigs[0]!.body.devices.length);
    for (const feed of first!.feeds) expect(feed).toMatch(/: .+/);
    expect(rigColumns(LOW_WATER.rigs, gear)).toHaveLength(6);
  });
});
