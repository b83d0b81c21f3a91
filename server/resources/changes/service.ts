import { resultOf, type Change, type FieldConflict } from '@dusky-spool/core/project';
import type { ChangeResult, ChangesReply } from '@dusky-spool/core/contract';
import { constraintOf, type Database } from '../../database/index.ts';
import { PlannedRefusal, refusal } from '../../http/index.ts';
import { ChangeStore, revisionOfProject } from './store.ts';

/** Applies changes in their order, each in a transaction of its own; stops at the first that is refused. */
export async function applyChanges(
  database: Database,
  projectId: string,
  memberId: string,
  changes: readonly Change[],
): Promise<ChangesReply> {
  const results: ChangeResult[] = [];
  for (const change of changes) {
    const result = await applyOne(database, projectId, memberId, change);
    results.push(result);
    if (result.status === 'refused') break;
  }
  return { revision: (await revisionOfProject(database, projectId)) ?? 0, results };
}

async function applyOne(database: Database, projectId: string, memberId: string, change: Change): Promise<ChangeResult> {
  try {
    const revision = await database.sequelize.transaction(async (transaction) => {
      const store = new ChangeStore(database, projectId, transaction);
      const before = await store.lockRevision();
      const already = await store.revisionOf(change.id);
      if (already !== null) return already;
      if (change.baseRevision > before) throw refusal('revision-unknown', { field: 'baseRevision', revision: before });
      await writeAll(store, change);
      await store.keep(change, memberId, before + 1, new Date());
      return before + 1;
    });
    return { id: change.id, status: 'applied', revision };
  } catch (error) {
    if (error instanceof PlannedRefusal) return { id: change.id, status: 'refused', problem: error.problem };
    const broken = constraintOf(error);
    if (broken) return { id: change.id, status: 'refused', problem: problemOfConstraint(broken) };
    throw error;
  }
}

async function writeAll(store: ChangeStore, change: Change): Promise<void> {
  const conflicts: FieldConflict[] = [];
  for (const operation of change.operations) {
    const outcome = resultOf(operation, await store.current(operation), conflicts);
    if (!outcome.ok) throw new PlannedRefusal(outcome.problem);
    if (conflicts.length === 0) await store.write(operation);
  }
  if (conflicts.length > 0) throw refusal('conflict', { conflicts });
}

/** Which field a broken constraint is about; the names are those of the migrations. */
const UNIQUE_FIELDS: Readonly<Record<string, string>> = {
  levels_code: 'levels.code',
  rooms_code: 'rooms.code',
  racks_code: 'racks.code',
  devices_number: 'devices.number',
  runs_number: 'runs.number',
  routes_run_id_once: 'routes.runId',
  facts_field: 'facts.field',
  reference_points_name: 'referencePoints.name',
};

function problemOfConstraint(constraint: string) {
  const unique = UNIQUE_FIELDS[constraint];
  if (unique) return { code: 'value-taken', kind: 'invalid' as const, field: unique };
  if (constraint.endsWith('_pkey'))
    return { code: 'record-exists', kind: 'invalid' as const, field: constraint.replace(/_pkey$/, '') };
  return { code: 'reference-missing', kind: 'invalid' as const, field: constraint };
}
