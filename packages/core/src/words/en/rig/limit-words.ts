import type { CurrentLimit } from '../../../rig/resolved';
import { say } from '../say';

/**
 * What sets a limit: `D-tap of Holmvik 49`, `what is agreed over USB-C`.
 *
 * @example limitSetter({ by: 'cable', part: 'D-tap lead', port: undefined }) // 'D-tap lead'
 */
export function limitSetter({ by, part, port }: Pick<CurrentLimit, 'by' | 'part' | 'port'>): string {
  switch (by) {
    case 'contract':
      return 'what is agreed over USB-C';
    case 'port-fuse':
      return `the fuse of ${port}`;
    case 'cable-fuse':
    case 'part-fuse':
      return `the fuse of ${part}`;
    case 'cable':
    case 'battery':
      return part;
    case 'port':
    case 'input':
      return `${port} of ${part}`;
  }
}

/** `4.2 A (D-tap of Holmvik 49)`. */
export function sayLimit(limit: CurrentLimit): string {
  return `${say(limit.maxA, 'A')} (${limitSetter(limit)})`;
}

/**
 * What happens past a limit.
 *
 * @example pastLimit({ by: 'port', past: 'folds-back' }) // 'Its voltage falls there until what it feeds goes off.'
 */
export function pastLimit({ by, past }: Pick<CurrentLimit, 'by' | 'past'>): string {
  switch (past) {
    case 'trips':
      if (by === 'battery') return PAST_BOARD;
      return by === 'port' ? 'It trips there.' : 'The fuse blows.';
    case 'folds-back':
      return 'Its voltage falls there until what it feeds goes off.';
    case 'overheats':
      return 'Nothing trips there: the lead gets hot.';
    case 'rating':
      return 'Nothing trips there, but its maker answers for no more.';
  }
}

export const PAST_BOARD = 'Its board cuts off there.';
/** Past the rating of cells that nothing guards. */
export const PAST_CELLS = 'Nothing trips there: its cells are pushed past their rating and heat up.';
