/**
 * What of a normal distribution lies below so many standard deviations; within 1e-7 (Abramowitz and Stegun 7.1.26 for the
 * error function).
 *
 * @example Math.round(1000 * normalShare(1.645)) // 950
 */
export function normalShare(deviations: number): number {
  const at = Math.abs(deviations) / Math.SQRT2;
  const step = 1 / (1 + 0.3275911 * at);
  const tail =
    ((((1.061405429 * step - 1.453152027) * step + 1.421413741) * step - 0.284496736) * step + 0.254829592) * step * Math.exp(-at * at);
  return deviations < 0 ? tail / 2 : 1 - tail / 2;
}
