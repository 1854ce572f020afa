import type { Provenance } from '../gear/gear';
import { formatQuantity } from '../quantity/format-quantity';
import type { Unit } from '../quantity/unit';
import type { Finding, Role } from './finding';

/**
 * A figure that an answer rests on. `assumed` is a typical value put in because nobody gave one; `computed` comes from
 * others by the formula beside it.
 */
export interface Figure {
  readonly role: Role;
  readonly name: string;
  readonly value: number;
  readonly unit: Unit;
  readonly from: Provenance | 'assumed' | 'computed' | 'chosen';
  /** How it came about, in words and numbers. */
  readonly formula?: string;
}

/** The finding for a figure that nobody gave and that must not be guessed. */
export function missing(aspect: Finding['aspect'], role: Role, part: string, what: string, remedy: string): Finding {
  return {
    code: 'figure-missing',
    verdict: 'unknown',
    aspect,
    role,
    part,
    numbers: [],
    sentence: `${part}: ${what} is not known, so this cannot be judged.`,
    remedy,
  };
}

/** `14.4 V` and the like, for sentences. */
export const say = formatQuantity;
