import {
  boundsProblem,
  type Change,
  type ChangeResult,
  changeSchema,
  type ChangesReply,
  type CollectionName,
  countProblem,
  type FieldConflict,
  forbiddenOperation,
  mayBreakBounds,
  problemOfIssue,
  resultOf,
  textProblem,
} from '@dusky-spool/core/model';
import type { Problem } from '@dusky-spool/core/math';
import { brokenConstraint, isBadValue, isDatabaseAway } from '../../database/failures.ts';
import { PlannedRefusal, refusal } from '../../http/problems.ts';
import type { SignedIn } from '../../http/membership-store.ts';
import type { Services } from '../../services/services.ts';
import { acceptancesIn } from './acceptances.ts';
import { problemOfConstraint } from './constraint-problem.ts';
import { ChangeStore, revisionOfProject } from './store.ts';

/**
 * Applies changes in their order, each in a transaction of its own; stops at the first that is refused. A change that cannot be
 * read, or fails in a way that nobody planned, is refused by itself: the others keep their turn.
 */
export async function applyChanges(
  services: Services,
  projectId: string,
  member: SignedIn,
  changes: readonly unknown[],
  tab = '',
): Promise<ChangesReply> {
  const results: ChangeResult[] = [];
  let newest: number | null = null;
  for (const given of changes) {
    const read = readChange(given);
    const result: ChangeResult =
      'problem' in read
        ? { id: read.id, status: 'refused', problem: read.problem }
        : await applyOne(services, projectId, member, read.change, tab, (revision) => (newest = revision));
    results.push(result);
    if (result.status === 'refused') break;
  }
  return { revision: newest ?? (await revisionOfProject(services.database, projectId)) ?? 0, results };
}

/** A change in the shape of the contract, or what is wrong with it; its id as far as it has one. */
function readChange(given: unknown): { readonly change: Change } | { readonly id: string; readonly problem: Problem } {
  const id = String((given as { id?: unknown } | null)?.id ?? '').slice(0, 36);
  const unclean = textProblem(given);
  if (unclean) return { id, problem: unclean };
  const parsed = changeSchema.safeParse(given);
  if (parsed.success) return { change: parsed.data };
  return { id, problem: { ...problemOfIssue(parsed.error.issues[0], ''), code: 'input-invalid' } };
}

async function applyOne(
  services: Services,
  projectId: string,
  member: SignedIn,
  change: Change,
  tab: string,
  onNewest: (revision: number) => void,
  isRepeat = false,
): Promise<ChangeResult> {
  const refused = (problem: Problem): ChangeResult => ({ id: change.id, status: 'refused', problem });
  const forbidden = forbiddenOperation(member.role, change.operations);
  if (forbidden) {
    await services.audit.add({
      firmId: member.firmId,
      kind: 'refused',
      member,
      about: { project: projectId, list: forbidden.in },
    });
    return refused({ code: 'role-too-low', field: forbidden.in, role: member.role });
  }
  try {
    const { database } = services;
    const { revision, newest } = await database.sequelize.transaction(async (transaction) => {
      const store = new ChangeStore(database, projectId, transaction);
      const { revision: before, applied } = await store.takeTurn(change.id);
      if (applied) {
        if (!applied.isSame(change)) throw refusal('change-id-used', { kind: 'invalid', field: 'id', value: change.id });
        return { revision: applied.revision, newest: before };
      }
      if (change.baseRevision > before) throw refusal('revision-unknown', { field: 'baseRevision', revision: before });
      await writeAll(store, change);
      await keepBounds(store, change);
      await keepSpools(store, change);
      for (const about of acceptancesIn(change.operations))
        await services.audit.add(
          { firmId: member.firmId, kind: 'accepted', member, about: { project: projectId, ...about } },
          transaction,
        );
      await store.store(change, member.id, before + 1, new Date(), tab);
      return { revision: before + 1, newest: before + 1 };
    });
    onNewest(newest);
    return { id: change.id, status: 'applied', revision };
  } catch (error) {
    if (error instanceof PlannedRefusal) {
      if (error.problem.code === 'project-gone') throw error;
      return refused(error.problem);
    }
    const broken = brokenConstraint(error);
    // The same change was being stored at this moment: now it is there.
    if (broken?.constraint === 'changes_pkey' && !isRepeat)
      return applyOne(services, projectId, member, change, tab, onNewest, true);
    if (broken) return refused(problemOfConstraint(broken));
    if (isDatabaseAway(error)) throw error;
    if (!isBadValue(error)) {
      services.log.error({ err: error as Error }, 'a change failed');
      services.report(error, 'a change');
    }
    return refused({ code: isBadValue(error) ? 'value-not-stored' : 'unexpected', kind: 'invalid', field: 'change' });
  }
}

async function writeAll(store: ChangeStore, change: Change): Promise<void> {
  const conflicts: FieldConflict[] = [];
  for (const operation of change.operations) {
    const outcome = resultOf(operation, operation.op === 'create' ? undefined : await store.current(operation), conflicts);
    if (!outcome.ok) throw new PlannedRefusal(outcome.problem);
    if (conflicts.length === 0) await store.write(operation, outcome.value);
  }
  if (conflicts.length > 0) throw refusal('conflict', { conflicts });
}

/** No more comes off a spool than was on it: of two people who claim the same cable without a connection, the second is refused. */
async function keepSpools(store: ChangeStore, { operations }: Change): Promise<void> {
  const cuts = operations.filter(({ op, in: list }) => list === 'spoolCuts' && op !== 'delete').map(({ id }) => id);
  const overdrawn = cuts.length === 0 ? null : await store.overdrawnSpool(cuts);
  if (overdrawn)
    throw new PlannedRefusal({ code: 'spool-overdrawn', kind: 'out_of_domain', field: 'spoolCuts.lengthM', ...overdrawn });
}

/** Holds the project against its bounds where the change can have broken them. */
async function keepBounds(store: ChangeStore, { operations }: Change): Promise<void> {
  if (mayBreakBounds(operations)) {
    const problem = boundsProblem(await store.houseLists());
    if (problem) throw new PlannedRefusal(problem);
  }
  const grown = new Set(operations.filter(({ op }) => op === 'create').map((operation) => operation.in as CollectionName));
  for (const name of grown) {
    const problem = countProblem(name, await store.count(name));
    if (problem) throw new PlannedRefusal(problem);
  }
}
