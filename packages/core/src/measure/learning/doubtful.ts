import { combined } from './combined';
import type { Combined, SeenValue } from './combined';

/** Standard deviations from what the others say at which an observation is questioned. */
const DOUBTFUL = 3;
/** Two are as far away when they differ by less. */
const ALIKE = 1e-6;

/**
 * Places of values that disagree with the rest. The worst is found first, and the rest are then held against each other
 * without it: one wild value must not make a right one look wild. Of two that disagree with each other alone neither is
 * known to be right: both are found. The order of the values does not count.
 */
export function doubtfulAmong(values: readonly SeenValue[]): readonly number[] {
  const unknowns = values[0]?.of?.length ?? 1;
  let left = [...values.keys()];
  const found: number[] = [];
  while (left.length > unknowns) {
    const { away } = combined(left.map((place) => values[place]!));
    const worst = Math.max(...away);
    if (!(worst > DOUBTFUL)) break;
    const out = new Set(left.filter((_, at) => away[at]! > worst * (1 - ALIKE)));
    found.push(...out);
    left = left.filter((place) => !out.has(place));
  }
  return found.sort((a, b) => a - b);
}

/** Values with those in doubt counting less: their own error is at least as large as they are away from the rest. */
export function weighedDown(values: readonly SeenValue[], doubtful: readonly number[]): readonly SeenValue[] {
  if (doubtful.length === 0) return values;
  const out = new Set(doubtful);
  const sound = values.filter((_, place) => !out.has(place));
  const unknowns = values[0]!.of?.length ?? 1;
  const { unknowns: found }: Combined = combined(sound.length >= unknowns ? sound : values);
  return values.map((value, place) => {
    if (!out.has(place)) return value;
    const expected = (value.of ?? [1]).reduce((sum, one, unknown) => sum + one * found[unknown]!, 0);
    return { ...value, own: Math.hypot(value.own, value.value - expected) };
  });
}
