// Rules that need types, apart from the others: they cost minutes and gigabytes, the others some seconds.
import tseslint from 'typescript-eslint';
import { defineConfig, globalIgnores } from 'eslint/config';

export default defineConfig(
  globalIgnores(['**/node_modules/', '**/dist/', '**/dist-types/', '**/.angular/', '**/out-tsc/', '**/*.{js,mjs,cjs}', '**/public/']),
  { linterOptions: { reportUnusedDisableDirectives: 'error' } },
  {
    files: ['packages/{core,server,web}/{src,testing}/**/*.ts', 'e2e/**/*.ts'],
    extends: [tseslint.configs.strictTypeChecked],
    languageOptions: {
      parserOptions: {
        project: [
          // core and server with their tests, the web with its own: as few programs as there are worlds
          'packages/server/tsconfig.spec.json',
          'packages/web/tsconfig.check.json',
          'packages/web/tsconfig.worker.json',
          'e2e/tsconfig.json',
        ],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { arguments: false } }],
      // an index that is known to be there is read with `!`: `noUncheckedIndexedAccess` makes one look
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true, allowStaticOnly: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
      // without exactOptionalPropertyTypes a spread hides an undefined that such a condition looks for
      '@typescript-eslint/no-unnecessary-condition': 'off',
    },
  },
  {
    // what comes over the wire, out of a stub or out of a matcher has no type of its own there
    files: ['**/*.spec.ts', '**/testing/**/*.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/unbound-method': 'off',
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
    },
  },
);
