import { err, ok, type Outcome } from '../../math/index.ts';
import { create, type FindingMark, type Operation, type ProjectDocument, remove, update } from '../../model/index.ts';
import { derivationsOf, whole } from '../../derive/index.ts';

/** What of a finding says which one it is, and what it found. */
export interface Said {
  readonly check: string;
  readonly code: string;
  readonly rank: string;
  readonly subjects: readonly { readonly in: string; readonly id: string }[];
  readonly measured: number | null;
  readonly allowed: number | null;
  readonly figures: Readonly<Record<string, unknown>>;
}

/** The longest list of records that a mark names; findings about more are known by their first ones and their number. */
const MAX_ABOUT = 360;

/** The records that a finding is about, in words that a mark keeps. */
export function aboutOf({ subjects }: Pick<Said, 'subjects'>): string {
  const all = subjects.map((subject) => `${subject.in}/${subject.id}`).join(' ');
  return all.length <= MAX_ABOUT ? all : `${all.slice(0, MAX_ABOUT)} +${subjects.length}`;
}

const tidy = (value: number | null) =>
  value === null ? '' : Number.isFinite(value) ? String(Number(value.toPrecision(3))) : 'never';

/** The figures of a finding, as three digits that count: what was accepted returns when they change. */
export function seenOf({ rank, measured, allowed, figures }: Pick<Said, 'rank' | 'measured' | 'allowed' | 'figures'>): string {
  const plain =
    measured === null
      ? Object.entries(figures)
          .filter(([, value]) => typeof value === 'string' || typeof value === 'number')
          .map(([name, value]) => `${name}=${typeof value === 'number' ? tidy(value) : String(value)}`)
          .join(';')
      : '';
  return `${rank}|${tidy(measured)}|${tidy(allowed)}|${plain}`.slice(0, 400);
}

const keyOf = (ruleId: string, code: string, about: string) => `${ruleId}|${code}|${about}`;

/** What tells one finding from every other one of the same project. */
export const findingKey = (finding: Pick<Said, 'check' | 'code' | 'subjects'>): string =>
  keyOf(finding.check, finding.code, aboutOf(finding));

const MARKS = whole<ReadonlyMap<string, FindingMark>>({
  name: 'finding marks',
  tables: ['findingMarks'],
  make: (read) => new Map(read.rows('findingMarks').map((mark) => [keyOf(mark.ruleId, mark.code, mark.about), mark])),
});

/** What was decided of a finding. */
export function markOf(
  project: Pick<ProjectDocument, 'findingMarks'>,
  finding: Pick<Said, 'check' | 'code' | 'subjects'>,
): FindingMark | undefined {
  const marks = derivationsOf(project).get(MARKS);
  return marks.size === 0 ? undefined : marks.get(findingKey(finding));
}

/** Whether a finding is accepted as it stands: by somebody, until a day that is not past, with the same figures. */
export function isAccepted(project: Pick<ProjectDocument, 'findingMarks'>, finding: Said, today: string): boolean {
  const mark = markOf(project, finding);
  return (
    mark !== undefined && mark.acceptedBy !== '' && (mark.until === '' || mark.until >= today) && mark.seen === seenOf(finding)
  );
}

/** Findings that still want somebody: stops and looks that are not accepted. The list itself where nothing was accepted. */
export function openOf<F extends Said>(
  project: Pick<ProjectDocument, 'findingMarks'>,
  findings: readonly F[],
  today: string,
): readonly F[] {
  if (Object.keys(project.findingMarks).length === 0) return findings;
  return findings.filter((finding) => !isAccepted(project, finding, today));
}

export interface Noted {
  readonly assignedTo?: string;
  readonly dueOn?: string;
  readonly note?: string;
}

const EMPTY = { seen: '', acceptedBy: '', why: '', on: '', until: '', assignedTo: '', dueOn: '', note: '' } as const;

function written(project: ProjectDocument, finding: Said, after: Partial<FindingMark>, newId: () => string): Operation[] {
  const mark = markOf(project, finding);
  if (!mark)
    return [
      create('findingMarks', {
        id: newId(),
        ruleId: finding.check,
        code: finding.code,
        about: aboutOf(finding),
        ...EMPTY,
        ...after,
      }),
    ];
  const left = { ...mark, ...after };
  const isEmpty = [left.acceptedBy, left.assignedTo, left.note].every((words) => words === '');
  if (isEmpty) return [remove('findingMarks', mark)];
  const operation = update('findingMarks', mark, after);
  return operation ? [operation] : [];
}

/**
 * Accepts a finding: who, why, until when. Problems: `accept-no-name`, `accept-no-reason`, `accept-past` where the last day is over.
 */
export function acceptFinding(
  project: ProjectDocument,
  finding: Said,
  by: { readonly name: string; readonly why: string; readonly until: string; readonly today: string },
  newId: () => string,
): Outcome<Operation[]> {
  if (by.name.trim() === '') return err('accept-no-name', { kind: 'incomplete', field: 'acceptedBy' });
  if (by.why.trim().length < 3) return err('accept-no-reason', { kind: 'incomplete', field: 'why' });
  if (by.until !== '' && by.until < by.today) return err('accept-past', { kind: 'invalid', field: 'until', until: by.until });
  const after = { acceptedBy: by.name.trim(), why: by.why.trim(), until: by.until, on: by.today, seen: seenOf(finding) };
  return ok(written(project, finding, after, newId));
}

/** Takes an acceptance back. */
export const liftAcceptance = (project: ProjectDocument, finding: Said): Operation[] =>
  markOf(project, finding) ? written(project, finding, { acceptedBy: '', why: '', until: '', on: '', seen: '' }, () => '') : [];

/** Gives a finding to somebody, or writes a note beside it. */
export const noteFinding = (project: ProjectDocument, finding: Said, noted: Noted, newId: () => string): Operation[] =>
  markOf(project, finding) || Object.values(noted).some((words) => words !== '') ? written(project, finding, noted, newId) : [];
