import type { Need } from '../../../findings';
import { say } from '../say';
import { shown } from './wording';
import type { ShownNumber } from './wording';

/** What a mode or feature lacks on its feed: the clause behind the colon. */
export function sayNeed(need: Need): string {
  switch (need.need) {
    case 'contract-unknown':
      return 'what the port agrees to is not known';
    case 'volts-unknown':
      return 'the voltage that arrives is not known';
    case 'no-battery':
      return 'no battery that it recognises is in its bay';
    case 'contract':
      return `it needs ${say(need.needW, 'W')} agreed over USB-C, it gets ${say(need.givenW, 'W')}`;
    case 'delivery':
      return `it needs ${say(need.needW, 'W')} agreed over USB-C, and this feed is no USB-C`;
    case 'volts': {
      const { needV, startV, endV } = need;
      return `it needs ${say(needV, 'V')}, ${startV < needV ? `it gets ${say(startV, 'V')}` : `at the end it gets ${say(endV, 'V')}`}`;
    }
    case 'recognised':
      return `it does not recognise ${need.battery}`;
    case 'recognition-unknown':
      return `whether it recognises ${need.battery} is not entered`;
  }
}

export function needNumbers({ need }: { readonly need: Need }): readonly (ShownNumber | undefined)[] {
  switch (need.need) {
    case 'contract':
      return [shown('agreed', need.givenW, 'W'), shown('needed', need.needW, 'W')];
    case 'delivery':
      return [shown('needed', need.needW, 'W')];
    case 'volts':
      return [shown('at the start', need.startV, 'V'), shown('at the end', need.endV, 'V'), shown('needed', need.needV, 'V')];
    default:
      return [];
  }
}
