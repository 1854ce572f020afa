import type { ComponentFixture } from '@angular/core/testing';
import type { Device } from '@viaggio/core/gear';
import type { NamedSegment } from '@viaggio/core/measure';
import { render } from '../../../../../testing/sheet';
import { SegmentName } from './segment-name';

const SEGMENT: NamedSegment = { fromS: 0, toS: 60, meanW: 12, spreadW: 0.2, peakW: 13, peakMs: 40 };
const DEVICE = { kind: 'device', name: 'Wheelhouse', modes: [{ id: 'slow', name: '4K at 25', draw: { powerW: 11 } }] } as unknown as Device;

async function shown(segment: NamedSegment, device: Device | undefined = DEVICE) {
  const fixture = await render(SegmentName, { label: 'It was', segment, device, suggestion: '4K at 25' });
  const named: NamedSegment[] = [];
  const modes: string[] = [];
  fixture.componentInstance.named.subscribe((one) => named.push(one));
  fixture.componentInstance.newModeNamed.subscribe((one) => modes.push(one));
  return { fixture, named, modes };
}

const element = (fixture: ComponentFixture<SegmentName>): HTMLElement => fixture.nativeElement as HTMLElement;
async function pick(fixture: ComponentFixture<SegmentName>, value: string): Promise<void> {
  const select = element(fixture).querySelector('select')!;
  select.value = value;
  select.dispatchEvent(new Event('change'));
  await fixture.whenStable();
}

describe('what a segment was', () => {
  it('says what it looks like while nobody has said what it was', async () => {
    const { fixture } = await shown(SEGMENT);
    expect(element(fixture).querySelector('option')!.textContent).toContain('looks like: 4K at 25');
  });

  it('becomes one of the device’s modes, or none again', async () => {
    const { fixture, named } = await shown({ ...SEGMENT, name: 'menu open' });
    await pick(fixture, 'slow');
    await pick(fixture, '');
    expect(named).toEqual([{ ...SEGMENT, modeId: 'slow' }, SEGMENT]);
  });

  it('keeps a name of its own; an empty one is no name', async () => {
    const { fixture, named } = await shown({ ...SEGMENT, name: 'something else' });
    const box = element(fixture).querySelector('input')!;
    for (const typed of ['  ', ' menu open ']) {
      box.value = typed;
      box.dispatchEvent(new Event('change'));
    }
    expect(named).toEqual([{ ...SEGMENT, name: 'menu open' }]);
  });

  it('asks for the name of a new mode before it says anything', async () => {
    const { fixture, named, modes } = await shown(SEGMENT);
    await pick(fixture, 'new');
    const box = element(fixture).querySelector('input')!;
    box.value = ' 4K at 50 frames ';
    box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await fixture.whenStable();
    expect([named, modes]).toEqual([[], ['4K at 50 frames']]);
    expect(element(fixture).querySelector('input')).toBeNull();
  });
});
