import type { ComponentFixture } from '@angular/core/testing';
import { linksTo } from '@viaggio/core/gear';
import type { Rig } from '@viaggio/core/gear';
import { textOf } from '../../../../../testing/component';
import { idOf, render, showDemoRig, until } from '../../../../../testing/sheet';
import { ChainBuilder, slotKey } from './chain-builder';
import { DeviceCard } from './device-card';

let fixture: ComponentFixture<ChainBuilder>;
const host = () => fixture.nativeElement as HTMLElement;
const camera = idOf('Skuadon 60');

async function show(): Promise<Rig[]> {
  showDemoRig('Galley interviews');
  fixture = await render(ChainBuilder, { deviceId: camera });
  await press('Start again');
  const built: Rig[] = [];
  fixture.componentInstance.built.subscribe((rig) => built.push(rig));
  await offered();
  return built;
}
async function offered(): Promise<void> {
  await until(() => host().querySelector('.offers li') !== null);
  await fixture.whenStable();
}
async function plug(title: string): Promise<void> {
  host().querySelector<HTMLButtonElement>(`button[aria-label="Plug in ${title}"]`)!.click();
  await fixture.whenStable();
  await offered();
}
async function press(text: string): Promise<void> {
  [...host().querySelectorAll<HTMLButtonElement>('button')].find(({ textContent }) => textContent?.trim() === text)!.click();
  await fixture.whenStable();
}

describe('a chain built by hand', () => {
  it('begins at the device’s inputs with what mates, and tells why the rest does not', async () => {
    await show();
    expect(textOf(fixture, 'app-select-field')).toContain('Battery bay of Skuadon 60 (battery bay M)');
    expect(textOf(fixture)).toContain('Why not the others');
    expect(textOf(fixture)).toContain('check volts and polarity with a meter');
  });

  it('goes on with what was plugged in until a source is reached, and gives the whole rig', async () => {
    const built = await show();
    await plug('Adapter M from D-tap');
    expect(textOf(fixture, 'app-select-field')).toContain('of Adapter M from D-tap (D-tap)');
    await plug('D-tap of V1: Holmvik 95');
    expect(textOf(fixture)).toContain('The chain reaches its source.');
    expect(textOf(fixture, '.made')).toContain('Battery bay of Skuadon 60 from Adapter M from D-tap');
    await press('Use this chain');
    expect(linksTo(built[0]!, camera).map(({ from }) => from.gearId)).toEqual([idOf('Holmvik 95', 'V1'), idOf('Adapter M from D-tap')]);
  });

  it('goes a step back, and can be used as far as it is', async () => {
    const built = await show();
    await plug('Adapter M from D-tap');
    await press('One step back');
    await offered();
    expect(textOf(fixture, 'app-select-field')).toContain('of Skuadon 60');
    await plug('Adapter M from D-tap');
    await press('Use what is built');
    expect(linksTo(built[0]!, camera)).toHaveLength(1);
  });
});

describe('what is there already', () => {
  it('stays: more is plugged in beside it, and one thing alone comes out', async () => {
    showDemoRig('Galley interviews');
    fixture = await render(ChainBuilder, { deviceId: camera });
    const built: Rig[] = [];
    fixture.componentInstance.built.subscribe((rig) => built.push(rig));
    await offered();
    const before = host().querySelectorAll('.made li').length;
    expect(before).toBeGreaterThan(0);
    const select = host().querySelector('select')!;
    const free = [...select.options].find(({ textContent }) => textContent.includes('Skuadon 60') && !textContent.includes(', now'))!;
    select.value = free.value;
    select.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    await offered();
    host().querySelector<HTMLButtonElement>('.offers button')!.click();
    await fixture.whenStable();
    expect(host().querySelectorAll('.made li')).toHaveLength(before + 1);
    expect(textOf(fixture)).not.toContain('Comes out');
    host().querySelector<HTMLButtonElement>('.made li:last-child button')!.click();
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('Comes out');
    await press('One step back');
    expect(textOf(fixture)).not.toContain('Comes out');
  });

  it('in a taken input is told before another takes its place', async () => {
    showDemoRig('Galley interviews');
    fixture = await render(ChainBuilder, { deviceId: camera });
    await offered();
    const select = host().querySelector('select')!;
    const taken = [...select.options].find(({ textContent }) => textContent.includes(', now'))!;
    select.value = taken.value;
    select.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('takes the place of');
  });
});

describe('a slot that was pressed', () => {
  it('is fed first, though others wait', async () => {
    const sheet = showDemoRig('Stills with the grip');
    const grip = idOf('Plovera grip');
    const rig = sheet.rig()!;
    sheet.change({ links: rig.links.filter(({ to }) => to.portId !== 'right') }, 'links');
    fixture = await render(ChainBuilder, { deviceId: rig.devices[0]!.gearId, first: slotKey(grip, 'right') });
    await offered();
    expect(host().querySelector('select')!.selectedOptions[0]!.textContent).toContain('Right slot of Plovera grip');
  });

  it('is shown on the card of its device while it is empty, and nothing else is', async () => {
    const sheet = showDemoRig('Stills with the grip');
    const rig = sheet.rig()!;
    const card = await render(DeviceCard, { use: rig.devices[0]! });
    const slots = () =>
      [...(card.nativeElement as HTMLElement).querySelectorAll('.empty-slot button')].map((one) => one.getAttribute('aria-label'));
    expect(slots()).toEqual([]);
    sheet.change({ links: rig.links.filter(({ to }) => to.portId !== 'right') }, 'links');
    await card.whenStable();
    expect(slots()).toEqual(['Put one in: Right slot of Plovera grip']);
  });
});
