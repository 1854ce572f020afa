import { inCamera, pack } from '../../../testing/rig-builder';
import type { Gear } from '../gear';
import { whyNotAtHand } from './at-hand';
import { canBeSound, harmsOf, isHarmed } from './harm';
import type { HarmKind } from './harm';

const LEAD: Gear = { kind: 'cable', name: 'Lead', ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } } };
const KINDS = ['swollen', 'leaks', 'wet', 'dropped', 'hot', 'damaged', 'recalled'] as const;
type Happened = NonNullable<Gear['harmed']>;
const battery = (harmed: Happened): Gear => pack({ harmed });

describe('what has happened to a thing', () => {
  it.each(KINDS)('%s keeps it from being taken until somebody found it sound', (what) => {
    for (const gear of [battery([{ what }]), { ...LEAD, harmed: [{ what }] } as Gear]) {
      expect([isHarmed(gear), whyNotAtHand(gear)]).toEqual([true, 'damaged']);
      const looked = { ...gear, harmed: [{ what, sound: true }] } as Gear;
      expect(isHarmed(looked)).toBe(!canBeSound(gear.kind, what));
    }
  });

  it('is never sound again of cells that have swollen or leak; a lead or a device may be', () => {
    const never = KINDS.filter((what) => !canBeSound('battery', what));
    expect(never).toEqual(['swollen', 'leaks']);
    for (const kind of ['cable', 'device', 'adapter', 'supply'] as const)
      expect(KINDS.filter((what) => !canBeSound(kind, what))).toEqual([]);
  });

  it('is told worst first: what is unfit before what is to be looked at', () => {
    const harms = harmsOf(battery([{ what: 'dropped', on: '2026-01-09' }, { what: 'recalled' }, { what: 'hot' }, { what: 'wet' }]));
    expect(harms.map(({ what, unfit }) => [what, unfit])).toEqual([
      ['recalled', true],
      ['wet', true],
      ['dropped', false],
      ['hot', false],
    ]);
    expect(harms[2]!.on).toBe('2026-01-09');
  });

  it('counts what came damaged from whom it was taken over, until it was looked at', () => {
    const came: Gear = { ...LEAD, borrowed: { how: 'rented', from: 'the hire desk', out: { on: '2026-01-08', damaged: true } } };
    expect(harmsOf(came)).toEqual([{ what: 'handed-over' satisfies HarmKind, on: '2026-01-08', unfit: false }]);
    expect(isHarmed({ ...came, harmed: [{ what: 'damaged', sound: true }] })).toBe(false);
    // one fell since and was found sound: that says nothing of how it came
    expect(isHarmed({ ...came, harmed: [{ what: 'dropped', sound: true }] })).toBe(true);
  });

  it('of nothing is nothing', () => {
    expect(harmsOf(inCamera())).toEqual([]);
    expect(whyNotAtHand(inCamera())).toBeUndefined();
  });
});
