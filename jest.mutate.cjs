// Core's specs as `npm run mutate` runs them against each small fault: those of the rooms that it names, but for those that
// take long, so what only they would notice counts as not noticed.
const core = require('./packages/core/jest.config.cjs');

const TOO_LONG = ['plan-laws', 'plan-day', 'feeds', 'by-hand', 'learning-worlds', 'segments-judged', 'laws', 'phase-laws', 'examples'];

/** @type {import('jest').Config} */
module.exports = {
  ...core,
  testMatch: (process.env.MUTATE_SPECS ?? '').split(' ').map((room) => `<rootDir>/src/${room}/**/*.spec.ts`),
  testPathIgnorePatterns: [`/(${TOO_LONG.join('|')})\\.spec\\.ts$`],
};
