import { createHash, randomBytes } from 'node:crypto';
import { CABLE_TYPES } from '@dusky-spool/core/devices';
import { readProjectFile, writeProjectFile, type Picture } from '@dusky-spool/core/formats';
import { emptyDocument, newHeader, newLevel, shortIdFrom, type ProjectDocument, tableFrom } from '@dusky-spool/core/project';
import type { Database } from '../../database/index.ts';
import { PlannedRefusal, refusal } from '../../http/index.ts';
import { firmLibrary, firmMaps, firmRules } from '../library/store.ts';
import { inspectPicture } from '../pictures/inspect.ts';
import { insertProject, loadDocument, loadPictures } from './store.ts';

/** An empty project: the generic library, one level, nothing drawn. */
export async function makeProject(
  database: Database,
  firmId: string,
  name: string,
  units: 'metric' | 'imperial',
  at: Date,
): Promise<string> {
  const header = newHeader(
    shortIdFrom((count) => randomBytes(count)),
    name,
    units,
  );
  const document: ProjectDocument = {
    ...emptyDocument(header),
    levels: {
      level_m: newLevel({
        id: 'level_m',
        code: 'M',
        name: 'Main',
        order: 0,
        elevationM: 0,
        ceilingHeightM: 2.7,
        cavityDepthM: 0.3,
        gridAngleRad: 0,
      }),
    },
    cableTypes: tableFrom(CABLE_TYPES),
    conductorMaps: tableFrom(await firmMaps(database, firmId)),
    deviceTypes: tableFrom(await firmLibrary(database, firmId)),
    ruleSettings: tableFrom(
      (await firmRules(database, firmId)).map((rule) => ({ id: `firm_${rule.ruleId}`.slice(0, 40), ...rule, on: '' })),
    ),
  };
  return insertProject(database, firmId, document, [], at);
}

/** Takes a project file in: all of it, or nothing and the reason. */
export async function importProject(database: Database, firmId: string, text: string, at: Date): Promise<string> {
  const file = readProjectFile(text);
  if (!file.ok) throw new PlannedRefusal(file.problem);
  for (const picture of file.value.pictures) await checkPicture(picture);
  return insertProject(database, firmId, file.value.document, file.value.pictures, at);
}

async function checkPicture(picture: Picture): Promise<void> {
  const bytes = Buffer.from(picture.base64, 'base64');
  const field = `pictures.${picture.id.slice(0, 8)}`;
  if (createHash('sha256').update(bytes).digest('hex') !== picture.id) throw refusal('picture-changed', { field: `${field}.id` });
  const found = await inspectPicture(bytes, field);
  // A vector picture in a file must be as clean as one that was brought in: nothing in it may run.
  if (!found.bytes.equals(bytes)) throw refusal('svg-refused', { kind: 'invalid', field, reason: 'it holds more than drawing' });
  const same = found.mediaType === picture.mediaType && found.widthPx === picture.widthPx && found.heightPx === picture.heightPx;
  if (!same) throw refusal('picture-mislabelled', { field, found: `${found.mediaType} ${found.widthPx} x ${found.heightPx}` });
}

/** The whole project as our open file. */
export async function exportProject(database: Database, projectId: string): Promise<{ name: string; text: string }> {
  const { document } = await loadDocument(database, projectId);
  const pictures = await loadPictures(database, projectId);
  return { name: fileName(document.project.name), text: writeProjectFile({ document, pictures }) };
}

/** A plain file name made of a project's name. */
export const fileName = (name: string): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || 'project';
