const { default: Sequencer } = require('@jest/test-sequencer');

/** Those that took longest when last looked at, the longest first. Where no times are kept yet, Jest goes by a file's size. */
const LONGEST = [
  'day/planner/plan-laws',
  'measure/trace/segments-judged',
  'views/day/day-planning',
  'feed/feeds',
  'measure/learning/learning-worlds',
  'prints/prints',
  'compare/compare-page',
  'day/planner/plan-day',
  'db/upgrades',
  'answer/laws',
  'src/examples',
  'threads/thread-pool',
  'meter/file-forms',
  'planner/known-days',
  'feed/by-hand',
  'evaluation/evaluation',
];

const placeOf = ({ path }) => {
  const at = LONGEST.findIndex((name) => path.endsWith(`${name}.spec.ts`));
  return at === -1 ? LONGEST.length : at;
};

/** The longest first, so that no core is left alone with one of them at the end. */
module.exports = class LongestFirst extends Sequencer {
  sort(tests) {
    return [...super.sort(tests)].sort((a, b) => placeOf(a) - placeOf(b));
  }
};
