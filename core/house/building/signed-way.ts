import type { ProjectDocument, WaySign } from '../../model/index.ts';

/** The signature of a way that lies under a poured floor; undefined where it is not signed, and may be moved. */
export const signatureOf = (document: Pick<ProjectDocument, 'waySigns'>, featureId: string): WaySign | undefined =>
  Object.values(document.waySigns).find((sign) => sign.featureId === featureId);
