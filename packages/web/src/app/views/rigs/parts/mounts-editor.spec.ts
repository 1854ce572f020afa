import type { Rig } from '@viaggio/core/gear';
import { field, textOf } from '../../../../../testing/component';
import { idOf, render, showDemoRig } from '../../../../../testing/sheet';
import { MountsEditor } from './mounts-editor';

async function show(name: string) {
  const sheet = showDemoRig(name);
  const fixture = await render(MountsEditor);
  const choose = async (label: string, value: string): Promise<void> => {
    const select = field<HTMLSelectElement>(fixture, label);
    select.value = value;
    select.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  return { sheet, fixture, choose, mounts: (): Rig['mounts'] => sheet.rig()!.mounts };
}

describe('where things sit', () => {
  it('is asked of what hangs on the camera, and not of a wall socket or a lead', async () => {
    const { fixture } = await show('Wheelhouse');
    expect(textOf(fixture)).toContain('V1: Holmvik 95');
    expect(textOf(fixture)).toContain('Adapter M from D-tap');
    expect(textOf(fixture)).not.toContain('Skuadon 60');
  });

  it('is kept with the rig, told as findings, and taken out again', async () => {
    const { sheet, choose, mounts } = await show('Wheelhouse');
    await choose('V1: Holmvik 95', 'behind');
    expect(mounts()).toEqual([{ gearId: idOf('Holmvik 95', 'V1'), place: 'behind' }]);
    expect(sheet.answer()!.findings.filter(({ code }) => code === 'mount-covers').length).toBeGreaterThan(0);
    await choose('V1: Holmvik 95', '');
    expect(mounts()).toBeUndefined();
  });
});
