/** Standard deviations from the rest at which an observation is questioned. */
const DOUBTFUL = 3;

/**
 * Places of observations that disagree with the rest. The worst is found first, and the rest are then held against each
 * other without it: one wild value must not make a right one look wild.
 *
 * `deviations` gives, for what is left, how many standard deviations one lies from the others; 0 where there is nothing to
 * hold it against.
 */
export function doubtfulAmong(
  counted: readonly boolean[],
  deviations: (left: readonly boolean[]) => (own: number) => number,
): readonly number[] {
  const left = [...counted];
  const found: number[] = [];
  for (;;) {
    const deviation = deviations(left);
    const away = left.map((counts, index) => (counts ? deviation(index) : 0));
    const worst = away.reduce((most, one, index) => (one > away[most]! ? index : most), 0);
    if (!((away[worst] ?? 0) > DOUBTFUL)) return found.sort((a, b) => a - b);
    found.push(worst);
    left[worst] = false;
  }
}
