import type { CurrentLimit } from '../../../rig/resolved';
import { say } from '../say';

/**
 * What sets a limit: `D-tap of Holmvik 49`, `the contract`.
 *
 * @example limitSetter({ by: 'cable', part: 'D-tap lead', port: undefined }) // 'D-tap lead'
 */
export function limitSetter({ by, part, port }: Pick<CurrentLimit, 'by' | 'part' | 'port'>): string {
  switch (by) {
    case 'contract':
      return 'the contract';
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

/** What happens past a limit: a port trips, a fuse blows, a wire gets hot, an input must not be given more. */
export function pastLimit({ by }: Pick<CurrentLimit, 'by'>): string {
  switch (by) {
    case 'contract':
    case 'port':
      return 'It trips there.';
    case 'port-fuse':
    case 'cable-fuse':
    case 'part-fuse':
      return 'The fuse blows.';
    case 'battery':
      return PAST_BOARD;
    case 'cable':
      return 'Nothing trips there: the lead gets hot.';
    case 'input':
      return 'More is not allowed in there.';
  }
}

export const PAST_BOARD = 'Its board cuts off there.';
/** Past the rating of cells that nothing guards. */
export const PAST_CELLS = 'Nothing trips there: its cells are pushed past their rating and heat up.';
