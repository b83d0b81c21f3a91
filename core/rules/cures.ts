import { FAMILY_ENDS, knownMap, moveDevices } from '../devices/index.ts';
import { type Outcome, type Point2, tidyM } from '../math/index.ts';
import { type CableType, create, type Operation, type ProjectDocument, update } from '../model/index.ts';
import { edited, listOf } from '../derive/index.ts';
import { isKept, isPulled, plannedRun, type PlannedRun } from '../runs/index.ts';
import type { Cure } from './check.ts';

/** Another cable for a run that is not in the wall yet, with the connectors and the map of its family where that is another one. */
export function exchange(project: ProjectDocument, runId: string, cable: CableType | undefined): Operation[] {
  const run = project.runs[runId];
  if (!run || !cable || isPulled(run)) return [];
  const was = project.cableTypes[run.cableTypeId];
  const [deviceConnector, farConnector, mapId] = FAMILY_ENDS[cable.family] ?? ['', '', null];
  const ends = was?.family === cable.family ? {} : { deviceConnector, farConnector, mapId: knownMap(project, mapId) };
  const operation = update('runs', run, { cableTypeId: cable.id, ...ends });
  return operation ? [operation] : [];
}

/** The cure that exchanges a cable; none where there is no such cable. */
export function useCable(project: ProjectDocument, runId: string, fits: (cable: CableType) => boolean): Cure[] {
  const cable = listOf(project, 'cableTypes').find(fits);
  const operations = exchange(project, runId, cable);
  return cable && operations.length > 0 ? [{ code: 'use-cable', figures: { name: cable.name }, operations }] : [];
}

/** Thicker cables of the same family, the thinnest first. */
export const thickerThan = (project: ProjectDocument, { family, gaugeAwg, id }: CableType): CableType[] =>
  listOf(project, 'cableTypes')
    .filter((other) => other.id !== id && other.family === family && other.gaugeAwg !== null && other.gaugeAwg < (gaugeAwg ?? -9))
    .sort((a, b) => b.gaugeAwg! - a.gaugeAwg!);

/** Keeps a run away from a thing of the survey, where another route is there that `isClear`. */
export function leadAway(
  project: ProjectDocument,
  runId: string,
  featureId: string,
  isClear: (house: ProjectDocument, planned: PlannedRun) => boolean,
): Cure[] {
  const run = project.runs[runId];
  const id = `away_${runId}`.slice(0, 40);
  if (!run || isKept(run) || Object.hasOwn(project.routeRules, id)) return [];
  const rule = { id, runId, kind: 'avoid', target: 'feature', targetId: featureId, at: null, note: '' } as const;
  const operations = [create('routeRules', rule)];
  const applied = edited(project, operations);
  if (!applied.ok) return [];
  const planned = plannedRun(applied.value, runId);
  const holds = planned.proposedRoute.ok && planned.proposedRoute.value.broken.length === 0 && isClear(applied.value, planned);
  return holds ? [{ code: 'lead-away', figures: { number: run.number }, operations }] : [];
}

/** Moves a device to a place of the plan, so far from where it is, m. */
export function moveTo(project: ProjectDocument, deviceId: string, [x, y]: Point2, shiftM: number): Cure[] {
  return movedBy(moveDevices(project, [{ deviceId, to: [tidyM(x), tidyM(y)] }]), shiftM);
}

/** What moves something so far, m; no cure where it cannot be moved. */
export const movedBy = (moved: Outcome<readonly Operation[]>, shiftM: number): Cure[] =>
  moved.ok && moved.value.length > 0 ? [{ code: 'move-to-place', figures: { shiftM }, operations: moved.value }] : [];

/** Hangs a device at a height, m; no cure where it is gone or hangs there. */
export function hangAt(project: ProjectDocument, deviceId: string, toM: number): Cure[] {
  const device = project.devices[deviceId];
  const operation = device && update('devices', device, { heightM: toM });
  return operation ? [{ code: 'usual-height', figures: { toM }, operations: [operation] }] : [];
}
