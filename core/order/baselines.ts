import { listOf } from '../derive/index.ts';
import type { Baseline, ChangeOrder, ProjectDocument } from '../model/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import type { Offer } from './offer.ts';

/** Lengths that differ less are the same cable, m. */
const SAME_LENGTH_M = 0.5;

/** The next number of a list of numbered records. */
const nextNumber = (numbers: readonly number[]): number => Math.max(0, ...numbers) + 1;

/** The scope as it is now, to be locked under a name: lines of the offer with their prices, and runs with their lengths. */
export function baselineOf(
  project: ProjectDocument,
  offer: Offer,
  runs: readonly PlannedRun[],
  { id, name, lockedOn, lockedBy }: Pick<Baseline, 'id' | 'name' | 'lockedOn' | 'lockedBy'>,
): Baseline {
  return {
    ...{ id, number: nextNumber(listOf(project, 'baselines').map(({ number }) => number)), name, lockedOn, lockedBy },
    lines: offer.lines.map(({ key, part, name: line, detail, count, priceCents, taxCents }) => ({
      ...{ key, part, name: [line, detail].filter(Boolean).join(', ').slice(0, 160), count, priceCents, taxCents },
    })),
    runs: runs.map(({ run, device, length }) => ({
      ...{ id: run.id, number: run.number, place: (project.rooms[device.roomId ?? '']?.name ?? '').slice(0, 160) },
      cable: project.cableTypes[run.cableTypeId].name.slice(0, 120),
      lengthM: length?.cutLengthM ?? 0,
    })),
  };
}

export const nextChangeNumber = (project: ProjectDocument): number =>
  nextNumber(listOf(project, 'changeOrders').map(({ number }) => number));

export interface ChangedLine {
  readonly key: string;
  readonly part: string;
  readonly name: string;
  readonly before: number;
  readonly after: number;
  /** What the change adds, with tax, whole cents; negative where it takes away. */
  readonly cents: number;
}

export interface ChangedRun {
  readonly id: string;
  readonly number: string;
  readonly place: string;
  readonly cable: string;
  readonly what: 'added' | 'removed' | 'changed';
  readonly beforeM: number;
  readonly afterM: number;
}

/** What one baseline has over another, to the cent. */
export interface ScopeChange {
  readonly lines: readonly ChangedLine[];
  readonly runs: readonly ChangedRun[];
  readonly priceCents: number;
  readonly taxCents: number;
  readonly totalCents: number;
}

/** The difference of two locked baselines: every line and run that is not the same in both. */
export function scopeChange(from: Baseline, to: Baseline): ScopeChange {
  const [before, after] = [byKey(from.lines), byKey(to.lines)];
  const lines = [...new Set([...before.keys(), ...after.keys()])].flatMap((key): ChangedLine[] => {
    const [was, is] = [before.get(key), after.get(key)];
    const cents = (is ? is.priceCents + is.taxCents : 0) - (was ? was.priceCents + was.taxCents : 0);
    if (cents === 0 && was?.count === is?.count) return [];
    const { part, name } = (is ?? was)!;
    return [{ key, part, name, before: was?.count ?? 0, after: is?.count ?? 0, cents }];
  });
  const sum = (one: Baseline, field: 'priceCents' | 'taxCents') => one.lines.reduce((total, line) => total + line[field], 0);
  const priceCents = sum(to, 'priceCents') - sum(from, 'priceCents');
  const taxCents = sum(to, 'taxCents') - sum(from, 'taxCents');
  return { lines, runs: changedRuns(from, to), priceCents, taxCents, totalCents: priceCents + taxCents };
}

const byKey = <T extends { readonly key: string }>(items: readonly T[]): ReadonlyMap<string, T> =>
  new Map(items.map((item) => [item.key, item]));

function changedRuns(from: Baseline, to: Baseline): ChangedRun[] {
  const [before, after] = [from, to].map(({ runs }) => new Map(runs.map((run) => [run.id, run])));
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((id): ChangedRun[] => {
    const [was, is] = [before.get(id), after.get(id)];
    const { number, place, cable } = (is ?? was)!;
    const facts = { id, number, place, cable, beforeM: was?.lengthM ?? 0, afterM: is?.lengthM ?? 0 };
    if (!was) return [{ ...facts, what: 'added' }];
    if (!is) return [{ ...facts, what: 'removed' }];
    const isSame = was.cable === is.cable && was.place === is.place && Math.abs(was.lengthM - is.lengthM) < SAME_LENGTH_M;
    return isSame ? [] : [{ ...facts, what: 'changed' }];
  });
}

/** What a change order changes; null where a baseline of it is gone. */
export function changeOf(project: ProjectDocument, { fromId, toId }: Pick<ChangeOrder, 'fromId' | 'toId'>): ScopeChange | null {
  const [from, to] = [project.baselines[fromId], project.baselines[toId]];
  return from && to ? scopeChange(from, to) : null;
}
