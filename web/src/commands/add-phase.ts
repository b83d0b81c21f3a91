import { create, type Operation, type ProjectDocument } from '@dusky-spool/core/model';

/** A part of the job with its own time, after those that there are; the first part has no record, so the next one is the second. */
export function addPhase(
  project: ProjectDocument,
  { id, nameOf }: { readonly id: string; readonly nameOf: (number: number) => string },
): Operation[] {
  const order = Object.keys(project.phases).length;
  return [create('phases', { id, order, name: nameOf(order + 2), on: '' })];
}
