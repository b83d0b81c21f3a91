import { readFileSync } from 'node:fs';
import { runCommand } from './commands.ts';

/** The command line: `npm run --silent cli -- schedule FILE --csv`. */
// Whoever reads may stop reading: that is no error.
for (const stream of [process.stdout, process.stderr])
  stream.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EPIPE') throw error;
    process.exit();
  });

const result = runCommand(process.argv.slice(2), (path, encoding = 'utf8') => readFileSync(path === '-' ? 0 : path, encoding));
if (result.out !== '') process.stdout.write(result.out.endsWith('\n') ? result.out : `${result.out}\n`);
if (result.error !== '') process.stderr.write(`${result.error}\n`);
process.exitCode = result.status;
