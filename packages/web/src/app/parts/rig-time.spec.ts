import type { ComponentFixture } from '@angular/core/testing';
import { render } from '../../../testing/sheet';
import { RigTime } from './rig-time';

const nothing = { verdict: 'good', unlimited: false, plannedMin: undefined, beyondMin: undefined, wantedMin: undefined } as const;
const says = (fixture: ComponentFixture<RigTime>) => (fixture.nativeElement as HTMLElement).textContent.replace(/\s+/g, ' ').trim();
const barOf = (fixture: ComponentFixture<RigTime>) => (fixture.nativeElement as HTMLElement).querySelector('app-time-bar');

describe('how long a rig runs, in a list', () => {
  it.each([
    ['a time', { plannedMin: 234 }, '3 h 54 min to plan with'],
    ['a time against what is asked', { plannedMin: 234, wantedMin: 360 }, '3 h 54 min of 6 h asked'],
    ['no stop as far as it was followed', { beyondMin: 1440, wantedMin: 60 }, 'over 24 h of 1 h asked'],
    ['no end on mains', { unlimited: true, wantedMin: 60 }, 'on mains of 1 h asked'],
    ['what must not run', { verdict: 'stop' as const }, 'cannot run'],
    // a figure is missing: that is no stop, and no time
    ['what cannot be told', { verdict: 'unknown' as const }, 'no time yet'],
  ])('%s', async (_what, glance, told) => expect(says(await render(RigTime, { glance: { ...nothing, ...glance } }))).toBe(told));

  it('stands against what is asked as a bar, and without that has none', async () => {
    expect(barOf(await render(RigTime, { glance: { ...nothing, plannedMin: 234 } }))).toBeNull();
    const short = barOf(await render(RigTime, { glance: { ...nothing, plannedMin: 30, wantedMin: 60 } }))!;
    expect(short.querySelector('.wanted')!.classList).toContain('short');
    const over = barOf(await render(RigTime, { glance: { ...nothing, beyondMin: 600, wantedMin: 60 } }))!;
    expect(over.querySelector('.wanted')!.classList).not.toContain('short');
    expect((over.querySelector('.lasts') as HTMLElement).style.width).toBe('100%');
  });

  it('in a row with others says the time alone', async () =>
    expect(says(await render(RigTime, { glance: { ...nothing, plannedMin: 30, wantedMin: 60 }, small: true }))).toBe('30 min'));
});
