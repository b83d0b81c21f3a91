import type { ProjectDocument, WaySign } from '../../model/index.ts';

/** The signature of a way that lies under a poured floor; undefined where it is not signed, and may be moved. */
export const signatureOf = (project: Pick<ProjectDocument, 'waySigns'>, featureId: string): WaySign | undefined =>
  Object.values(project.waySigns).find((sign) => sign.featureId === featureId);
