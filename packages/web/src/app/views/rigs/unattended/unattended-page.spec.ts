import type { ComponentFixture } from '@angular/core/testing';
import { textOf, type } from '../../../../../testing/component';
import { render, showDemoRig, until } from '../../../../../testing/sheet';
import type { RigSheet } from '../sheet/rig-sheet';
import { UnattendedPage } from './unattended-page';
import { days, every, visitDays } from './frames-words';

beforeAll(() => {
  window.matchMedia ??= (() => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined })) as unknown as typeof matchMedia; // prettier-ignore
});

async function show(name: string): Promise<{ sheet: RigSheet; fixture: ComponentFixture<UnattendedPage> }> {
  const sheet = showDemoRig(name);
  const fixture = await render(UnattendedPage);
  await until(() => !textOf(fixture).includes('Working it out'));
  return { sheet, fixture };
}

describe('a rig left alone', () => {
  it('tells when it stops, what the sun gives, and when to come', async () => {
    const { fixture } = await show('Breakwater');
    expect(textOf(fixture)).toContain('It stops on day 11 of 14, Thu 22 Jan');
    expect(textOf(fixture)).toContain('January: 20 W × 0.54 h × 0.65 = 7 Wh a day, against 19.5 Wh used.');
    expect(textOf(fixture)).toContain('Day 9, Tue 20 Jan: bring an empty card.');
    expect(textOf(fixture)).toContain('Lead-acid needs air');
    expect(textOf(fixture)).toContain('At -6 °C. Taken as full when it is left, no charge being entered. 10 % are kept as reserve.');
  });

  it('goes on alone in summer, and says by which hours', async () => {
    const { sheet, fixture } = await show('Breakwater');
    sheet.change({ unattended: { from: '2026-06-01', days: 10, panelW: 20, latitudeDeg: 57 } }, 'summer');
    await until(() => textOf(fixture).includes('It goes on alone for 10 days'));
    expect(textOf(fixture)).toContain('The sun carries it.');
    await type(fixture, 'June', '0.2');
    expect(sheet.rig()!.unattended!.monthHours).toEqual([{ month: 6, hours: 0.2 }]);
    await until(() => textOf(fixture).includes('The sun alone does not carry it.'));
    expect(textOf(fixture)).toContain('0.2 h typed');
    await type(fixture, 'June', '');
    expect(sheet.rig()!.unattended!.monthHours).toBeUndefined();
  });

  it('says what is unknown instead of guessing it', async () => {
    const { sheet, fixture } = await show('Breakwater');
    sheet.change({ unattended: { from: '2026-01-25', days: 20, panelW: 20, monthHours: [{ month: 1, hours: 2 }] } }, 'half');
    await until(() => textOf(fixture).includes('Not entered: how much sun February has. None is counted.'));
    sheet.change({ unattended: { panelW: 20 } }, 'none');
    await until(() => textOf(fixture).includes('How much sun there is, is unknown'));
    sheet.change({ links: [] }, 'links');
    await until(() => textOf(fixture).includes('? Unknown:'));
  });
});

describe('words', () => {
  it('count days and seconds as people say them', () => {
    expect([days(7.19), days(1), days(12.9), days(0.5)]).toEqual(['7.1 days', '1 day', '12 days', '0.5 days']);
    expect([every(30), every(300), every(3600)]).toEqual(['30 s', '5 min', '1 h']);
  });

  it('name the first visits, with their dates where it is known when it is left', () => {
    const visits = [4, 8, 12, 16].map((day) => ({ day, why: 'battery' as const }));
    expect(visitDays({ from: '2026-01-12' }, visits)).toBe('day 5, Fri 16 Jan; day 9, Tue 20 Jan; day 13, Sat 24 Jan; and 1 times more');
    expect(visitDays({}, visits.slice(0, 1))).toBe('day 5');
  });
});
