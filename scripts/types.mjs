// npm run types: strict TypeScript over every workspace.
import { spawnSync } from 'node:child_process';
import { ROOT } from './prepare.mjs';

let failed = false;
for (const project of ['tsconfig.json', 'web/tsconfig.json']) {
  const { status } = spawnSync('npx', ['--no-install', 'tsc', '-p', project], { cwd: ROOT, stdio: 'inherit' });
  failed ||= status !== 0;
}
process.exit(failed ? 1 : 0);
