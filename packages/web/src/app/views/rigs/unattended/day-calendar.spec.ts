import { TestBed } from '@angular/core/testing';
import type { Unattended } from '@viaggio/core/gear';
import { Preferences } from '../../../device/preferences';
import { DayCalendar } from './day-calendar';

const DAYS = [1, 0.6, 0.08, 0].map((charge, day) => ({ day, charge, dullCharge: charge }));

async function show(said: Partial<Unattended>): Promise<HTMLElement> {
  const fixture = TestBed.createComponent(DayCalendar);
  fixture.componentRef.setInput('days', DAYS);
  fixture.componentRef.setInput('said', said);
  fixture.componentRef.setInput('reserve', 0.1);
  await fixture.whenStable();
  return fixture.nativeElement as HTMLElement;
}
const cells = (host: HTMLElement) => [...host.querySelectorAll('li:not(.blank)')];

describe('the calendar of an unattended rig', () => {
  beforeEach(() => localStorage.clear());

  it('has a box a day, filled as far as it is charged, and says where the reserve is used and where it is empty', async () => {
    const host = await show({});
    expect(cells(host).map((cell) => cell.className)).toEqual(['fine', 'fine', 'reserve', 'empty']);
    expect(cells(host)[1]!.textContent).toContain('Day 2: 60 %');
    expect(host.querySelector<HTMLElement>('.filled')!.style.height).toBe('100%');
    expect(host.querySelector('.names')).toBeNull();
  });

  it('begins under its weekday once the day it is left on is entered, the week as the person has it', async () => {
    const monday = await show({ from: '2026-01-13' }); // a Tuesday
    expect(monday.querySelectorAll('.blank')).toHaveLength(1);
    expect(cells(monday)[0]!.textContent).toContain('13');
    TestBed.inject(Preferences).set({ weekStart: 7 });
    const sunday = await show({ from: '2026-01-13' });
    expect(sunday.querySelectorAll('.blank')).toHaveLength(2);
    expect(sunday.querySelector('.names span')!.textContent).toBe('Sun');
  });
});
