import { readProjectFile, tableFrom, writeProjectFile } from '@dusky-spool/core/model';
import { readLibrary } from '@dusky-spool/core/devices';
import { PlannedRefusal } from '../http/problems.ts';
import { firmCables, firmLibrary, firmMaps } from '../resources/library/store.ts';
import { fileName } from '@dusky-spool/core/sheets';
import { importProject } from '../resources/projects/import.ts';
import { isProjectOf, loadPictures, loadProject } from '../resources/projects/store.ts';
import type { JobParams } from '../jobs/job-kinds.ts';
import type { JobContext, JobProduct } from './index.ts';

/** The whole project as our open file. */
export async function writeFile({ database, projectId, progress }: JobContext): Promise<JobProduct> {
  const { project } = await loadProject(database, projectId);
  progress(0.2);
  const pictures = await loadPictures(database, projectId);
  progress(0.5);
  const bytes = Buffer.from(writeProjectFile({ project, pictures }), 'utf8');
  return { file: { name: `${fileName(project.project.name)}.spool.json`, mediaType: 'application/json; charset=utf-8', bytes } };
}

/** Stores a project file: all of it, or nothing and the reason. Done twice, it stores it once. */
export async function importFile(
  { database, firmId, input, progress }: JobContext,
  { projectId }: JobParams['import'],
): Promise<JobProduct> {
  if (!(await isProjectOf(database, firmId, projectId))) {
    const file = readProjectFile((await input()).toString('utf8'));
    if (!file.ok) throw new PlannedRefusal(file.problem);
    progress(0.4);
    await importProject(database, firmId, projectId, file.value, new Date());
  }
  return { result: { id: projectId } };
}

/** Reads a library file beside what the firm has. The answer is a file, since it may be as large as the library. */
export async function readLibraryFile({ database, firmId, input }: JobContext): Promise<JobProduct> {
  const [types, maps] = [await firmLibrary(database, firmId), await firmMaps(database, firmId)];
  const known = {
    cableTypes: tableFrom(await firmCables(database, firmId)),
    conductorMaps: tableFrom(maps),
    deviceTypes: tableFrom(types),
  };
  const read = readLibrary((await input()).toString('utf8'), known);
  if (!read.ok) throw new PlannedRefusal(read.problem);
  return {
    file: { name: 'library.json', mediaType: 'application/json; charset=utf-8', bytes: Buffer.from(JSON.stringify(read.value)) },
  };
}
