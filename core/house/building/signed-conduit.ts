import type { ProjectDocument, FloorConduitSign } from '../../model/index.ts';

/** The signature of a conduit that lies under a poured floor; undefined where it is not signed, and may be moved. */
export const signatureOf = (project: Pick<ProjectDocument, 'waySigns'>, featureId: string): FloorConduitSign | undefined =>
  Object.values(project.waySigns).find((sign) => sign.featureId === featureId);
