import type { Gear } from '..';

/** What has happened to a thing; `handed-over`: it came damaged from whom it was taken over. */
export type HarmKind = NonNullable<Gear['harmed']>[number]['what'] | 'handed-over';

export interface Harm {
  readonly what: HarmKind;
  readonly on: string | undefined;
  /** Known to be unfit; else it is to be looked at first. */
  readonly unfit: boolean;
}

const UNFIT: ReadonlySet<HarmKind> = new Set(['swollen', 'leaks', 'wet', 'recalled']);
/** No look makes a cell sound again that has swollen or leaks. */
const NEVER_SOUND: ReadonlySet<HarmKind> = new Set(['swollen', 'leaks']);

/**
 * Whether somebody who looks at it may find it sound again.
 *
 * @example canBeSound('battery', 'swollen') // false
 */
export function canBeSound(kind: Gear['kind'], what: HarmKind): boolean {
  return kind !== 'battery' || !NEVER_SOUND.has(what);
}

/**
 * What has happened to a piece of gear and has not been found sound since, worst first.
 *
 * @example harmsOf({ ...battery, harmed: [{ what: 'dropped' }] }) // [{ what: 'dropped', on: undefined, unfit: false }]
 */
export function harmsOf({ kind, harmed = [], borrowed }: Gear): readonly Harm[] {
  const open = harmed.filter(({ what, sound }) => !sound || !canBeSound(kind, what));
  const out = borrowed?.out;
  const lookedAt = harmed.some(({ what, sound }) => what === 'damaged' && sound);
  const found = [
    ...open.map(({ what, on }): Omit<Harm, 'unfit'> => ({ what, on })),
    ...(out?.damaged && !lookedAt ? [{ what: 'handed-over', on: out.on } as const] : []),
  ];
  return found.map((one) => ({ ...one, unfit: UNFIT.has(one.what) })).sort((a, b) => Number(b.unfit) - Number(a.unfit));
}

/** Whether something has happened to it that forbids using it before it was looked at. */
export function isHarmed(gear: Gear): boolean {
  return harmsOf(gear).length > 0;
}
