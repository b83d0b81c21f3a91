// Loaded by mocha before the tests (.mocharc.json): TypeScript and JSX as the page has them, and style sheets as their class names.
import { register } from 'node:module';
import { fileURLToPath } from 'node:url';

process.env.TSX_TSCONFIG_PATH ??= fileURLToPath(new URL('../web/tsconfig.json', import.meta.url));
register(new URL('./style-sheets.mjs', import.meta.url));
await import('tsx/esm');
