import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { LOW_WATER } from '@viaggio/core/demo';
import type { Gear } from '@viaggio/core/gear';
import { textOf } from '../../../../testing/component';
import { HarmList } from './harm-list';

const battery = LOW_WATER.gear.find(({ body }) => body.kind === 'battery')!.body;
const lead = LOW_WATER.gear.find(({ body }) => body.kind === 'cable')!.body;

async function shown(gear: Gear): Promise<{ fixture: ComponentFixture<HarmList>; edits: Gear[] }> {
  const fixture = TestBed.createComponent(HarmList);
  const edits: Gear[] = [];
  fixture.componentRef.setInput('gear', gear);
  fixture.componentInstance.edit.subscribe(({ body }) => {
    edits.push(body);
    fixture.componentRef.setInput('gear', body);
  });
  await fixture.whenStable();
  return { fixture, edits };
}

const host = ({ nativeElement }: ComponentFixture<unknown>) => nativeElement as HTMLElement;

describe('what has happened to a thing', () => {
  it('is written down, found sound, and taken back', async () => {
    const { fixture, edits } = await shown({ ...lead, harmed: [{ what: 'wet', on: '2026-01-11' }] });
    expect(textOf(fixture, 'li')).toContain('got wet, Sun 11 Jan 2026');
    const check = host(fixture).querySelector<HTMLInputElement>('input[type="checkbox"]')!;
    check.click();
    await fixture.whenStable();
    expect(edits.at(-1)!.harmed).toEqual([{ what: 'wet', on: '2026-01-11', sound: true }]);
    host(fixture).querySelector<HTMLInputElement>('input[type="checkbox"]')!.click();
    await fixture.whenStable();
    expect(edits.at(-1)!.harmed).toEqual([{ what: 'wet', on: '2026-01-11' }]);
    host(fixture).querySelector<HTMLButtonElement>('li button')!.click();
    await fixture.whenStable();
    expect(edits.at(-1)!.harmed).toBeUndefined();
    expect(host(fixture).querySelector('li')).toBeNull();
  });

  it('is picked from a list that stands open again, never at what happened last', async () => {
    const { fixture, edits } = await shown(lead);
    const select = host(fixture).querySelector('select')!;
    for (const what of ['wet', 'dropped']) {
      select.value = what;
      select.dispatchEvent(new Event('change'));
      await fixture.whenStable();
      expect(select.selectedIndex).toBe(0);
    }
    expect(edits.at(-1)!.harmed!.map(({ what }) => what)).toEqual(['wet', 'dropped']);
  });

  it('of a swollen battery is never sound again', async () => {
    const { fixture } = await shown({ ...battery, harmed: [{ what: 'swollen' }] });
    expect(host(fixture).querySelector('input[type="checkbox"]')).toBeNull();
    expect(textOf(fixture)).toContain('Not to be used, charged or carried any more');
  });

  it('is told of what came damaged too, until somebody has looked at it', async () => {
    const { fixture, edits } = await shown({
      ...lead,
      borrowed: { how: 'rented', from: 'the hire desk', out: { on: '2026-01-09', damaged: true } },
    });
    expect(textOf(fixture, 'li')).toContain('was damaged when it was taken over, Fri 9 Jan 2026');
    host(fixture).querySelector<HTMLInputElement>('input[type="checkbox"]')!.click();
    await fixture.whenStable();
    expect(edits.at(-1)!.harmed).toEqual([{ what: 'damaged', on: expect.any(String), sound: true }]);
    expect(textOf(fixture)).not.toContain('taken over');
  });
});
