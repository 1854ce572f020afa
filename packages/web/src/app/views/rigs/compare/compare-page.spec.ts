import type { ComponentFixture } from '@angular/core/testing';
import { textOf } from '../../../../../testing/component';
import { render, showDemoRig, until } from '../../../../../testing/sheet';
import type { RigSheet } from '../sheet/rig-sheet';
import { ComparePage } from './compare-page';

beforeAll(() => {
  window.matchMedia ??= (() => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined })) as unknown as typeof matchMedia; // prettier-ignore
});

let fixture: ComponentFixture<ComparePage>;
let sheet: RigSheet;
const titles = () => [...(fixture.nativeElement as HTMLElement).querySelectorAll('thead th')].map(({ textContent }) => textContent?.trim().split(/\s{2,}/)[0]); // prettier-ignore

async function show(): Promise<void> {
  sheet = showDemoRig('Stills');
  fixture = await render(ComparePage);
  await until(() => textOf(fixture).includes('Compare again'));
  await fixture.whenStable();
}

describe('the approaches side by side', () => {
  it('show the rig as it is and every approach that can be had; the others say why not', async () => {
    await show();
    expect(titles()[1]).toContain('As it is now');
    expect(textOf(fixture)).toContain('each device its own battery');
    expect(textOf(fixture)).toContain('Not possible for this rig');
    expect(textOf(fixture)).toMatch(/Fewest points for this way of shooting: .+\./);
  });

  it('order anew by weights without searching anew', async () => {
    await show();
    const before = titles();
    sheet.change({ weights: { massOff: 50, massOn: 0 } }, 'weights');
    await fixture.whenStable();
    expect(titles()).toEqual(before);
    expect(textOf(fixture)).toContain('Back to the usual points');
  });

  it('search anew when the question is another', async () => {
    await show();
    sheet.change({ temperatureC: -20 }, 'temperatureC');
    await fixture.whenStable();
    expect(textOf(fixture)).toContain('Cancel');
    await until(() => textOf(fixture).includes('Compare again'));
  });
});
