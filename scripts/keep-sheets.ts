// npm run keep-sheets: keeps pictures of every sheet of the demo, after they were looked at and found right.
import { readdirSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { contactSheet, demoSheets, keptPath } from '../server/documents/kept-sheets.ts';

const folder = dirname(keptPath('any'));
for (const name of readdirSync(folder)) rmSync(join(folder, name));
for (const [name, pdf] of await demoSheets()) writeFileSync(keptPath(name), await contactSheet(pdf));
