import type { ComponentFixture } from '@angular/core/testing';
import type { Block, Day } from '@viaggio/core/day';
import { LOW_WATER_DAY } from '@viaggio/core/demo';
import { of, throwError } from 'rxjs';
import { field, fields, press, textOf, type } from '../../../../testing/component';
import { showDemoDay } from '../../../../testing/day';
import { render, until } from '../../../../testing/sheet';
import { Agenda } from './page/agenda';
import { BlockEditor } from './blocks/block-editor';
import { DayBefore } from './setup/day-before';
import type { DaySheet } from './sheet/day-sheet';
import { DaySetup } from './setup/day-setup';
import { RepeatBlocks } from './blocks/repeat-blocks';
import { WeatherSetup } from './setup/weather-setup';

const DAY = LOW_WATER_DAY.body;
const named = (name: string): Block => DAY.blocks.find((block) => block.name === name)!;
const now = (sheet: DaySheet, name: string): Block => sheet.day()!.blocks.find((block) => block.name === name)!;
const host = (fixture: ComponentFixture<unknown>) => fixture.nativeElement as HTMLElement;
async function choose(fixture: ComponentFixture<unknown>, label: string, value: string): Promise<void> {
  const select = field<HTMLSelectElement>(fixture, label);
  select.value = value;
  select.dispatchEvent(new Event('change'));
  await fixture.whenStable();
}

describe('a block', () => {
  it('says what each device does in it, and forgets what is said no more', async () => {
    const sheet = showDemoDay();
    sheet.chosen.set(new Set([named('Soup on board').id]));
    const fixture = await render(BlockEditor);
    const device = [...host(fixture).querySelectorAll('app-block-modes label')].map((label) => label.textContent.trim());
    expect(device.length).toBeGreaterThanOrEqual(4);
    await choose(fixture, device[1]!, 'usual');
    const { devices } = now(sheet, 'Soup on board');
    expect(devices).toHaveLength(1);
    expect(devices![0]).toMatchObject({ mode: 'usual' });
    expect(textOf(fixture)).toContain('Modes in it: 1 said');
    await choose(fixture, device[1]!, '');
    expect(now(sheet, 'Soup on board').devices).toBeUndefined();
  });

  it('becomes a kind of its own, which brings its mode and its hardness along', async () => {
    const sheet = showDemoDay();
    sheet.chosen.set(new Set([named('Coming alongside').id]));
    const fixture = await render(BlockEditor);
    await press(fixture, 'Keep “Coming alongside”');
    const [own] = sheet.day()!.kinds!;
    expect(own).toMatchObject({ name: 'Coming alongside', like: 'record', uninterrupted: true });
    expect(now(sheet, 'Coming alongside').ownKindId).toBe(own!.id);

    sheet.chosen.set(new Set([named('Soup on board').id]));
    await fixture.whenStable();
    await choose(fixture, 'What', `own:${own!.id}`);
    expect(now(sheet, 'Soup on board')).toMatchObject({ kind: 'record', ownKindId: own!.id, uninterrupted: true });
    await choose(fixture, 'What', 'meal');
    expect(now(sheet, 'Soup on board')).toMatchObject({ kind: 'meal' });
    expect(now(sheet, 'Soup on board').ownKindId).toBeUndefined();
  });

  it('shows the temperature that counts while none is typed', async () => {
    const sheet = showDemoDay();
    sheet.chosen.set(new Set([named('Coming alongside').id]));
    const fixture = await render(BlockEditor);
    expect(field(fixture, 'Temperature').placeholder).toBe('4');
    await type(fixture, 'Temperature', '-7');
    expect(now(sheet, 'Coming alongside').temperatureC).toBe(-7);
  });

  it('is repeated on the days after, as often as there is room', async () => {
    const sheet = showDemoDay();
    sheet.chosen.set(new Set([named('Stills, morning').id]));
    const fixture = await render(RepeatBlocks);
    await type(fixture, 'On so many days after it', '2');
    await press(fixture, 'Repeat');
    expect(textOf(fixture)).toContain('2 blocks added.');
    expect(sheet.day()!.days).toBe(4);
    await press(fixture, 'Repeat');
    expect(textOf(fixture)).toContain('0 blocks added. 2 blocks left out');
  });
});

describe('what is there', () => {
  it('asks of a panel what it needs to count: watts, peak-sun hours, hours of sun', async () => {
    const sheet = showDemoDay({}, [], { service: () => of({ state: 'off', simulated: true }) });
    const fixture = await render(DaySetup);
    const place = sheet.day()!.places!.findIndex(({ id }) => id === 'breakwater');
    const select = fields<HTMLSelectElement>(fixture, 'Power there')[place]!;
    select.value = 'solar';
    select.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(sheet.issues().map(({ path }) => path)).toEqual(
      ['outletW', 'sunHours', 'powerFrom', 'powerTo'].map((name) => `/places/3/${name}`),
    );
    await type(fixture, 'Panel, in full sun', '100 W');
    await type(fixture, 'Peak-sun hours a day', '2');
    expect(sheet.day()!.places![3]).toMatchObject({ power: 'solar', outletW: 100, sunHours: 2 });
  });

  it('lets own kinds be renamed and removed; their blocks go on like what they were like', async () => {
    const kinds: Day['kinds'] = [{ id: 'k', name: 'Rehearsal', like: 'stand-by' }];
    const blocks = DAY.blocks.map((block, index): Block => (index === 0 ? { ...block, kind: 'stand-by', ownKindId: 'k' } : block));
    const sheet = showDemoDay({ kinds, blocks }, [], { service: () => of({ state: 'off', simulated: true }) });
    const fixture = await render(DaySetup);
    const like = field<HTMLSelectElement>(fixture, 'Goes on like');
    like.value = 'off';
    like.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(sheet.day()!.blocks[0]).toMatchObject({ kind: 'off', ownKindId: 'k' });
    await press(fixture, 'Remove Rehearsal');
    expect([sheet.day()!.kinds, sheet.day()!.blocks[0]!.ownKindId, sheet.day()!.blocks[0]!.kind]).toEqual([undefined, undefined, 'off']);
  });
});

describe('the weather', () => {
  const service = () => of({ state: 'on', simulated: true });
  const at = { latitudeDeg: 57, longitudeDeg: 8 };
  const places = DAY.places!.map((place) => (place.id === 'breakwater' ? { ...place, ...at } : place));

  it('is asked for a place that says where it lies, a day around the plan, and kept with it', async () => {
    const ask = jest.fn((_asked: object) => of({ source: 'Harbour office', hours: [{ at: '2026-01-13T05:00Z', temperatureC: -8.2 }] }));
    const sheet = showDemoDay({ places }, [], { service, ask });
    const fixture = await render(WeatherSetup);
    await press(fixture, 'Ask for Breakwater');
    expect(ask).toHaveBeenCalledWith({ ...at, from: '2026-01-11', days: 5 });
    expect(sheet.day()!.places![3]!.weather).toEqual({
      source: 'Harbour office',
      date: '2026-01-12',
      hours: [{ atMin: 1740, temperatureC: -8.2 }],
    });
    expect(textOf(fixture)).toContain('Harbour office: -8 °C at Tue 05:00 is the coldest');
    sheet.change({ date: '2026-02-01' }, 'date');
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('for a plan from 2026-01-12, so it does not count');
    await press(fixture, 'Remove the weather of Breakwater');
    expect(sheet.day()!.places![3]!.weather).toBeUndefined();
  });

  it('says what went wrong, and changes nothing', async () => {
    const problem = {
      title: 'The forecast service does not answer as it should',
      detail: 'No connection.',
      remedy: 'Try again.',
      status: 502,
      code: 'forecast-away',
    };
    const sheet = showDemoDay({ places }, [], { service, ask: () => throwError(() => problem) });
    const fixture = await render(WeatherSetup);
    const before = sheet.day();
    await press(fixture, 'Ask for Breakwater');
    expect(textOf(fixture)).toContain('No connection.');
    expect(sheet.day()).toBe(before);
  });
});

describe('the day before', () => {
  it('is named, and asked whether it now leaves the batteries otherwise', async () => {
    const id = '0d0c0000-0000-4000-8000-000000004009';
    const [battery] = DAY.batteries!;
    const sheet = showDemoDay({ follows: id, batteries: [{ ...battery!, startCharge: 0.33 }] }, [{ id, body: { ...DAY, name: 'Day 1' } }]);
    const fixture = await render(DayBefore);
    await until(() => sheet.runBefore() !== undefined);
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('It begins where Day 1 ends');
    expect(textOf(fixture)).toMatch(/▲ That plan now leaves them otherwise: V2/);
    await press(fixture, 'Take over the charges');
    expect(textOf(fixture)).not.toContain('otherwise');
    expect(sheet.day()!.batteries!.find(({ gearId }) => gearId === battery!.gearId)!.startCharge).not.toBe(0.33);
  });

  it('that is gone is told', async () => {
    showDemoDay({ follows: '0d0c0000-0000-4000-8000-000000004009' });
    expect(textOf(await render(DayBefore))).toContain('The plan that it followed is gone');
  });
});

it('the hours of a rig are a list with what starts in it, and where there is no power', async () => {
  const sheet = showDemoDay();
  const fixture = await render(Agenda);
  await until(() => sheet.outlook() !== undefined);
  await choose(fixture, 'Hours of', DAY.rigIds[5]!);
  expect(textOf(fixture)).toContain('Starts with V5: Holmvik 196');
  expect(textOf(fixture)).toContain('The quay at dusk');
  expect(textOf(fixture)).toContain('No power');
  await press(fixture, 'The quay at dusk');
  expect([...sheet.chosen()]).toEqual([named('The quay at dusk').id]);
});
