import { isFault } from '@viaggio/core/answer';
import { TestBed } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import { idOf, showDemoRig, until } from '../../../../../testing/sheet';
import { Items } from '../../../state/items.actions';
import { selectItems } from '../../../state/items.selectors';

const SMALL = 'Wheelhouse on the small battery';

describe('the sheet of a rig', () => {
  it('has its answer at once, and from workers its range and the remedies in the order of its findings', async () => {
    const sheet = showDemoRig(SMALL);
    expect(sheet.answer()?.verdict).toBe('caution');
    expect(sheet.remedies()).toBeUndefined();
    await until(() => sheet.outlook().is === 'done' && sheet.remedies() !== undefined);
    const faults = sheet.answer()!.findings.filter(({ verdict }) => isFault(verdict));
    expect(sheet.remedies()).toHaveLength(faults.length);
    expect(sheet.remedies()![0]!.map(({ title }) => title)).toContain('Use V2: Holmvik 95');
  });

  it('never shows the remedies of a state that is gone', async () => {
    const sheet = showDemoRig(SMALL);
    await until(() => sheet.remedies() !== undefined);
    sheet.change({ temperatureC: 20 }, 'temperatureC');
    TestBed.tick();
    expect(sheet.remedies()).toBeUndefined();
    await until(() => sheet.remedies() !== undefined);
  });

  it('takes a remedy as one step of undo', async () => {
    const sheet = showDemoRig(SMALL);
    await until(() => sheet.remedies() !== undefined);
    const before = sheet.rig();
    sheet.apply(sheet.remedies()![0]![0]!);
    expect(sheet.answer()!.findings.some(({ code }) => code === 'over-current-late')).toBe(false);
    TestBed.inject(Store).dispatch(Items.undo());
    expect(sheet.rig()).toBe(before);
  });

  it('leaves its answer alone when other gear changes', () => {
    const sheet = showDemoRig(SMALL);
    const answer = sheet.answer();
    const other = idOf('Murre 6 audio recorder');
    sheet.changeGear(other, { body: { ...sheet.kit().get(other)!, massG: 1 }, field: 'massG' });
    expect(sheet.answer()).toBe(answer);
    sheet.changeGear(idOf('Holmvik 49', 'V4'), { body: { ...sheet.kit().get(idOf('Holmvik 49', 'V4'))!, massG: 1 }, field: 'massG' });
    expect(sheet.answer()).not.toBe(answer);
  });

  it('leaves out what other rigs use when it is told to, never its own parts', () => {
    const sheet = showDemoRig(SMALL);
    expect(sheet.exclude().size).toBe(0);
    sheet.leaveOut.set(true);
    expect(sheet.exclude().has(idOf('Holmvik 95', 'V1'))).toBe(true);
    expect(sheet.exclude().has(idOf('Holmvik 49', 'V4'))).toBe(false);
  });

  it('sends a rig with the gear bought for it as one step, and a rig alone as an edit', () => {
    const sheet = showDemoRig(SMALL);
    const items = TestBed.inject(Store).selectSignal(selectItems);
    sheet.putWithGear({ ...sheet.rig()!, wantedMin: 5 }, [], 'nothing to buy');
    expect(items().acting).toBeUndefined();
    expect(sheet.rig()!.wantedMin).toBe(5);
    sheet.putWithGear(sheet.rig()!, [{ id: 'new', body: sheet.kit().get(idOf('Holmvik 49', 'V4'))! }], 'bought');
    expect(items().acting?.step.changes.map(({ kind }) => kind)).toEqual(['gear', 'rigs']);
  });

  it('weighs by the style, and by what the rig says itself', () => {
    const sheet = showDemoRig(SMALL);
    const usual = sheet.cost()!.cost;
    sheet.change({ weights: { gauge: 1, massOff: 9 } }, 'weights');
    expect(sheet.weights().massOff).toBe(9);
    expect(sheet.cost()!.cost).toBeGreaterThan(usual);
  });
});
