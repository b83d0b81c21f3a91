import { DOCUMENTS } from '../documents/registry.ts';
import { isDocument } from '../documents/queries.ts';
import { PlannedRefusal, refusal } from '../http/problems.ts';
import { fileName } from '../resources/projects/file-name.ts';
import { loadDocument } from '../resources/projects/store.ts';
import type { JobParams } from '../jobs/job-kinds.ts';
import type { JobContext, JobProduct } from './index.ts';

/** A document of a project as it is at this moment. */
export async function makeDocument(
  { database, projectId, progress }: JobContext,
  { name, query, today }: JobParams['document'],
): Promise<JobProduct> {
  if (!isDocument(name)) throw refusal('not-found', { field: 'document' });
  const { document, revision } = await loadDocument(database, projectId);
  progress(0.1);
  const made = await DOCUMENTS[name]({ document, revision, today, progress }, query as never, (problem) => {
    throw new PlannedRefusal(problem);
  });
  const { mediaType, bytes, result } = made;
  return { result, file: { name: `${fileName(document.project.name)}-${made.name}`, mediaType, bytes } };
}
