import type { CurrentLimit } from '../rig';
import { say } from './say';

/** What sets a limit: `D-tap of Holmvik 49`, `the contract`. */
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

/** What happens past a limit: only what really trips cuts out. */
export function pastLimit({ by }: Pick<CurrentLimit, 'by'>): string {
  switch (by) {
    case 'contract':
    case 'port':
      return 'It cuts out there.';
    case 'port-fuse':
    case 'cable-fuse':
    case 'part-fuse':
      return 'The fuse can blow.';
    case 'battery':
      return 'Its protection can cut out.';
    case 'cable':
    case 'input':
      return 'More is not allowed.';
  }
}
