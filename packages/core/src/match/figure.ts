import type { Provenance } from '../gear/fields';
import { formatQuantity } from '../quantity/format-quantity';
import type { Unit } from '../quantity/unit';
import { finding } from './finding';
import type { Finding, Role } from './finding';
import { roleOf } from './rig-graph';
import type { Part } from './rig-graph';

/**
 * A figure that an answer rests on. `assumed` is a typical value put in because nobody gave one; `computed` comes from
 * others by the formula beside it; `chosen` is a condition the person set.
 */
export interface Figure {
  readonly role: Role;
  readonly gearId: string;
  readonly part: string;
  readonly name: string;
  readonly value: number;
  readonly unit: Unit;
  readonly from: Provenance | 'assumed' | 'computed' | 'chosen';
  /** How it came about, in words and numbers. */
  readonly formula?: string;
}

/** Collects what an answer rests on and what it lacks, while a rig is turned into networks. */
export class Evidence {
  readonly figures: Figure[] = [];
  readonly missing: Finding[] = [];

  note(part: Part, name: string, value: number, unit: Unit, from: Figure['from'], formula?: string): void {
    const figure = { role: roleOf(part), gearId: part.id, part: part.gear.name, name, value, unit, from };
    this.figures.push(formula === undefined ? figure : { ...figure, formula });
  }

  /** A figure that nobody gave and that must not be guessed. */
  lack(aspect: Finding['aspect'], part: Part, what: string, remedy: string, jointId?: string): void {
    this.missing.push(missing(aspect, part, part.gear.name, what, remedy, jointId));
  }
}

/** The finding for a figure that nobody gave and that must not be guessed. */
export function missing(aspect: Finding['aspect'], part: Part, of: string, what: string, remedy: string, jointId?: string): Finding {
  return finding({
    code: 'figure-missing',
    verdict: 'unknown',
    aspect,
    role: roleOf(part),
    gearId: part.id,
    jointId,
    part: of,
    numbers: [],
    sentence: `${of}: ${what} is not known, so this cannot be judged.`,
    remedy,
  });
}

/** `14.4 V` and the like, for sentences. */
export const say = formatQuantity;
