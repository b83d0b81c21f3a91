import type { Point3 } from '@dusky-spool/core/math';
import { create, type Operation, type ProjectDocument, remove, type RouteRule } from '@dusky-spool/core/model';

/** A rule of a run: through a riser, pathway, room or point, or clear of one. */
export const addRouteRule = (
  rule: Pick<RouteRule, 'id' | 'runId' | 'kind' | 'target' | 'targetId'> & { readonly at: Point3 | null },
): Operation => create('routeRules', { ...rule, at: rule.at && [rule.at[0], rule.at[1], rule.at[2]], note: '' });

/** Leads a run through points, m; they take the place of those before them, and hold in the order of their ids. */
export const routeVia = (
  project: ProjectDocument,
  { id, runId, points }: { readonly id: string; readonly runId: string; readonly points: readonly Point3[] },
): Operation[] => [
  ...Object.values(project.routeRules)
    .filter((one) => one.runId === runId && one.kind === 'through' && one.target === 'point')
    .map((one) => remove('routeRules', one)),
  ...points.map((at, n) => addRouteRule({ id: `${id}_${n}`, runId, kind: 'through', target: 'point', targetId: '', at })),
];
