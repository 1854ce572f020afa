import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import { assess } from '@viaggio/core/answer';
import { LOW_WATER } from '@viaggio/core/demo';
import { textOf } from '../../../testing/component';
import { svgFile } from './svg-file';
import { VoltageProfile } from './voltage-profile';

const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
let fixture: ComponentFixture<VoltageProfile>;
const host = () => fixture.nativeElement as HTMLElement;
const stations = () => [...host().querySelectorAll<SVGGElement>('g.station')];
const names = () => stations().map((station) => station.getAttribute('aria-label')!.split(';')[0]);

async function show(name: string): Promise<void> {
  fixture = TestBed.createComponent(VoltageProfile);
  fixture.componentRef.setInput('tracks', assess(LOW_WATER.rigs.find(({ body }) => body.name === name)!.body, gear).tracks);
  await fixture.whenStable();
}
async function press(at: number, key: string): Promise<void> {
  stations()[at]!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
  await fixture.whenStable();
}

describe('the voltage profile', () => {
  it('has a part for each station, named with its numbers at full, half and empty', async () => {
    await show('Wheelhouse');
    expect(stations().map((station) => station.getAttribute('tabindex'))).toEqual(['0', '-1', '-1', '-1']);
    const labels = stations().map((station) => station.getAttribute('aria-label'));
    expect(labels[0]).toMatch(
      /^Holmvik 95; gives 16.8 V down to 12 V; at the start 16.58 V, 1.11 A, 18.4 W; half way 14.* V, .*; at the end 12 V, 1.54 A, 18.4 W; verdict good$/,
    );
    expect(labels[1]).toContain('at most 8 A');
    expect(labels[2]).toContain('Adapter M from D-tap; gives 8 V;');
    expect(labels[3]).toContain('Skuadon 60; accepts 6.3 V to 8.6 V;');
  });

  it('is one stop in the order of tabs; arrows go along the way and between the tracks', async () => {
    await show('Wheelhouse, everything on one V-mount');
    const all = names();
    await press(0, 'ArrowRight');
    expect(document.activeElement === stations()[1] || stations()[1]!.getAttribute('tabindex') === '0').toBe(true);
    await press(1, 'ArrowRight');
    const third = stations().findIndex((station) => station.getAttribute('tabindex') === '0');
    await press(third, 'ArrowDown');
    const below = stations().findIndex((station) => station.getAttribute('tabindex') === '0');
    expect(below).toBeGreaterThan(third);
    await press(below, 'ArrowLeft');
    expect(stations().findIndex((station) => station.getAttribute('tabindex') === '0')).toBeLessThan(below);
    await press(0, 'End');
    expect(stations().at(-1)!.getAttribute('tabindex')).toBe('0');
    expect(all.filter((name) => name === 'Holmvik 147')).toHaveLength(1);
  });

  it('tells the numbers of the part in focus, and keeps the focus through an edit', async () => {
    await show('Wheelhouse');
    expect(textOf(fixture, '.told')).toContain('Band: full to empty.');
    stations()[1]!.dispatchEvent(new Event('focus'));
    await fixture.whenStable();
    expect(textOf(fixture, '.told')).toMatch(/lead of Adapter M from D-tap gives 16.8 V down to 11.92 V.*Full 16.53 V/);
    const rig = LOW_WATER.rigs.find(({ body }) => body.name === 'Wheelhouse')!.body;
    fixture.componentRef.setInput('tracks', assess({ ...rig, temperatureC: -10 }, gear).tracks);
    await fixture.whenStable();
    expect(textOf(fixture, '.told')).toContain('lead of Adapter M from D-tap');
  });

  it('goes through the discharge: levels, charge and the verdict of the moment', async () => {
    await show('Wheelhouse on the small battery');
    const slider = host().querySelector<HTMLInputElement>('input[type="range"]')!;
    expect(textOf(fixture, '.moment')).toBe('at 0 min Holmvik 49 100 %');
    expect(stations()[1]!.dataset['moment']).toBe('good');
    slider.value = slider.max;
    slider.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(textOf(fixture, '.moment')).toMatch(/^at 1 h 36 min Holmvik 49 \d %$/);
    expect(stations()[1]!.dataset['moment']).toBe('stop');
    expect(stations()[1]!.querySelector('.sign')).not.toBeNull();
  });

  it('jumps to what happens on the way', async () => {
    await show('Wheelhouse on the small battery');
    const near = [...host().querySelectorAll<HTMLButtonElement>('.events button')][1]!;
    near.click();
    await fixture.whenStable();
    expect(stations()[1]!.dataset['moment']).toBe('caution');
  });

  it('opens the worst lane of several; another opens by Enter on it', async () => {
    await show('Wheelhouse, everything on one V-mount');
    const openable = () => host().querySelectorAll('.device.can-open').length;
    expect(openable()).toBe(3);
    await press(stations().length - 1, 'Enter');
    expect(openable()).toBe(2);
    [...host().querySelectorAll('button')].find(({ textContent }) => textContent?.includes('Open all'))!.click();
    await fixture.whenStable();
    expect(openable()).toBe(0);
  });

  it('says the same as a table, track by track', async () => {
    await show('Wheelhouse');
    const rows = [...host().querySelectorAll('.after tbody tr')];
    expect(rows).toHaveLength(4);
    expect(rows[3]!.textContent).toMatch(/Skuadon 60.*accepts 6.3 V to 8.6 V.*8 V, 2.09 A, 16.7 W.*Good/s);
    await show('Wheelhouse, everything on one V-mount');
    expect(textOf(fixture, '.after')).toContain('to Tern Link transmitter');
  });

  it('marks the part that stops it, and draws the levels that are known without a run', async () => {
    await show('Galley on the old bank');
    expect(stations().map((station) => station.dataset['verdict'])).toEqual(['good', 'good', 'good', 'stop']);
    expect(stations()[1]!.querySelector('polyline.untimed')!.getAttribute('points')).not.toBe('');
    expect(host().querySelector('input[type="range"]')).toBeNull();
  });

  it('becomes a file that stands by itself: namespace, styles written in, nothing of the framework', async () => {
    await show('Wheelhouse');
    const svg = host().querySelector('svg')!;
    Object.defineProperty(svg, 'viewBox', { value: { baseVal: { width: 640 } } });
    const file = svgFile(svg, '#fbf8f1');
    expect(file).toMatch(/^<\?xml version="1.0" encoding="UTF-8"\?>\n<svg[^>]*xmlns="http:\/\/www.w3.org\/2000\/svg"/);
    expect(file).toContain('Skuadon 60');
    expect(file).not.toMatch(/_ng|tabindex|class=/);
    expect(new DOMParser().parseFromString(file, 'image/svg+xml').querySelector('parsererror')).toBeNull();
  });
});
