/** @type {import('jest').Config} */
module.exports = {
  displayName: 'server',
  testEnvironment: 'node',
  rootDir: __dirname,
  testMatch: ['<rootDir>/src/**/*.spec.ts'],
  transform: {
    '^.+\\.ts$': [require.resolve('../../jest.transform.cjs'), require('../../swc.jest.cjs')],
  },
  moduleNameMapper: {
    '^@viaggio/core/(.*)$': '<rootDir>/../core/src/entries/$1.ts',
  },
};
