/** @type {import('jest').Config} */
module.exports = {
  displayName: 'core',
  testEnvironment: 'node',
  rootDir: __dirname,
  testMatch: ['<rootDir>/src/**/*.spec.ts'],
  transform: {
    '^.+\\.ts$': ['@swc/jest', require('../../swc.jest.cjs')],
  },
};
