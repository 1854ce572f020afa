import { TestBed } from '@angular/core/testing';
import { displayAs, USUAL_DISPLAY } from '@viaggio/core/units';
import { Preferences } from '../device/preferences';
import { DateField } from './date-field';

beforeEach(() => localStorage.clear());
afterEach(() => displayAs(USUAL_DISPLAY));

async function show(value: string | undefined, optional = false) {
  const fixture = TestBed.createComponent(DateField);
  fixture.componentRef.setInput('label', 'When');
  fixture.componentRef.setInput('value', value);
  fixture.componentRef.setInput('optional', optional);
  const told: (string | undefined)[] = [];
  fixture.componentInstance.valueChange.subscribe((date) => {
    told.push(date);
    fixture.componentRef.setInput('value', date);
  });
  await fixture.whenStable();
  const box = (fixture.nativeElement as HTMLElement).querySelector('input')!;
  const type = async (text: string): Promise<void> => {
    box.value = text;
    box.dispatchEvent(new Event('input'));
    box.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  return { box, type, told, host: fixture.nativeElement as HTMLElement };
}

describe('a date', () => {
  it('is shown and read as the person writes dates', async () => {
    TestBed.inject(Preferences).set({ date: 'month first' });
    const { box, type, told } = await show('2026-01-13');
    expect(box.value).toBe('Jan 13, 2026');
    await type('1/14/2026');
    expect(told).toEqual(['2026-01-14']);
    expect(box.value).toBe('Jan 14, 2026');
  });

  it('that is none stays, says what is expected, and is not passed on', async () => {
    const { box, type, told, host } = await show('2026-01-13');
    await type('31 Feb 2026');
    expect(told).toEqual([]);
    expect(box.value).toBe('31 Feb 2026');
    expect(host.textContent).toContain('Expected a date such as 13 Jan 2026');
  });

  it('left empty is none where it may be, and a fault where it may not', async () => {
    const open = await show('2026-01-13', true);
    await open.type('');
    expect(open.told).toEqual([undefined]);
    const needed = await show('2026-01-13');
    await needed.type('');
    expect(needed.told).toEqual([]);
    expect(needed.host.textContent).toContain('Expected a date');
  });
});
