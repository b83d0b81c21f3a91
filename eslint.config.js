import js from '@eslint/js';
import globals from 'globals';
import reactHooks from 'eslint-plugin-react-hooks';
import reactRefresh from 'eslint-plugin-react-refresh';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['**/node_modules/', '**/dist/', '.data/', '/coverage/'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    languageOptions: { globals: { ...globals.node } },
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { fixStyle: 'inline-type-imports', disallowTypeAnnotations: false },
      ],
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  {
    // The core knows no clock, no chance, no browser and no machine (ARCHITECTURE).
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/testing/**'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage', 'setTimeout', 'performance'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
        { object: 'crypto', property: 'randomUUID' },
      ],
    },
  },
  {
    // What is remembered of a project belongs to the derivations of that project, and goes with them.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/derive/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name=/^Weak(Map|Set|Ref)$/]',
          message: 'Declare a node of core/derive, or a Remembered in the value of one.',
        },
        {
          selector:
            'Program > VariableDeclaration[kind="let"], Program > ExportNamedDeclaration > VariableDeclaration[kind="let"]',
          message: 'A module remembers nothing: declare a node of core/derive.',
        },
        {
          selector:
            'Program > VariableDeclaration > VariableDeclarator > NewExpression[callee.name=/^(Map|Set)$/][arguments.length=0]',
          message: 'A module remembers nothing: declare a node of core/derive.',
        },
      ],
    },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    languageOptions: { globals: { ...globals.browser } },
    plugins: { 'react-hooks': reactHooks, 'react-refresh': reactRefresh },
    rules: {
      ...reactHooks.configs.recommended.rules,
      // The compiler is not used; memoization here is by hand and on purpose.
      'react-hooks/preserve-manual-memoization': 'off',
      'react-refresh/only-export-components': 'warn',
    },
  },
  {
    // What an edit does to a project is a command, tested without a screen.
    files: ['web/src/{screens,ui,canvas,app}/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: '@dusky-spool/core/model',
              importNames: ['create', 'update', 'remove'],
              message: 'Give it a file in web/src/commands.',
            },
          ],
        },
      ],
    },
  },
  { files: ['**/*.test.ts', 'e2e/**/*.ts', '**/testing/**'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
  { files: ['scripts/**', 'cli/**', 'demo/build/**', 'server/app/main.ts'], rules: { 'no-console': 'off' } },
);
