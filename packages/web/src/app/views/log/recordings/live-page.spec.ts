import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Store, provideStore } from '@ngrx/store';
import { LOW_WATER, lowWaterRecording } from '@viaggio/core/demo';
import { of, throwError } from 'rxjs';
import { field, textOf } from '../../../../../testing/component';
import { render } from '../../../../../testing/sheet';
import type { Saved } from '../../../api/api';
import { Theme } from '../../../device/theme';
import { Items } from '../../../state/items.actions';
import { itemsReducer } from '../../../state/items.reducer';
import { selectItems } from '../../../state/items.selectors';
import { LivePage } from './live-page';
import { RecordingsApi } from '../../../api/recordings-api';
import type { Live, LiveEvent, Meter } from '../../../api/recordings-api';

const RIG = LOW_WATER.rigs[0]!;
const METER: Meter = { id: 'simulated', name: 'Simulated meter on Wheelhouse', address: '127.0.0.1:5025', simulated: true };
const LIVE: Live = { id: 'l', meterId: 'simulated', about: { name: 'Try', meterAt: 'battery' }, startedAt: '2026-01-07T08:00:00Z', state: 'connecting', says: '', rows: 0, seconds: 0, lost: 0, doubts: 0 }; // prettier-ignore
const { entry } = lowWaterRecording();
const KEPT: Saved<typeof entry.body> = { ...entry, revision: 1, updatedAt: '' };

/** The browser's own, as far as the page uses it. */
class FakeEvents {
  static readonly CLOSED = 2;
  static last: FakeEvents;
  readyState = 1;
  onmessage: (event: { data: string }) => void = () => undefined;
  onerror: () => void = () => undefined;
  constructor(readonly url: string) {
    FakeEvents.last = this;
  }
  close(): void {
    this.readyState = FakeEvents.CLOSED;
  }
  send(event: Partial<LiveEvent>): void {
    this.onmessage({ data: JSON.stringify({ ...LIVE, points: [], ended: false, ...event }) });
  }
}

const api = {
  meters: jest.fn(),
  live: jest.fn(),
  play: jest.fn(),
  start: jest.fn(),
  stop: jest.fn(),
  discard: jest.fn(),
  trouble: jest.fn(),
};
let fixture: ComponentFixture<LivePage>;

beforeEach(() => {
  (globalThis as { EventSource?: unknown }).EventSource = FakeEvents;
  api.meters.mockReturnValue(of([METER]));
  api.live.mockReturnValue(of([]));
  api.play.mockReturnValue(of(METER));
  api.start.mockReturnValue(of(LIVE));
  api.stop.mockReturnValue(of(KEPT));
  api.discard.mockReturnValue(of(undefined));
  api.trouble.mockReturnValue(of(undefined));
  TestBed.configureTestingModule({
    providers: [
      provideRouter([{ path: '**', children: [] }]),
      provideStore({ items: itemsReducer }),
      { provide: Theme, useValue: { dark: () => false } },
      { provide: RecordingsApi, useValue: api },
    ],
  });
  const saved = <T>({ id, body }: { id: string; body: T }): Saved<T> => ({ id, body, revision: 1, updatedAt: '' });
  TestBed.inject(Store).dispatch(Items.loaded({ saved: { gear: LOW_WATER.gear.map(saved), rigs: LOW_WATER.rigs.map(saved) } }));
});

async function press(name: string): Promise<void> {
  [...(fixture.nativeElement as HTMLElement).querySelectorAll('button')].find(({ textContent }) => textContent.trim() === name)!.click();
  await fixture.whenStable();
}

describe('a meter live', () => {
  it('lets the simulated meter play a rig, and takes over what that is of', async () => {
    fixture = await render(LivePage);
    const play = field<HTMLSelectElement>(fixture, 'Play it');
    play.value = RIG.id;
    play.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(api.play).toHaveBeenCalledWith(RIG.id, 20);
    await press('Start');
    expect(api.start).toHaveBeenCalledWith('simulated', 200, {
      name: 'Wheelhouse, simulated',
      deviceId: RIG.body.devices[0]!.gearId,
      rigId: RIG.id,
      batteryId: RIG.body.links[0]!.from.gearId,
      meterAt: 'battery',
    });
    expect(FakeEvents.last.url).toBe('/api/live/l/events');
  });

  it('shows what comes, what is wrong with the meter, and keeps it as a step that undo takes back', async () => {
    api.live.mockReturnValue(of([LIVE]));
    fixture = await render(LivePage);
    expect(textOf(fixture)).toContain('Waiting for the first readings');
    FakeEvents.last.send({ state: 'connected', says: 'Meter 1', rows: 2, seconds: 1, points: [[0, 16, 1], [1, 16, 1.1]] }); // prettier-ignore
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('Recording');
    expect(textOf(fixture)).toContain('17.6 W 16 V × 1.1 A');
    FakeEvents.last.send({ state: 'away', says: 'it closed the connection', rows: 2, seconds: 1, lost: 1, doubts: 2 });
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('No answer it closed the connection 0:01, 2 readings, lost once, in doubt 2 times');
    await press('Pull its cable');
    expect(api.trouble).toHaveBeenCalledWith('disconnect', 4);
    await press('Stop and keep it');
    const items = TestBed.inject(Store).selectSignal(selectItems)();
    expect(items.recordings.entities[entry.id]?.body).toEqual(entry.body);
    expect(items.past.at(-1)?.title).toContain('is kept');
  });

  it('is thrown away at one press, and says when it is gone without', async () => {
    api.live.mockReturnValue(of([LIVE]));
    fixture = await render(LivePage);
    FakeEvents.last.readyState = FakeEvents.CLOSED;
    FakeEvents.last.onerror();
    await fixture.whenStable();
    expect(textOf(fixture, '[role=alert]')).toContain('The recording is not there any more');
    await press('Start');
    await press('Discard it');
    expect(api.discard).toHaveBeenCalledWith('l');
    expect(textOf(fixture)).toContain('Without a meter');
  });

  it('says why a meter cannot be recorded', async () => {
    api.start.mockReturnValue(
      throwError(() => ({ code: 'meter-busy', title: 'The meter cannot be recorded now', detail: 'Busy.', remedy: '' })),
    );
    fixture = await render(LivePage);
    await press('Start');
    expect(textOf(fixture, '[role=alert]')).toContain('Busy.');
  });
});
