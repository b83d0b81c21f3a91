import { readFileSync, writeFileSync } from 'node:fs';
import { DOCUMENTS } from './documents/registry.ts';
import { readProjectFile } from '../core/model/index.ts';
const [name, demo='saltmarsh-granary', level, scale='50', size='A3'] = process.argv.slice(2);
const file = readProjectFile(readFileSync(`demo/${demo}.spool.json`,'utf8')) as any;
const project = file.value.project;
const out = await (DOCUMENTS as any)[name]({ project, revision: 3, today: '2026-12-01', progress: () => {} }, { paper: size, level: level ?? Object.keys(project.levels)[1], scale: Number(scale), size: 'medium', ends: 'both' }, (code: string) => { throw new Error(code); });
writeFileSync(`/tmp/d-${name}`, out.bytes ?? out);
