import { TestBed } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import { withFeed } from '@viaggio/core/gear';
import type { Device, Rig } from '@viaggio/core/gear';
import { idOf, showDemoRig } from '../../../../testing/sheet';
import { Items } from '../../state/items.actions';
import { selectItems } from '../../state/items.selectors';

describe('a test that leaves its feed open', () => {
  it('is settled as through the feed of now before the feed changes: both are one step', () => {
    const sheet = showDemoRig('Wheelhouse');
    const store = TestBed.inject(Store);
    const camera = idOf('Skuadon 60');
    const { draw, ...rest } = sheet.parts().get(camera) as Device;
    const open: Device = { ...rest, draw: { basis: 'run-down', energyWh: 95, minutes: 310 } };
    expect(draw).toBeDefined();
    store.dispatch(Items.edit({ kind: 'gear', id: camera, body: open, field: 'draw', at: 0 }));
    const rig = sheet.rig()!;
    const other: Rig = withFeed(rig, camera, []);
    sheet.put(other, 'feed');
    const { acting } = store.selectSignal(selectItems)();
    expect(acting!.step.changes.map(({ kind }) => kind)).toEqual(['gear', 'rigs']);
    const settled = acting!.step.changes[0]!.after as Device;
    expect(settled.draw).toMatchObject({
      basis: 'run-down',
      energyWh: 95,
      minutes: 310,
      givenWh: expect.any(Number),
      lostShare: expect.any(Number),
    });
  });
});
