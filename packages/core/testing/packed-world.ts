import { LOW_WATER } from '../src/demo/low-water';
import { LOW_WATER_DAY } from '../src/demo/low-water-day';
import { LOW_WATER_RULES, LOW_WATER_TRIPS } from '../src/demo/low-water-trip';
import type { Gear } from '../src/gear/gear';
import type { PackingWorld } from '../src/travel/bags/packed-trip';
import type { PackThing } from '../src/travel/list/packing-list';
import type { Trip } from '../src/travel/trip/trip-shape';

const bodies = <B>(items: readonly { readonly id: string; readonly body: B }[]): ReadonlyMap<string, B> =>
  new Map(items.map(({ id, body }) => [id, body]));

/** The demo crew on its way out. */
export const lowWaterTrip = (changes: Partial<Trip> = {}, gear: readonly (readonly [string, Gear])[] = []): PackingWorld => ({
  trip: { ...LOW_WATER_TRIPS[0]!.body, ...changes },
  gear: new Map([...bodies(LOW_WATER.gear), ...gear]),
  rigs: bodies(LOW_WATER.rigs),
  days: bodies([LOW_WATER_DAY]),
  rules: bodies(LOW_WATER_RULES),
  today: '2026-01-11',
});

/** A thing of a list, by its tag or its title. */
export const thingIn = (things: readonly PackThing[], name: string): PackThing => {
  const found = things.find(({ tag, title }) => tag === name || title === name);
  if (!found) throw new Error(`${name} is not on the list: ${things.map(({ tag, title }) => tag ?? title).join(', ')}`);
  return found;
};
