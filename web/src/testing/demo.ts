import { readProjectFile, type ProjectDocument } from '@dusky-spool/core/model';
import { readFileSync } from 'node:fs';

/** A demo house from its file, for tests that need a whole one. */
export function demoHouse(name: 'saltmarsh-granary' | 'tollgate-cottage' | 'ropewalk-flat'): ProjectDocument {
  const file = readProjectFile(readFileSync(new URL(`../../../demo/${name}.spool.json`, import.meta.url), 'utf8'));
  if (!file.ok) throw new Error(file.problem.code);
  return file.value.project;
}
