import type { Facts, FindingCode, FindingLevel } from '../../../findings';
import type { Unit } from '../../../quantity';

export interface ShownNumber {
  readonly name: string;
  readonly value: number;
  readonly unit: Unit;
}

/** How a finding is told: what its code means, the reason in a sentence, what to do, the numbers compared. */
export interface Wording<C extends FindingCode> {
  /** For docs/findings.md and whoever asks about the code. */
  readonly means: string;
  readonly says: (facts: Facts[C], verdict: FindingLevel) => string;
  readonly remedy?: (facts: Facts[C], verdict: FindingLevel) => string;
  readonly shows?: (facts: Facts[C]) => readonly (ShownNumber | undefined)[];
}

/** A wording for each of some codes; does not compile where one is missing. */
export type Wordings<C extends FindingCode> = { readonly [K in C]: Wording<K> };

/** A number to show; nothing where it is not known. */
export function shown(name: string, value: number | undefined, unit: Unit): ShownNumber | undefined {
  return value === undefined ? undefined : { name, value, unit };
}
