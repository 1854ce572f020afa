import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import type { Draw } from '@viaggio/core';
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
    expect(element().textContent).toContain('Both figures are needed');
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
    await type('Lost on the way in that test', '9 %');
    expect(passed.at(-1)).toEqual({ basis: 'run-down', energyWh: 95, minutes: 310, lostShare: 0.09 });
  });

  it('goes back to a basis whose figures were typed before, at once', async () => {
    await choose('Meter');
    await choose('Maker’s watts');
    expect(passed).toEqual([{ basis: 'maker', powerW: 14 }]);
  });
});
