import { CHECKS, type Finding, isAccepted, isLowered, markOf, settingsOf } from '../../rules/index.ts';
import type { ProjectDocument } from '../../model/index.ts';

export type CheckColumn = 'finding' | 'figures' | 'source' | 'who' | 'why' | 'until' | 'rule' | 'set';

export interface CheckTable {
  readonly section: 'stop' | 'look' | 'accepted' | 'lowered';
  readonly columns: readonly CheckColumn[];
  readonly rows: readonly (readonly string[])[];
}

/** The words that the sheet needs, from the texts. */
export interface CheckWords {
  readonly sentence: (finding: Finding) => string;
  readonly figure: (value: number, unit: string) => string;
  readonly off: string;
  readonly ranks: Readonly<Record<string, string>>;
}

/**
 * What the checks found, with figures and sources: stops, looks, what was accepted by whom and why, and every rule that keeps people
 * safe and was lowered, with its reason. `today` is YYYY-MM-DD.
 */
export function checkSheet(
  project: ProjectDocument,
  findings: readonly Finding[],
  today: string,
  words: CheckWords,
): CheckTable[] {
  const sourceOf = new Map(CHECKS.map(({ id, source }) => [id, source]));
  const figures = ({ measured, allowed, unit }: Finding) =>
    measured === null || !Number.isFinite(measured)
      ? ''
      : `${words.figure(measured, unit)}${allowed === null ? '' : ` (${words.figure(allowed, unit)})`}`;
  const given = (finding: Finding) => {
    const mark = markOf(project, finding);
    return mark?.assignedTo ? `${mark.assignedTo}${mark.dueOn === '' ? '' : `, ${mark.dueOn}`}` : '';
  };
  const open = (rank: Finding['rank']): CheckTable => ({
    section: rank === 'stop' ? 'stop' : 'look',
    columns: ['finding', 'figures', 'source', 'who'],
    rows: findings
      .filter((finding) => finding.rank === rank && !isAccepted(project, finding, today))
      .map((finding) => [words.sentence(finding), figures(finding), sourceOf.get(finding.check) ?? '', given(finding)]),
  });
  const accepted = findings.filter((finding) => finding.rank !== 'fine' && isAccepted(project, finding, today));
  const tables: CheckTable[] = [
    open('stop'),
    open('look'),
    {
      section: 'accepted',
      columns: ['finding', 'who', 'why', 'until'],
      rows: accepted.map((finding) => {
        const mark = markOf(project, finding)!;
        return [words.sentence(finding), `${mark.acceptedBy}, ${mark.on}`, mark.why, mark.until];
      }),
    },
    loweredRules(project, words),
  ];
  return tables.filter(({ rows }) => rows.length > 0);
}

/** Rules that keep people safe and were lowered in this project, with reason and name: every sheet for the site prints them. */
export function loweredRules(project: ProjectDocument, words: Pick<CheckWords, 'off' | 'ranks'>): CheckTable {
  const settings = settingsOf(project);
  const rows = CHECKS.flatMap((check) => {
    const setting = settings.get(check.id);
    if (!check.safety || !setting || !isLowered(check, setting)) return [];
    const limits = Object.entries(setting.limits).map(([name, value]) =>
      limitText(name, value, check.limits?.[name]?.unit ?? ''),
    );
    const set = [setting.off ? words.off : '', setting.rank ? words.ranks[setting.rank] : '', ...limits].filter(
      (one) => one !== '',
    );
    return [[check.title, set.join(', '), setting.reason, `${setting.by} ${setting.on}`.trim()]];
  });
  return { section: 'lowered', columns: ['rule', 'set', 'why', 'who'], rows };
}

/** A limit with its unit; one without is a share. */
const limitText = (name: string, value: number, unit: string): string =>
  unit === '' ? `${name} ${Number((100 * value).toPrecision(4))} %` : `${name} ${value} ${unit}`;
