import { TestBed } from '@angular/core/testing';
import type { ComponentFixture } from '@angular/core/testing';
import type { Device, Mode } from '@viaggio/core/gear';
import { ModesEditor } from './modes-editor';

const camera: Device = {
  kind: 'device',
  name: 'Camera',
  draw: { basis: 'maker', powerW: 9 },
  inputs: [{ takes: 'window', id: 'bay', name: 'Bay', connector: { type: 'bay' } }],
};
let fixture: ComponentFixture<ModesEditor>;
let passed: (readonly Mode[] | undefined)[];
const element = () => fixture.nativeElement as HTMLElement;
const button = (text: string) => [...element().querySelectorAll('button')].find(({ textContent }) => textContent.trim() === text)!;

async function show(modes?: readonly Mode[]): Promise<void> {
  fixture.componentRef.setInput('device', { ...camera, ...(modes && { modes }) });
  await fixture.whenStable();
}

beforeEach(async () => {
  fixture = TestBed.createComponent(ModesEditor);
  passed = [];
  fixture.componentInstance.modesChange.subscribe((modes) => passed.push(modes));
  await show();
});

describe('the modes of a device', () => {
  it('begin with the usual draw, under names that are free', async () => {
    button('Add a mode').click();
    expect(passed.at(-1)).toMatchObject([{ name: 'Mode 1', draw: { basis: 'maker', powerW: 9 } }]);
    await show([{ id: 'a', name: 'Mode 2', draw: camera.draw! }]);
    button('Add a mode').click();
    expect(passed.at(-1)!.map(({ name }) => name)).toEqual(['Mode 2', 'Mode 3']);
  });

  it('take a draw as it is known, say its watts, and keep what cannot be read out', async () => {
    await show([{ id: 'a', name: 'Top', draw: { basis: 'maker', powerW: 12 } }]);
    expect(element().textContent).toContain('12 W');
    const line = element().querySelectorAll('input')[1]!;
    line.value = '50 min on 24.5 Wh';
    line.dispatchEvent(new Event('input'));
    expect(passed.at(-1)).toMatchObject([{ name: 'Top', draw: { basis: 'run-down', energyWh: 24.5, minutes: 50 } }]);
    const count = passed.length;
    line.value = '50 min';
    line.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(passed).toHaveLength(count);
    expect(line.getAttribute('aria-invalid')).toBe('true');
  });

  it('are not made up where the usual draw is not entered', async () => {
    const { draw: _draw, ...unknown } = camera;
    fixture.componentRef.setInput('device', unknown);
    await fixture.whenStable();
    expect(button('Add a mode').disabled).toBe(true);
    expect(element().textContent).toContain('Enter the usual draw first');
    expect(passed).toEqual([]);
  });

  it('go one by one; the last leaves none', async () => {
    await show([{ id: 'a', name: 'Top', draw: camera.draw! }]);
    button('Remove').click();
    expect(passed.at(-1)).toBeUndefined();
  });
});
