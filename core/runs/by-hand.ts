import { buildingOf, roomAt } from '../house/index.ts';
import { err, ok, type Outcome, type Point2 } from '../math/index.ts';
import { create, type Operation, type ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { cavityZ } from '../routing/index.ts';

/** Points of one run are counted with so many digits, so that they stay in the order in which they were set. */
const DIGITS = 3;

/**
 * A place on the plan that a run has to pass, after those that were set before: above the ceiling of the room that it lies in.
 * Problems: `record-gone`, `outside-rooms`, `no-cavity`.
 */
export function throughPoint(project: ProjectDocument, runId: string, levelId: string, [x, y]: Point2): Outcome<Operation[]> {
  if (!project.runs[runId]) return err('record-gone', { in: 'runs', id: runId });
  const building = buildingOf(project);
  const room = roomAt(building, levelId, [x, y]);
  if (!room) return err('outside-rooms', { kind: 'infeasible', field: 'position' });
  const z = cavityZ(building, room);
  if (z === null) return err('no-cavity', { kind: 'infeasible', field: 'room', room: room.name });
  const before = listOf(project, 'routeRules').filter((rule) => rule.runId === runId && rule.id.startsWith('h')).length;
  const id = `h${String(before + 1).padStart(DIGITS, '0')}_${runId}`.slice(0, 40);
  const tidy = (value: number) => Math.round(value * 1000) / 1000;
  const at: [number, number, number] = [tidy(x), tidy(y), tidy(z)];
  return ok([create('routeRules', { id, runId, kind: 'through', target: 'point', targetId: '', at, note: '' })]);
}
