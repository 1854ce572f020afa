import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { Store, provideStore } from '@ngrx/store';
import { LOW_WATER, LOW_WATER_LOG, lowWaterRecording } from '@viaggio/core/demo';
import type { Observation } from '@viaggio/core/measure';
import { NEVER, of } from 'rxjs';
import { field, pick, textOf, type } from '../../../../testing/component';
import { InPageCore } from '../../../../testing/in-page-core';
import { idOf, render, until } from '../../../../testing/sheet';
import { Api } from '../../api/api';
import type { Bodies, ChangeRequest, Kind, Saved } from '../../api/api';
import { Theme } from '../../device/theme';
import { Items } from '../../state/items.actions';
import { ItemsEffects } from '../../state/items.effects';
import { itemsReducer } from '../../state/items.reducer';
import { selectItems } from '../../state/items.selectors';
import { CoreWorkers } from '../../workers/core-workers';
import { BatteryPage } from './learnt/battery-page';
import { DrawsPage } from './learnt/draws-page';
import { HealthPage } from './learnt/health-page';
import { LogPage } from './log-page';
import { ObservationsPage } from './observations/observations-page';
import { PlansPage } from './learnt/plans-page';
import { RecordingPage } from './recordings/recording-page';
import { RecordingsApi } from '../../api/recordings-api';
import { EntryPage } from './observations/entry-page';

const { entry: RECORDING, slots: SLOTS } = lowWaterRecording();
const saved = <K extends Kind>({ id, body }: { id: string; body: Bodies[K] }): Saved<Bodies[K]> => ({ id, revision: 1, updatedAt: '', body }); // prettier-ignore
const save = (_kind: Kind, id: string, revision: number, body: Bodies[Kind]) => of({ id, revision: revision + 1, updatedAt: '', body });
const change = jest.fn<unknown, [readonly ChangeRequest[]]>(() => NEVER);

beforeEach(() => {
  change.mockClear();
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideRouter([{ path: '**', children: [] }]),
      provideStore({ items: itemsReducer }),
      provideEffects(ItemsEffects),
      { provide: CoreWorkers, useClass: InPageCore },
      { provide: Api, useValue: { list: () => NEVER, save, change } },
      { provide: Theme, useValue: { dark: () => false } },
      { provide: RecordingsApi, useValue: { slots: () => of(SLOTS) } },
    ],
  });
  TestBed.inject(Store).dispatch(
    Items.loaded({
      saved: {
        gear: LOW_WATER.gear.map(saved<'gear'>),
        rigs: LOW_WATER.rigs.map(saved<'rigs'>),
        log: LOW_WATER_LOG.map(saved<'log'>),
        recordings: [saved<'recordings'>(RECORDING)],
      },
    }),
  );
});

const items = () => TestBed.inject(Store).selectSignal(selectItems)();
const host = (fixture: ComponentFixture<unknown>) => fixture.nativeElement as HTMLElement;
async function press(fixture: ComponentFixture<unknown>, name: string, place = 0): Promise<void> {
  const named = [...host(fixture).querySelectorAll('button')].filter((button) => (button.getAttribute('aria-label') ?? button.textContent).trim().startsWith(name)); // prettier-ignore
  named[place]!.click();
  await fixture.whenStable();
}

describe('the observations', () => {
  it('are listed, the newest first, each with what it was made with, and searched', async () => {
    const fixture = await render(ObservationsPage);
    const lines = () =>
      [...host(fixture).querySelectorAll('.entries > li')].map(({ textContent }) => textContent.replace(/\s+/g, ' ').trim());
    expect(lines()).toHaveLength(LOW_WATER_LOG.length);
    expect(lines()[0]).toContain('3 h 46 min, then dead');
    expect(lines()[0]).toContain('Deck on B');
    const search = host(fixture).querySelector<HTMLInputElement>('input[type=search]')!;
    search.value = 'plovera put';
    search.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(lines()).toHaveLength(1);
    expect(lines()[0]).toContain('16.4 Wh put back');
  });

  it('say beside them what they come to, with what plans use and where that is from', async () => {
    const fixture = await render(ObservationsPage);
    await until(() => host(fixture).querySelector('.learnt li') !== null);
    await fixture.whenStable();
    const learnt = textOf(fixture, '.learnt').replace(/\s+/g, ' ');
    expect(learnt).toMatch(/Plovera R usual 4\.1 W ± 0\.3 W plans use 5\.2 W, printed/);
    expect(learnt).toMatch(/Skuadon 60 usual 16\.9 W ± 1\.1 W plans use 16\.7 W, measured/);
    // one scale: the range of the larger reaches its end
    const ranges = [...host(fixture).querySelectorAll<HTMLElement>('.learnt .range')].map(({ style }) => parseFloat(style.left) + parseFloat(style.width));
    expect(Math.max(...ranges)).toBeCloseTo(100, 6);
  }); // prettier-ignore

  it('are deleted as a step that can be taken back', async () => {
    const fixture = await render(ObservationsPage);
    await press(fixture, 'Delete');
    expect(change).toHaveBeenCalledWith([{ kind: 'log', id: LOW_WATER_LOG.at(-1)!.id, revision: 1 }], undefined);
  });
});

describe('writing down', () => {
  it('says what is missing, and sends nothing until it is whole', async () => {
    const fixture = await render(EntryPage, { kind: 'capacity' });
    host(fixture)
      .querySelector('form')!
      .dispatchEvent(new Event('submit', { cancelable: true }));
    await fixture.whenStable();
    expect(textOf(fixture, '[role=alert]')).toContain('Still needed: Battery');
    expect(change).not.toHaveBeenCalled();
    await pick(fixture, field<HTMLSelectElement>(fixture, 'Battery'), idOf('Holmvik 49', 'V4'));
    await type(fixture, 'It gave', '37,5 Wh');
    host(fixture)
      .querySelector('form')!
      .dispatchEvent(new Event('submit', { cancelable: true }));
    await fixture.whenStable();
    const [[sent]] = change.mock.calls as [[ChangeRequest[]]];
    expect(sent[0]).toMatchObject({ kind: 'log', body: { kind: 'capacity', energyWh: 37.5, batteryId: idOf('Holmvik 49', 'V4') } });
    expect((sent[0]!.body as Observation).at).toMatch(/^\d{4}-\d{2}-\d{2}$/);
  });

  it('takes the battery of a rig that has only one', async () => {
    const fixture = await render(EntryPage, { kind: 'set-run' });
    await pick(fixture, field<HTMLSelectElement>(fixture, 'Rig'), LOW_WATER.rigs[0]!.id);
    expect(field<HTMLSelectElement>(fixture, 'Battery').value).toBe(idOf('Holmvik 95', 'V1'));
  });

  it('asks of every kind what it needs, and names each of it while it is missing', async () => {
    const needs: Readonly<Record<string, readonly string[]>> = {
      'run-down': ['Device', 'Battery', 'It ran for'],
      part: ['Device', 'Battery', 'It ran for', 'It showed at first', 'It showed then', 'One step of the indicator'],
      'two-point': ['Device', 'Battery', 'It ran for', 'Volts before', 'Volts after'],
      'put-back': ['Device', 'Battery', 'It ran for', 'The charger put back'],
      segment: ['Device', 'Mean', 'Spread', 'It lasted'],
      shots: ['Device', 'Battery', 'Shots', 'It ran for', 'It showed at first'],
      'set-run': ['Rig', 'Battery', 'It ran for', 'It ended'],
      capacity: ['Battery', 'It gave'],
    };
    for (const [kind, labels] of Object.entries(needs)) {
      const fixture = await render(EntryPage, { kind });
      host(fixture)
        .querySelector('form')!
        .dispatchEvent(new Event('submit', { cancelable: true }));
      await fixture.whenStable();
      for (const label of labels) {
        expect([kind, textOf(fixture, '[role=alert]')]).toEqual([kind, expect.stringContaining(label)]);
        expect(field(fixture, label)).toBeTruthy();
      }
    }
  });

  it('puts in no loss that nobody gave: it stays unknown until it is typed', async () => {
    const fixture = await render(EntryPage, { kind: 'run-down' });
    await pick(fixture, field<HTMLSelectElement>(fixture, 'Device'), idOf('Skuadon 60'));
    await pick(fixture, field<HTMLSelectElement>(fixture, 'Battery'), idOf('Holmvik 95', 'V1'));
    await type(fixture, 'It ran for', '5h');
    await pick(fixture, field<HTMLSelectElement>(fixture, 'Fed by'), 'told');
    expect(field(fixture, 'Lost on the way').value).toBe('');
    const send = async () => {
      change.mockClear();
      host(fixture)
        .querySelector('form')!
        .dispatchEvent(new Event('submit', { cancelable: true }));
      await fixture.whenStable();
    };
    await type(fixture, 'Lost on the way', '12 %');
    await pick(fixture, field<HTMLSelectElement>(fixture, 'Fed by'), '');
    await pick(fixture, field<HTMLSelectElement>(fixture, 'Fed by'), 'told');
    expect(field(fixture, 'Lost on the way').value).toBe('');
    await send();
    const [[sent]] = change.mock.calls as [[ChangeRequest[]]];
    expect(sent[0]!.body).toEqual({
      kind: 'run-down',
      at: expect.any(String),
      deviceId: idOf('Skuadon 60'),
      batteryId: idOf('Holmvik 95', 'V1'),
      minutes: 300,
    });
  });

  it('corrects in place, as an edit that undo takes back', async () => {
    const [first] = LOW_WATER_LOG;
    const fixture = await render(EntryPage, { id: first!.id });
    await type(fixture, 'It ran for', '5h10');
    host(fixture)
      .querySelector('form')!
      .dispatchEvent(new Event('submit', { cancelable: true }));
    expect((items().log.entities[first!.id]!.body as { minutes: number }).minutes).toBe(310);
    TestBed.inject(Store).dispatch(Items.undo());
    expect((items().log.entities[first!.id]!.body as { minutes: number }).minutes).toBe(303);
  });
});

describe('the draws', () => {
  it('show learnt beside used, question what disagrees, and come into use as one edit', async () => {
    const fixture = await render(DrawsPage);
    await until(() => host(fixture).querySelectorAll('.rows > li').length === 2);
    const text = textOf(fixture);
    expect(text).toContain('plans use 16.7 W measured');
    expect(text).toMatch(/4\.\d W ± 0\.3 W 2\d % less without what is questioned 4\.\d W ± 0\.3 W/);
    expect(host(fixture).querySelectorAll('.verdict-caution')).toHaveLength(1);
    await press(fixture, 'Use it', 1);
    expect(items().gear.entities[idOf('Plovera R')]!.body).toMatchObject({ draw: { basis: 'learnt' }, from: { draw: 'measured' } });
    await until(() => textOf(fixture).includes('In use everywhere'));
  });

  it('let a person set one aside and count it again', async () => {
    const fixture = await render(DrawsPage);
    await until(() => host(fixture).querySelectorAll('.rows > li').length === 2);
    const odd = LOW_WATER_LOG.find(({ body }) => body.note === 'Was K2 full?')!;
    const aside = () => items().log.entities[odd.id]!.body.setAside;
    await press(fixture, 'Set aside: Run-down', 2);
    expect(aside()).toBe(true);
    await until(() => textOf(fixture).includes('Count it'));
    await press(fixture, 'Count: Run-down');
    expect(aside()).toBeUndefined();
    await press(fixture, 'Set aside: Meter reading', 0);
    expect(items().recordings.entities[RECORDING.id]!.body.segments[1]!.setAside).toBe(true);
  });
});

describe('the batteries', () => {
  it('are listed the worst first, and which belong together', async () => {
    const fixture = await render(HealthPage);
    await until(() => textOf(fixture).includes('Which belong together'));
    const first = host(fixture).querySelector('li')!.textContent;
    expect(first).toContain('V6: Holmvik 95');
    expect(first).toContain('retire');
    expect(textOf(fixture)).toContain('V1: Holmvik 95, V2: Holmvik 95');
  });

  it('of an empty kit say how to begin', async () => {
    TestBed.inject(Store).dispatch(Items.loaded({ saved: { gear: [], rigs: [], days: [], log: [], recordings: [] } }));
    const fixture = await render(HealthPage);
    await until(() => textOf(fixture).includes('No batteries yet'));
    expect(host(fixture).querySelector('a')!.getAttribute('href')).toBe('/kit/add');
  });

  it('have each a page, from which what it holds comes into use', async () => {
    const id = idOf('Holmvik 49', 'V4');
    const fixture = await render(BatteryPage, { id });
    await until(() => host(fixture).querySelectorAll('tbody tr').length === 3);
    await press(fixture, 'Use ');
    const body = items().gear.entities[id]!.body as { energySpread: number };
    expect(body).toMatchObject({ labelWh: 49, from: { energyWh: 'measured' } });
    expect(body.energySpread).toBeGreaterThan(0.03);
    await until(() => textOf(fixture).includes('In use everywhere'));
  });
});

describe('plan and day', () => {
  it('tells each run against its range, and what to measure next', async () => {
    const fixture = await render(PlansPage);
    await until(() => host(fixture).querySelectorAll('section').length === 3);
    expect(textOf(fixture)).toContain('4 % shorter than planned in the one run that ended dead');
    expect(textOf(fixture)).toContain('Holmvik 95, its capacity');
  });
});

describe('a recording', () => {
  it('names segments, one by one or as suggested, and gives the device a mode of its own', async () => {
    const bare = { ...RECORDING.body, segments: RECORDING.body.segments.map(({ modeId: _mode, name: _name, ...rest }) => rest) };
    TestBed.inject(Store).dispatch(Items.edit({ kind: 'recordings', id: RECORDING.id, body: bare, field: 'bare', at: 0 }));
    const fixture = await render(RecordingPage, { id: RECORDING.id });
    const segments = () => items().recordings.entities[RECORDING.id]!.body.segments;
    await press(fixture, 'Take all 2 suggestions');
    expect(segments().map(({ modeId }) => modeId)).toEqual([undefined, 'usual', undefined, 'usual']);
    const choices = [...host(fixture).querySelectorAll<HTMLSelectElement>('tbody select')];
    await pick(fixture, choices[0]!, 'other');
    expect(segments()[0]!.name).toBe('something else');
    await pick(fixture, choices[3]!, 'new');
    const name = host(fixture).querySelector<HTMLInputElement>('[aria-label="Name of the new mode"]')!;
    name.value = '4K at 50';
    await press(fixture, 'Add it');
    await until(() => change.mock.calls.length > 0); // the segments that were named are saved first
    const [[sent]] = change.mock.calls.slice(-1) as [[ChangeRequest[]]];
    expect(sent.map(({ kind }) => kind)).toEqual(['gear', 'recordings']);
    expect(sent[0]!.body).toMatchObject({ modes: [{ name: '4K at 50', draw: { basis: 'learnt' } }] });
  });

  it('is zoomed and moved within its ends, by buttons and keys', async () => {
    const fixture = await render(RecordingPage, { id: RECORDING.id });
    const shown = () => textOf(fixture, '.views [role=status]');
    expect(shown()).toBe('0:00 to 30:00');
    await press(fixture, 'Zoom in');
    expect(shown()).toBe('7:30 to 22:30');
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft' }));
    await fixture.whenStable();
    expect(shown()).toBe('3:45 to 18:45');
    for (let turn = 0; turn < 4; turn++) await press(fixture, 'Earlier');
    expect(shown()).toBe('0:00 to 15:00');
    await press(fixture, 'Show the segment from 16:00');
    expect(shown()).toBe('13:12 to 30:00');
    await press(fixture, 'Fit');
    expect(shown()).toBe('0:00 to 30:00');
  });
});

describe('the frame of the log', () => {
  it('hands out its tables', async () => {
    const saved: { name: string; text: Promise<string> }[] = [];
    let last: Blob | undefined;
    URL.createObjectURL = (blob) => ((last = blob as Blob), 'blob:x');
    URL.revokeObjectURL = () => undefined;
    jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      const blob = last!;
      saved.push({
        name: this.download,
        text: new Promise((resolve) => {
          const reader = new FileReader();
          reader.onload = () => resolve(reader.result as string);
          reader.readAsText(blob);
        }),
      });
    });
    const fixture = await render(LogPage);
    for (const what of ['Export observations', 'Export draws', 'Export segments']) await press(fixture, what);
    expect(saved.map(({ name }) => name.replace(/-\d.*/, ''))).toEqual(['viaggio-observations', 'viaggio-draws', 'viaggio-segments']);
    const [observations, draws, segments] = await Promise.all(saved.map(({ text }) => text));
    expect(observations).toContain('Swap or death on set');
    expect(draws).toContain('Plovera R,usual,W,5.2,printed');
    expect(segments!.trim().split('\r\n')).toHaveLength(1 + RECORDING.body.segments.length);
  });
});
