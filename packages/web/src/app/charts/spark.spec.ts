import { TestBed } from '@angular/core/testing';
import { Spark } from './spark';

async function show(points: Spark['points'] extends () => infer P ? P : never, limit?: number): Promise<HTMLElement> {
  const fixture = TestBed.createComponent(Spark);
  fixture.componentRef.setInput('points', points);
  fixture.componentRef.setInput('limit', limit);
  await fixture.whenStable();
  return fixture.nativeElement as HTMLElement;
}

describe('a small chart', () => {
  it('lies from the first to the last point, the more the higher, and leaves out of its line what is set aside', async () => {
    const host = await show([{ at: 0, share: 1 }, { at: 5, share: 0.2, aside: true }, { at: 10, share: 0.6 }], 0.7); // prettier-ignore
    expect(host.querySelectorAll('circle')).toHaveLength(3);
    const line = host.querySelector('polyline')!.getAttribute('points')!.split(' ');
    expect(line).toHaveLength(2);
    const [first, last] = line.map((point) => point.split(',').map(Number) as [number, number]);
    expect(first![0]).toBeLessThan(last![0]);
    expect(first![1]).toBeLessThan(last![1]);
    expect(host.querySelector('.limit')).not.toBeNull();
  });

  it('of one point has it in the middle', async () => {
    const host = await show([{ at: 3, share: 0.9 }]);
    expect(host.querySelector('circle')!.getAttribute('cx')).toBe('48');
  });
});
