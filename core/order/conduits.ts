import { listOf } from '../derive/index.ts';
import type { ProjectDocument } from '../model/index.ts';

/** A conduit that this job lays, and how long it is, m. */
export interface LaidConduit {
  readonly id: string;
  readonly insideDiameterM: number | null;
  readonly lengthM: number;
}

/** Conduits of the plan that are not there already, with their rise between levels. */
export const laidConduits = (project: ProjectDocument): LaidConduit[] =>
  listOf(project, 'features')
    .filter(({ kind, decision }) => kind === 'conduit' && decision === null)
    .map(({ id, insideDiameterM, points, bottomM, topM, levelId, topLevelId }) => {
      const levelM = points.slice(1).reduce((sum, [x, y], k) => sum + Math.hypot(x - points[k][0], y - points[k][1]), 0);
      const storeyM = topLevelId === null ? 0 : project.levels[topLevelId].elevationM - project.levels[levelId].elevationM;
      return {
        id,
        insideDiameterM,
        lengthM: levelM + (points.length === 1 ? Math.max(0, topM - bottomM) : 0) + Math.abs(storeyM),
      };
    });
