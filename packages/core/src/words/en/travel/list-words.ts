import type { Lack, Why } from '../../../travel/list';

/**
 * Why a thing goes along, as a person would say it.
 *
 * @example sayWhy({ is: 'used-by', rigId: 'r', rig: 'Deck' }) // 'Deck'
 */
export function sayWhy(why: Why): string {
  switch (why.is) {
    case 'device-of':
    case 'used-by':
      return why.rig;
    case 'spare-for':
      return `spare for ${why.of}, ${why.rig}`;
    case 'fallback-of':
      return `fallback behind ${why.of}, ${why.rig}`;
    case 'battery-of':
      return `planned with on “${why.day}”`;
    case 'spare-of':
      return `spare kept apart on “${why.day}”`;
    case 'charger-of':
      return `charges at ${why.place}`;
    case 'also':
      return 'put on the list by hand';
    case 'own':
      return why.says ?? 'own item';
  }
}

const NOT_AT_HAND: Readonly<Record<string, string>> = { lent: 'lent', lost: 'lost', broken: 'broken', archived: 'in the archive' };

/** What is not there, with what would do. `under`: the heading it stands under, which it does not say again. */
export function sayLack(lack: Lack, under?: string): string {
  const all = (titles: readonly string[]): string => titles.join(' or ');
  switch (lack.is) {
    case 'no-stand-in': {
      const [first = '', ...more] = lack.stops;
      const what = under === undefined || more.length < 2 ? lack.stops.join(', ') : `${first} and ${more.length} more`;
      const stops = `If ${lack.title} fails, ${what} ${lack.stops.length === 1 ? 'stops' : 'stop'}${under === lack.rig ? '' : ` (${lack.rig})`}.`;
      if (lack.inKit.length > 0) return `${stops} Take ${all(lack.inKit.map(({ title }) => title))} along.`;
      return lack.fromRig
        ? `${stops} Only ${lack.fromRig.title} from ${lack.fromRig.rig} would do.`
        : `${stops} Nothing in the kit takes its place.`;
    }
    case 'no-charger':
      return `Nothing on the list charges ${lack.title}.${lack.inKit.length > 0 ? ` Take ${all(lack.inKit.map(({ title }) => title))} along.` : ' No charger in the kit fits it.'}`;
    case 'not-at-hand':
      return `${lack.title} is ${NOT_AT_HAND[lack.why] ?? lack.why}.`;
    case 'gone':
      return `A ${lack.what === 'gear' ? 'piece of gear' : lack.what} that this trip names is no longer there.`;
  }
}
