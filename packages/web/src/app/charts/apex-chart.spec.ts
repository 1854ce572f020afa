import { TestBed } from '@angular/core/testing';
import type { ApexOptions } from 'apexcharts';
import { ApexChart, SETTLE_MS } from './apex-chart';

interface Stub {
  readonly made: { readonly options: ApexOptions; readonly updates: ApexOptions[]; readonly destroyed: boolean }[];
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

it('draws once, updates when a person pauses, and cleans up', async () => {
  const { default: stub } = (await import('apexcharts')) as unknown as { default: Stub };
  const fixture = TestBed.createComponent(ApexChart);
  const give = async (options: unknown) => {
    fixture.componentRef.setInput('options', options);
    await fixture.whenStable();
  };
  fixture.componentRef.setInput('label', 'A falling line');
  await give({ series: [] });
  await pause(20);
  expect(stub.made).toHaveLength(1);
  const host = fixture.nativeElement as HTMLElement;
  expect(host.getAttribute('aria-label')).toBe('A falling line');
  await fixture.whenStable();
  expect(host.getAttribute('aria-busy')).toBe('false');

  await give({ series: [1] });
  await give({ series: [2] });
  await pause(20);
  expect(host.getAttribute('aria-busy')).toBe('true');
  expect(stub.made[0]!.updates).toEqual([]);
  await pause(SETTLE_MS);
  await fixture.whenStable();
  expect(stub.made[0]!.updates).toEqual([{ series: [2] }]);
  expect(host.getAttribute('aria-busy')).toBe('false');

  await give({ series: [3] });
  fixture.destroy();
  await pause(SETTLE_MS + 20);
  expect(stub.made[0]!.updates).toHaveLength(1);
  expect(stub.made[0]!.destroyed).toBe(true);
});
