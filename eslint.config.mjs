import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import globals from './scripts/lib/globals.mjs';
import ts from 'typescript-eslint';

export default ts.config(
  {
    ignores: [
      '**/node_modules',
      '**/dist',
      '**/dist.new',
      '.cache',
      '.data',
      'test-results',
      'app/.expo',
      '**/*.cjs',
      'app/*.js',
      'app/public/track',
      'app/public/planner',
    ],
  },
  js.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      // Knex answers `any`: an assertion is where a row gets its type.
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // Query builders are awaited or returned; a bare builder never runs, so nothing floats.
      '@typescript-eslint/no-floating-promises': 'error',
    },
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    ignores: ['**/*.test.ts', '**/*.test.tsx', '**/testing/**', 'server/test/**', 'e2e/**', '**/boundary.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'TSAsExpression > TSAsExpression > TSUnknownKeyword',
          message: 'Such a cast stands in boundary.ts, with its reason.',
        },
        { selector: 'TSAsExpression > TSNeverKeyword', message: 'Such a cast stands in boundary.ts, with its reason.' },
      ],
    },
  },
  { files: ['app/**/*.tsx', 'app/**/*.ts'], plugins: { 'react-hooks': hooks }, rules: hooks.configs.recommended.rules },
  {
    files: ['**/*.test.ts', '**/*.test.tsx', 'server/test/**', 'e2e/**'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
    },
  },
  // A schema’s kind is checked by the helper’s own types; Joi’s generics take `any` there.
  { files: ['packages/contract/src/schema/schema.ts'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
  { files: ['**/*.mjs'], languageOptions: { globals } },
);
