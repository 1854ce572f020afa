import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import type { Draw } from '@viaggio/core/gear';
import { DrawEditor } from './draw-editor';

let fixture: ComponentFixture<DrawEditor>;
let passed: Draw[];
const element = () => fixture.nativeElement as HTMLElement;

async function choose(title: string): Promise<void> {
  const label = [...element().querySelectorAll('label.btn')].find(({ textContent }) => textContent.trim() === title) as HTMLLabelElement;
  (element().querySelector(`#${CSS.escape(label.htmlFor)}`) as HTMLInputElement).dispatchEvent(new Event('change'));
  await fixture.whenStable();
}
async function type(label: string, text: string): Promise<void> {
  const found = [...element().querySelectorAll('label')].find(({ textContent }) => textContent.trim() === label)!;
  const input = element().querySelector(`#${found.htmlFor}`) as HTMLInputElement;
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}
async function say(label: string, value: string): Promise<void> {
  const found = [...element().querySelectorAll('label')].find(({ textContent }) => textContent.trim() === label)!;
  const select = element().querySelector(`#${found.htmlFor}`) as HTMLSelectElement;
  select.value = value;
  select.dispatchEvent(new Event('change'));
  await fixture.whenStable();
}

beforeEach(async () => {
  globalThis.CSS ??= { escape: (text: string) => text } as typeof CSS;
  fixture = TestBed.createComponent(DrawEditor);
  passed = [];
  fixture.componentInstance.drawChange.subscribe((draw) => passed.push(draw));
  fixture.componentRef.setInput('draw', { basis: 'maker', powerW: 14 });
  await fixture.whenStable();
});

describe('the draw', () => {
  it('by a meter counts once volts and amps are both there', async () => {
    await choose('Meter');
    expect(element().textContent).toContain('All its figures are needed');
    await type('Meter volts', '7.9');
    expect(passed).toEqual([]);
    await type('Meter amps', '860 mA');
    expect(passed).toEqual([{ basis: 'meter', voltageV: 7.9, currentA: 0.86, at: 'device' }]);
    expect(element().textContent).toContain('That is 6.8 W.');
  });

  it('by an own test is watt-hours over hours, at the battery', async () => {
    await choose('Own test');
    await type('A pack of', '95Wh');
    await type('lasted', '5 h 10');
    expect(passed).toEqual([{ basis: 'run-down', energyWh: 95, minutes: 310 }]);
    expect(element().textContent).toContain('That is 18.4 W at the battery.');
    await say('In that test it was fed', 'lost');
    await type('Lost on the way in that test', '9 %');
    expect(passed.at(-1)).toEqual({ basis: 'run-down', energyWh: 95, minutes: 310, lostShare: 0.09 });
    expect(element().textContent).toContain('That is 16.7 W at the device, whatever feeds it.');
    await say('In that test it was fed', 'straight');
    expect(passed.at(-1)).toEqual({ basis: 'run-down', energyWh: 95, minutes: 310, lostShare: 0 });
  });

  it('of a test as it is fed here is settled once, until its figures change', async () => {
    fixture.componentRef.setInput('asHere', (draw: Draw): Draw => ({ ...draw, givenWh: 93, lostShare: 0.1 }) as Draw);
    fixture.componentRef.setInput('draw', { basis: 'run-down', energyWh: 95, minutes: 310 });
    await fixture.whenStable();
    await say('In that test it was fed', 'here');
    expect(passed.at(-1)).toEqual({ basis: 'run-down', energyWh: 95, minutes: 310, givenWh: 93, lostShare: 0.1 });
    await type('lasted', '5 h');
    expect(passed.at(-1)).toEqual({ basis: 'run-down', energyWh: 95, minutes: 300, lostShare: 0.1 });
  });

  it('by shots a charge needs the battery and the pace', async () => {
    await choose('Shots a charge');
    await type('Shots', '385');
    await type('from a battery of', '14.7');
    expect(passed).toEqual([]);
    await type('You shoot', '60');
    expect(passed).toEqual([{ basis: 'shots-a-charge', shots: 385, energyWh: 14.7, shotsPerHour: 60 }]);
    expect(element().textContent).toContain('a shot, 2.3 W at this pace.');
  });

  it('goes back to a basis whose figures were typed before, at once', async () => {
    await choose('Meter');
    await choose('Maker’s watts');
    expect(passed).toEqual([{ basis: 'maker', powerW: 14 }]);
  });
});
