import { TestBed } from '@angular/core/testing';
import { LOW_WATER, LOW_WATER_DAY } from '@viaggio/core/demo';
import { of, throwError } from 'rxjs';
import { InPageCore } from '../../../../testing/in-page-core';
import { render, until } from '../../../../testing/sheet';
import { Api } from '../../api/api';
import type { Kind } from '../../api/api';
import { CoreWorkers } from '../../workers/core-workers';
import { DemoGlance } from './demo-glance';

const shipped = { gear: LOW_WATER.gear, rigs: LOW_WATER.rigs, days: [LOW_WATER_DAY] } as const;

async function glance(listOfDemo: (kind: Kind) => unknown) {
  TestBed.configureTestingModule({
    providers: [
      { provide: Api, useValue: { listOfDemo } },
      { provide: CoreWorkers, useClass: InPageCore },
    ],
  });
  return render(DemoGlance);
}

describe('the demo crew’s day in small', () => {
  it('shows each rig of its day with verdict and time, and leads there', async () => {
    const fixture = await glance((kind) => of(shipped[kind as keyof typeof shipped]));
    const page = fixture.nativeElement as HTMLElement;
    await until(() => page.querySelectorAll('.rig').length > 0);
    expect(page.querySelector('a')!.getAttribute('href')).toBe('/demo/');
    const rigs = [...page.querySelectorAll('.rig')].map((rig) => rig.textContent.replace(/\s+/g, ' ').trim());
    expect(rigs).toHaveLength(LOW_WATER_DAY.body.rigIds.length);
    expect(rigs.find((rig) => rig.includes('Deck'))).toMatch(/\d+ h \d+ min$/);
    expect(rigs.find((rig) => rig.includes('Cinema camera day'))).toMatch(/cannot run$/);
  });

  it('is not there where it cannot be had, or was deleted', async () => {
    const away = await glance(() => throwError(() => new Error('away')));
    expect((away.nativeElement as HTMLElement).querySelector('a')).toBeNull();
    TestBed.resetTestingModule();
    const gone = await glance(() => of([]));
    expect((gone.nativeElement as HTMLElement).querySelector('a')).toBeNull();
  });
});
