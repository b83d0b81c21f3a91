import js from '@eslint/js';
import globals from 'globals';
import reactHooks from 'eslint-plugin-react-hooks';
import reactRefresh from 'eslint-plugin-react-refresh';
import tseslint from 'typescript-eslint';

/** Files with a function of more than 80 lines, by the reason. Whoever touches one takes a part out, or gives a better reason. */
const LONG_FUNCTIONS = {
  'a table that is read from top to bottom': [
    'server/resources/{session,library,people,projects}/routes.ts',
    'server/database/models/index.ts',
  ],
  'a house, drawing or benchmark made step by step': [
    'demo/build/{granary,flat}.ts',
    'core/testing/{drawn-plans,big-house}.ts',
    'scripts/bench/{survey,load}.ts',
    'web/src/screens/survey/House3d.tsx',
  ],
  'a sheet written line by line': ['core/sheets/documents/{cabling-sheet,trades-sheet}.ts'],
  'one state or search that its inner functions share': [
    'core/routing/network.ts',
    'core/devices/mounting/on-ceiling.ts',
    'server/live/live.ts',
    'web/src/state/project.ts',
    'web/src/canvas/useCamera.ts',
  ],
  'a sheet put together from its hooks and layers': [
    'web/src/canvas/PlanCanvas.tsx',
    'web/src/screens/walls/{WallView,CeilingView}.tsx',
    'web/src/screens/survey/SurveyScreen.tsx',
  ],
  'a form that is read from top to bottom, a field after the other': [
    'web/src/screens/survey/{DrawingImport,FeaturePanel,PlanPictures,WallPanel,Walk,RoomPanel,LevelPanel,ToolBar}.tsx',
    'web/src/screens/labels/LabelsScreen.tsx',
    'web/src/screens/library/{TypeCard,LibraryScreen,RecipeEditor,ConductorMaps}.tsx',
    'web/src/screens/plan/{MountingFields,RunPanel,Palette,RouteOptions,DevicePanel,ExportMenu}.tsx',
    'web/src/screens/checks/{Calculators,RuleTable,FindingList,FindingFoot}.tsx',
    'web/src/screens/pathways/{PathwaysScreen,SealTable,LoadTable}.tsx',
    'web/src/screens/brief/{JobFacts,PlaceCard,BriefMatrix,Decisions,BriefWalk}.tsx',
    'web/src/screens/plates/{PlateCard,PlatesScreen,PlatePicture}.tsx',
    'web/src/screens/people/{Members,PersonDialog}.tsx',
    'web/src/screens/{scan/Scan,stages/PreWireStage}.tsx',
  ],
};

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
    ignores: ['**/*.test.{ts,tsx}'],
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
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**/*.ts', '**/testing/**'],
    rules: { '@typescript-eslint/no-unused-expressions': 'off', 'react-refresh/only-export-components': 'off' },
  },
  {
    files: ['**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', ...Object.values(LONG_FUNCTIONS).flat()],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  { files: ['scripts/**', 'cli/**', 'demo/build/**', 'server/app/main.ts'], rules: { 'no-console': 'off' } },
);
