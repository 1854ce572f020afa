import type { Finding } from '../../../findings';
import type { Figure } from '../../../rig/resolved';
import { figureName } from '../rig/figure-words';
import { say, sayList } from '../say';
import { shown } from './wording';
import type { Wordings } from './wording';

/** What turns on an assumption; it tells another finding, and is handed how. */
export function assumedWordings(sayOther: (finding: Finding) => string): Wordings<'assumption-decides'> {
  return {
    'assumption-decides': {
      means: 'The verdict turns within the range of a figure that is only assumed.',
      says: ({ otherwise, stopsAsAssumed, assumed }) =>
        `${stopsAsAssumed ? 'As assumed' : 'It may be'}: ${sayOther(otherwise)} It turns on the ${assumed.map(sayAssumed).join('; the ')}.`,
      remedy: ({ assumed }) => `Measure or type the ${sayList(assumed.map(sayOf))}.`,
      shows: ({ assumed }) =>
        assumed.flatMap((figure) => [
          shown(sayOf(figure), figure.value, figure.unit),
          shown('at least', figure.range?.low, figure.unit),
          shown('at most', figure.range?.high, figure.unit),
        ]),
    },
  };
}

function sayOf(figure: Figure): string {
  const name = figureName(figure);
  return `${name.charAt(0).toLowerCase()}${name.slice(1)} of ${figure.part}`;
}

function sayAssumed(figure: Figure): string {
  const { value, unit, range } = figure;
  const mayBe = range === undefined ? '' : `, which may be ${say(range.low, unit)} to ${say(range.high, unit)}`;
  return `${sayOf(figure)}, taken as ${say(value, unit)}${mayBe}`;
}
