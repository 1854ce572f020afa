import { TestBed } from '@angular/core/testing';
import type { ApexOptions } from 'apexcharts';
import { ApexChart } from './apex-chart';

interface Stub {
  readonly made: { readonly options: ApexOptions; readonly updates: ApexOptions[]; readonly destroyed: boolean }[];
}

it('draws once, updates afterwards, and cleans up', async () => {
  const { default: stub } = (await import('apexcharts')) as unknown as { default: Stub };
  const fixture = TestBed.createComponent(ApexChart);
  fixture.componentRef.setInput('label', 'A falling line');
  fixture.componentRef.setInput('options', { series: [] });
  await fixture.whenStable();
  await new Promise((resolve) => setTimeout(resolve));
  expect(stub.made).toHaveLength(1);
  expect((fixture.nativeElement as HTMLElement).getAttribute('aria-label')).toBe('A falling line');
  fixture.componentRef.setInput('options', { series: [1] });
  await fixture.whenStable();
  await new Promise((resolve) => setTimeout(resolve));
  expect(stub.made[0]!.updates).toEqual([{ series: [1] }]);
  fixture.destroy();
  await new Promise((resolve) => setTimeout(resolve));
  expect(stub.made).toHaveLength(1);
});
