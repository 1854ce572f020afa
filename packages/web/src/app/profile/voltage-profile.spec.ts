import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { LOW_WATER, assess } from '@viaggio/core';
import { textOf } from '../../../testing/component';
import { VoltageProfile } from './voltage-profile';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const journeyOf = (name: string) => assess(LOW_WATER.rigs.find(({ body }) => body.name === name)!.body, gear).lanes[0]!.stations;

let fixture: ComponentFixture<VoltageProfile>;
const stations = () => [...(fixture.nativeElement as HTMLElement).querySelectorAll<SVGGElement>('g.station')];

async function show(name: string): Promise<void> {
  fixture = TestBed.createComponent(VoltageProfile);
  fixture.componentRef.setInput('stations', journeyOf(name));
  await fixture.whenStable();
}

describe('the voltage profile', () => {
  it('has a part for each station, reachable by keyboard and named with its numbers', async () => {
    await show('Wheelhouse');
    expect(stations().map((station) => station.getAttribute('tabindex'))).toEqual(['0', '0', '0', '0']);
    const names = stations().map((station) => station.getAttribute('aria-label'));
    expect(names[0]).toBe(
      'Holmvik 95; gives 16.8 V down to 12 V; at the start 16.58 V, 1.11 A, 18.4 W; at the end 12 V, 1.54 A, 18.5 W; verdict good',
    );
    expect(names[2]).toContain('Adapter M from D-tap; gives 8 V;');
    expect(names[3]).toContain('Skuadon 60; accepts 6.3 V to 8.6 V;');
  });

  it('tells the numbers of the part in focus', async () => {
    await show('Wheelhouse');
    expect(textOf(fixture, '.told')).toContain('Solid line: the first minute');
    stations()[1]!.dispatchEvent(new Event('focus'));
    await fixture.whenStable();
    expect(textOf(fixture, '.told')).toContain(
      'lead of Adapter M from D-tap gives 16.8 V down to 11.92 V. Start 16.53 V, 1.11 A, 18.3 W. End 11.92 V, 1.54 A, 18.3 W.',
    );
  });

  it('says the same as a table', async () => {
    await show('Wheelhouse');
    const rows = [...(fixture.nativeElement as HTMLElement).querySelectorAll('tbody tr')];
    expect(rows).toHaveLength(4);
    expect(rows[3]!.textContent).toMatch(/Skuadon 60.*accepts 6.3 V to 8.6 V.*8 V, 2.09 A, 16.7 W.*Good/s);
  });

  it('marks the part that stops it, and draws the levels that are known without a run', async () => {
    await show('Galley on the old bank');
    expect(stations().map((station) => [...station.classList].find((name) => name.startsWith('verdict-')))).toEqual([
      'verdict-good',
      'verdict-good',
      'verdict-good',
      'verdict-stop',
    ]);
    expect(stations()[1]!.querySelector('polyline.end')!.getAttribute('points')).not.toBe('');
    expect(textOf(fixture, 'tbody')).toContain('Grynna 20 PD gives 4.2 V down to 3 V unknown, unknown, unknown');
  });
});
