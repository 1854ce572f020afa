import type { ComponentFixture } from '@angular/core/testing';
import { DaySimulation, planDay } from '@viaggio/core/day';
import type { Day } from '@viaggio/core/day';
import { LOW_WATER, LOW_WATER_DAY } from '@viaggio/core/demo';
import type { Gear, Rig } from '@viaggio/core/gear';
import { press, textOf } from '../../../../testing/component';
import { showDemoDay } from '../../../../testing/day';
import { render, until } from '../../../../testing/sheet';
import { ChargingView } from './charging/charging-view';
import type { DaySheet } from './sheet/day-sheet';
import { FollowedBattery } from './timeline/followed-battery';
import { GaugesView } from './charging/gauges-view';
import { Moves } from './planning/moves';
import { PlanPanel } from './planning/plan-panel';
import { WhatIfPanel } from './planning/what-if-panel';

// a plan is really looked for
jest.setTimeout(60_000);

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const rigs = new Map<string, Rig>(LOW_WATER.rigs.map(({ id, body }) => [id, body]));
const plan = planDay(new DaySimulation(LOW_WATER_DAY.body, gear, rigs));
const PLANNED: Partial<Day> = { swaps: plan.swaps, charges: plan.charges, cardChanges: plan.cardChanges };
const host = (fixture: ComponentFixture<unknown>) => fixture.nativeElement as HTMLElement;
async function shown(fixture: ComponentFixture<unknown>, text: string | RegExp): Promise<void> {
  await until(() => (typeof text === 'string' ? textOf(fixture).includes(text) : text.test(textOf(fixture))));
}
/** A change of the plan while the rig is out, and the tag of what goes in. */
const CHANGE = plan.swaps.findLast(({ batteryId }) => plan.swaps.filter((swap) => swap.batteryId === batteryId).length === 1)!;
const TAG = gear.get(CHANGE.batteryId)!.tag!;
const tagOf = (sheet: DaySheet): string[] => sheet.day()!.swaps!.map(({ batteryId }) => gear.get(batteryId)!.tag!);

describe('a plan', () => {
  it('is looked for, laid beside the day as it is, and taken in one step', async () => {
    const sheet = showDemoDay();
    const fixture = await render(PlanPanel);
    await press(fixture, 'Make it work');
    await shown(fixture, 'Found: nothing is interrupted that must not be');
    await shown(fixture, 'As it is');
    expect(textOf(fixture)).toMatch(/Changes of battery 0 \d/);
    expect(textOf(fixture)).toMatch(
      /goes into Wheelhouse, everything on one V-mount, in a pause: the one before it has to go by Tue \d\d:\d\d; \d+ min later/,
    );
    expect(sheet.day()!.swaps).toBeUndefined();
    await press(fixture, 'Take this plan');
    expect(tagOf(sheet).length).toBe(plan.swaps.length);
    expect(sheet.search()).toEqual({ is: 'idle' });
  });

  it('found before stays to be looked at, until one is taken or all are left', async () => {
    const sheet = showDemoDay();
    const fixture = await render(PlanPanel);
    sheet.earlier.set([{ plan, order: 'swaps' }]);
    sheet.search.set({ is: 'found', plan, order: 'mass', cancelled: false });
    await shown(fixture, 'Found before: fewest swaps');
    await press(fixture, 'Open');
    await shown(fixture, 'Found before: least mass');
    await press(fixture, 'Cancel');
    expect([sheet.search().is, sheet.earlier()]).toEqual(['idle', []]);
  });
});

describe('the changes of battery', () => {
  it('tell what moving one costs, and move it', async () => {
    const sheet = showDemoDay(PLANNED);
    const fixture = await render(Moves);
    const index = sheet.day()!.swaps!.findIndex(({ batteryId }) => batteryId === CHANGE.batteryId);
    await press(fixture, `Earlier or later: ${TAG}`);
    await shown(fixture, '60 min earlier');
    expect(textOf(fixture)).toMatch(/15 min earlier: .+ comes out with \d+ %/);
    expect(textOf(fixture)).toMatch(/60 min later: .+/);
    await press(fixture, '15 min earlier');
    expect(sheet.day()!.swaps![index]!.atMin).toBe(CHANGE.atMin - 15);
  });

  it('are locked, taken out and added', async () => {
    const sheet = showDemoDay(PLANNED);
    const fixture = await render(Moves);
    await press(fixture, `Lock: ${TAG}`);
    expect(sheet.day()!.swaps!.filter(({ locked }) => locked)).toHaveLength(1);
    await press(fixture, `Remove: ${TAG}`);
    expect(tagOf(sheet)).not.toContain(TAG);
    const count = sheet.day()!.swaps!.length;
    host(fixture).querySelector('form')!.dispatchEvent(new Event('submit'));
    await fixture.whenStable();
    expect(sheet.day()!.swaps).toHaveLength(count + 1);
  });
});

describe('charging', () => {
  it('says of each charge whether the plan needs it, and of top-ups whether they are worth the handling', async () => {
    const sheet = showDemoDay(PLANNED);
    const fixture = await render(ChargingView);
    await shown(fixture, 'Top-ups in the breaks');
    expect(textOf(fixture)).toContain('this plan');
    expect(textOf(fixture)).toContain('later');
    expect(textOf(fixture)).toMatch(/worth (it|the handling): \S/);
    const charges = sheet.day()!.charges!.length;
    await press(fixture, 'Add to the plan');
    expect(sheet.day()!.charges).toHaveLength(charges + 1);
  });

  it('of a day without chargers says where to name them', async () => {
    showDemoDay({ chargers: [] });
    const fixture = await render(ChargingView);
    await shown(fixture, 'Nothing is on a charger.');
  });
});

it('gauges tell what they show when, and the clock to go by', async () => {
  const sheet = showDemoDay();
  const fixture = await render(GaugesView);
  await until(() => sheet.indicators() !== undefined);
  await fixture.whenStable();
  expect(textOf(fixture)).toMatch(/Deck: \d of \d not to be believed/);
  expect(textOf(fixture)).toContain('the gauge shows full until it stops dead');
  expect(textOf(fixture)).toMatch(/Change by Tue \d\d:\d\d, when it shows \d+ %/);
});

it('a battery is followed by its tag from rig to charger and back', async () => {
  const sheet = showDemoDay(PLANNED);
  sheet.followed.set([...gear].find(([, { tag }]) => tag === 'V3')![0]);
  const fixture = await render(FollowedBattery);
  await shown(fixture, 'V3: Holmvik 147 through the day');
  expect(textOf(fixture)).toMatch(/V-mount charger, two slots, 15 % to 100 %/);
  expect(textOf(fixture)).toMatch(/Wheelhouse, everything on one V-mount, 100 % to \d+ %/);
  await press(fixture, 'Close');
  expect(sheet.followed()).toBeUndefined();
});

it('what if it is colder: what is lost is told, or that nothing is', async () => {
  const sheet = showDemoDay(PLANNED);
  const fixture = await render(WhatIfPanel);
  sheet.mishap.set({ kind: 'colder', byC: 20 });
  await until(() => sheet.triedOutlook() !== undefined);
  await fixture.whenStable();
  expect(textOf(fixture)).toMatch(/min more without power|Nothing more is lost/);
});
