import type { DrawRow } from '@viaggio/core/measure';
import { formatQuantity } from '@viaggio/core/units';

type Of = Pick<DrawRow, 'of'>;

export function drawUnit({ of }: Of): 'J' | 'W' {
  return of === 'draw' ? 'W' : 'J';
}

/** `16.4 W ± 0.4 W`: nineteen of twenty. */
export function sayWithError(row: Of, { meanW, sigmaW }: { readonly meanW: number; readonly sigmaW: number }): string {
  return `${formatQuantity(meanW, drawUnit(row))} ± ${formatQuantity(2 * sigmaW, drawUnit(row))}`;
}

/** What plans use, and where that is from. */
export function sayInUse(row: Pick<DrawRow, 'of' | 'now'>): { readonly value: string; readonly from: string } {
  const { now } = row;
  if (!now) return { value: 'unknown', from: '' };
  return { value: formatQuantity(now.value, drawUnit(row)), from: now.learnt ? 'learnt' : now.from === 'guess' ? 'a guess' : now.from };
}
