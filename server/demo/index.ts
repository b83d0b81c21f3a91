// Here: the demo firm, loaded through the same importer a user has.
// Not here: the demo projects (files in the folder demo at the top).
// Start with `loadDemo`.
import { randomBytes, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { daysBefore, daysBetween, readProjectFile } from '@dusky-spool/core/model';
import type { Database } from '../database/index.ts';
import { hashPassword } from '../resources/session/passwords.ts';
import { accountById, deleteFirmOf, demoMember, insertFirm, markAsDemo } from '../resources/session/store.ts';

export const DEMO_FILES = ['saltmarsh-granary', 'merrowfen-landing', 'tollgate-cottage', 'ropewalk-flat'];
const EMAIL = 'planner@tidewrack.example';
const FOLDER = join(import.meta.dirname, '../../demo');

/** Loads the demo firm once; a second call finds it there and leaves it alone. */
export async function loadDemo(database: Database): Promise<void> {
  if ((await demoMember(database)) !== null) return;
  // Loaded here, as only the first start needs it.
  const { importProject } = await import('../resources/projects/import.ts');
  // A firm left half loaded by a start that was killed is deleted and loaded again.
  await deleteFirmOf(database, EMAIL);
  // Nobody knows this password: the demo is entered by its one-click sign-in only.
  const passwordHash = await hashPassword(randomBytes(24).toString('base64url'));
  const account = { firm: 'Tidewrack Integration', name: 'Demo planner', email: EMAIL, passwordHash, isDemo: false };
  const memberId = await database.sequelize.transaction((transaction) => insertFirm(database, account, new Date(), transaction));
  const { firmId } = (await accountById(database, memberId))!;
  for (const [index, file] of DEMO_FILES.entries()) {
    const at = new Date(Date.now() + index);
    const text = readFileSync(join(FOLDER, `${file}.spool.json`), 'utf8');
    const project = readProjectFile(datesMoved(text, at));
    if (!project.ok) throw new Error(`${file}: ${JSON.stringify(project.problem)}`);
    await importProject(database, firmId, randomUUID(), project.value, at);
  }
  await markAsDemo(database, firmId);
}

/** The day on which the demo houses were drawn. */
const DRAWN_ON = '2026-11-25';

/** The file with every day moved by as much as has passed since it was drawn, so that what is due stays as far off as it was. */
export function datesMoved(text: string, at: Date): string {
  const days = daysBetween(DRAWN_ON, at.toISOString().slice(0, 10));
  return text.replaceAll(/"(\d{4}-\d{2}-\d{2})"/g, (_, day: string) => `"${daysBefore(day, -days)}"`);
}
