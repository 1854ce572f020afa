import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { Store, provideStore } from '@ngrx/store';
import { LOW_WATER, lowWaterRecording } from '@viaggio/core/demo';
import type { MeterColumns, Recording } from '@viaggio/core/measure';
import { NEVER, of, throwError } from 'rxjs';
import { field, textOf } from '../../../../../../testing/component';
import { render, until } from '../../../../../../testing/sheet';
import { Api } from '../../../../api/api';
import type { ChangeRequest, Saved } from '../../../../api/api';
import { Items } from '../../../../state/items.actions';
import { ItemsEffects } from '../../../../state/items.effects';
import { itemsReducer } from '../../../../state/items.reducer';
import { CoreWorkers } from '../../../../workers/core-workers';
import type { ReadRecording } from '../../../../workers/read-recording';
import { RecordingsApi } from '../../../../api/recordings-api';
import { ImportRecordingPage } from './import-recording-page';

const RESULT: ReadRecording = {
  rows: 3,
  seconds: 1,
  remarks: [{ code: 'bad-row', line: 5, count: 2 }],
  segments: [{ fromS: 0, toS: 1, meanW: 8, spreadW: 0, peakW: 8, peakMs: 0 }],
  slots: new Uint8Array(8),
  isTurnedRound: false,
  beganAt: undefined,
};
/** What the worker is to do; each test says. */
let readRecording: jest.Mock<Promise<ReadRecording>, [Blob, MeterColumns, (share: number) => void]>;
const cancel = jest.fn();
const api = { keepSlots: jest.fn(), keepOriginal: jest.fn() };
const change = jest.fn<unknown, [readonly ChangeRequest[]]>(() => NEVER);
let fixture: ComponentFixture<ImportRecordingPage>;
const host = () => fixture.nativeElement as HTMLElement;

beforeEach(async () => {
  readRecording = jest.fn<Promise<ReadRecording>, Parameters<typeof readRecording>>(() => Promise.resolve(RESULT));
  for (const mock of [cancel, change]) mock.mockClear();
  api.keepSlots.mockReset().mockReturnValue(of(undefined));
  api.keepOriginal.mockReset().mockReturnValue(of(undefined));
  const core = {
    readRecording: (...args: Parameters<typeof readRecording>) => readRecording(...args),
    compress: () => Promise.resolve(new Blob(['x'])),
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore({ items: itemsReducer }),
      provideEffects(ItemsEffects),
      { provide: CoreWorkers, useValue: { core: () => core, cancel, displayAs: () => undefined } },
      { provide: Api, useValue: { list: () => NEVER, change } },
      { provide: RecordingsApi, useValue: api },
    ],
  });
  const gear = LOW_WATER.gear.map(({ id, body }) => ({ id, body, revision: 1, updatedAt: '' }));
  TestBed.inject(Store).dispatch(Items.loaded({ saved: { gear } }));
  fixture = await render(ImportRecordingPage);
});

async function choose(text: string, name = 'meter.csv'): Promise<void> {
  const file = {
    name,
    size: text.length,
    lastModified: Date.UTC(2026, 0, 7, 12),
    slice: () => ({ arrayBuffer: () => Promise.resolve(new TextEncoder().encode(text).buffer) }),
  };
  const input = host().querySelector<HTMLInputElement>('input[type=file]')!;
  Object.defineProperty(input, 'files', { value: [file], configurable: true });
  input.dispatchEvent(new Event('change'));
  await until(() => textOf(fixture).includes('kB') || host().querySelector('[role=alert]') !== null);
  await fixture.whenStable();
}
async function press(name: string): Promise<void> {
  [...host().querySelectorAll('button')].find(({ textContent }) => textContent.trim() === name)!.click();
  await fixture.whenStable();
}
const GOOD = 'time_s,power_W\n0,8\n0.5,8\n1,8\n';

describe('a meter’s file', () => {
  it('is shown as understood, read, and kept: samples, original, and only then the recording', async () => {
    await choose(GOOD);
    expect(textOf(fixture)).toContain('one every 0.5 s, 8 W on average');
    await press('Preview');
    await until(() => textOf(fixture).includes('3 rows, 1 steady segment'));
    expect(textOf(fixture)).toContain('2 times a row that could not be read, first on line 5');
    const device = field<HTMLSelectElement>(fixture, 'It shows');
    device.value = LOW_WATER.gear[1]!.id;
    device.dispatchEvent(new Event('change'));
    await press('Keep it');
    await until(() => change.mock.calls.length > 0);
    const [[sent]] = change.mock.calls as [[ChangeRequest[]]];
    expect(sent[0]).toMatchObject({ kind: 'recordings', body: { name: 'meter', at: '2026-01-07', deviceId: LOW_WATER.gear[1]!.id, meterAt: 'device', rows: 3, source: 'meter.csv' } }); // prettier-ignore
    expect(api.keepSlots).toHaveBeenCalledWith(sent[0]!.id, RESULT.slots);
    expect(api.keepOriginal.mock.invocationCallOrder[0]!).toBeLessThan(change.mock.invocationCallOrder[0]!);
  });

  it('that cannot be sent stays read, to be tried again', async () => {
    api.keepSlots.mockReturnValueOnce(throwError(() => ({ code: 'database-away', title: 'Away', detail: '', remedy: 'Wait.' })));
    await choose(GOOD);
    await press('Preview');
    await until(() => textOf(fixture).includes('3 rows, 1 steady'));
    await press('Keep it');
    await until(() => textOf(fixture).includes('Wait.'));
    expect(change).not.toHaveBeenCalled();
    await press('Keep it');
    await until(() => change.mock.calls.length > 0);
  });

  it('shows its progress, and can be cancelled: what was cancelled is not taken for what comes next', async () => {
    let finish: (result: ReadRecording) => void = () => undefined;
    readRecording.mockImplementationOnce((_file, _columns, told) => {
      told(0.42);
      return new Promise((resolve) => (finish = resolve));
    });
    await choose(GOOD);
    await press('Preview');
    expect(textOf(fixture)).toContain('Reading, 42 %');
    await press('Cancel');
    expect(cancel).toHaveBeenCalledWith('recording');
    finish(RESULT);
    await fixture.whenStable();
    expect(textOf(fixture)).not.toContain('3 rows, 1 steady');
    expect([...host().querySelectorAll('button')].some(({ textContent }) => textContent.trim() === 'Preview')).toBe(true);
  });

  it('that fails in the worker says why, and goes back to the columns', async () => {
    readRecording.mockImplementationOnce(() => Promise.reject(new Error('No row could be read')));
    await choose(GOOD);
    await press('Preview');
    await until(() => textOf(fixture).includes('No row could be read'));
    expect(textOf(fixture)).toContain('Columns apart by');
  });

  it('that is no table can still be told by hand', async () => {
    await choose('Dear diary,\ntoday nothing');
    expect(textOf(fixture, '[role=alert]')).toContain('Say below how it is to be read');
    expect([...host().querySelectorAll('button')].find(({ textContent }) => textContent.trim() === 'Preview')!.disabled).toBe(true);
  });

  it('too large to be one is refused', async () => {
    const input = host().querySelector<HTMLInputElement>('input[type=file]')!;
    Object.defineProperty(input, 'files', { value: [{ name: 'film.mov', size: 5e9 }] });
    input.dispatchEvent(new Event('change'));
    await until(() => textOf(fixture).includes('expected at most 400 MB'));
  });

  it('with the head of an earlier one is read as that was', async () => {
    const { entry } = lowWaterRecording();
    const columns: MeterColumns = { delimiter: ',', decimal: '.', headerLines: 1, timeForm: 'number', columns: [{ name: 'time_s', role: 'time', scale: 0.001 }, { name: 'power_W', role: 'power', scale: 1 }] }; // prettier-ignore
    const earlier: Saved<Recording> = { id: entry.id, revision: 1, updatedAt: '', body: { ...entry.body, columns } };
    TestBed.inject(Store).dispatch(Items.loaded({ saved: { recordings: [earlier] } }));
    await choose(GOOD);
    expect(textOf(fixture)).toContain('Its columns are those of “V1 to Wheelhouse, bench”, read as last time.');
    expect(textOf(fixture)).toContain('one every 0.0005 s');
  });

  it('asks what its first lines do not say, and goes on when it is answered', async () => {
    await choose('Date,Time,Watts\n01/02/2026,10:00:00,8\n01/02/2026,10:00:01,8\n01/02/2026,10:00:02,8\n');
    const preview = () => [...host().querySelectorAll('button')].find(({ textContent }) => textContent.trim() === 'Preview')!;
    expect(textOf(fixture)).toContain('“01/02/2026”: which comes first?');
    expect(preview().disabled).toBe(true);
    await press('The month');
    expect(preview().disabled).toBe(false);
    await press('Preview');
    await until(() => textOf(fixture).includes('3 rows, 1 steady'));
    expect(readRecording.mock.calls[0]![1]).toMatchObject({ timeForm: 'date-month' });
    await press('Keep it');
    await until(() => change.mock.calls.length > 0);
    expect((change.mock.calls as [[ChangeRequest[]]])[0][0][0]).toMatchObject({ body: { at: '2026-01-02' } });
  });

  it('of a lead the other way round is turned with one press, and says which of several columns it took', async () => {
    await choose('Zeit;Soll-Strom;Spannung;Strom\ns;A;V;A\n0;2,0;8,0;-1,0\n1;2,0;8,0;-1,0\n2;2,0;8,0;-1,0\n');
    expect(textOf(fixture)).toContain('Amps from “Strom A”; not used: “Soll-Strom A”.');
    expect(textOf(fixture)).toContain('-8 W on average');
    await press('Turn the sign');
    expect(textOf(fixture)).toContain(', 8 W on average');
    expect(textOf(fixture)).not.toContain('the other way round?');
  });

  it('of amps alone asks for the volts', async () => {
    await choose('t (s),I (A)\n0,1\n1,1\n2,1\n');
    expect(textOf(fixture)).toContain('one of amps with volts');
    const volts = field(fixture, 'Volts');
    volts.value = '7,4';
    volts.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('7.4 W on average');
  });

  it('whose clock jumps by days leaves the time between out, until a person wants it', async () => {
    const jumped: ReadRecording = { ...RESULT, remarks: [{ code: 'clock-jump', line: 9, count: 1 }] };
    readRecording.mockImplementation(() => Promise.resolve(jumped));
    await choose(GOOD);
    await press('Preview');
    await until(() => textOf(fixture).includes('the time between was left out'));
    await press('Keep it as a gap');
    await until(() => textOf(fixture).includes('kept as a gap'));
    expect(readRecording.mock.calls.map(([, columns]) => columns.jumpsKept)).toEqual([undefined, true]);
  });

  it('shows of each row what it is read as, or why not', async () => {
    await choose('time,watts\n0,8\n1,ERR\n2,OL\n3,8\n4,8\n5,8\n');
    const rows = [...host().querySelectorAll('tbody tr')].map((row) => row.querySelector('td:last-child')!.textContent.trim());
    expect(rows.slice(0, 3)).toEqual(['8 W', '“ERR” is no figure', 'no reading']);
    expect(textOf(fixture)).toContain('a row that could not be read, on line 3: “ERR” in “watts”');
  });
});
