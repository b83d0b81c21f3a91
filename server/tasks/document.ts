import { DOCUMENTS } from '../documents/registry.ts';
import { isDocument, PRICED_FOR_CLIENTS } from '../documents/queries.ts';
import { projectForClient } from '@dusky-spool/core/model';
import { PlannedRefusal, refusal } from '../http/problems.ts';
import { fileName } from '@dusky-spool/core/sheets';
import { loadProject } from '../resources/projects/store.ts';
import type { JobParams } from '../jobs/job-kinds.ts';
import type { JobContext, JobProduct } from './index.ts';

/** A document of a project as it is at this moment. */
export async function makeDocument(
  { database, projectId, progress }: JobContext,
  { name, query, today, forClient }: JobParams['document'],
): Promise<JobProduct> {
  if (!isDocument(name)) throw refusal('not-found', { field: 'document' });
  const { project: whole, revision } = await loadProject(database, projectId);
  const project = forClient && !PRICED_FOR_CLIENTS.has(name) ? projectForClient(whole) : whole;
  progress(0.1);
  const made = await DOCUMENTS[name]({ project, revision, today, progress }, query as never, (problem) => {
    throw new PlannedRefusal(problem);
  });
  const { mediaType, bytes, result } = made;
  return { result: { ...result, revision }, file: { name: `${fileName(project.project.name)}-${made.name}`, mediaType, bytes } };
}
