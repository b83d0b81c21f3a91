import { comparePackage, type PackageDifference, placeOf } from '@dusky-spool/core/brief';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { en } from './en/index.ts';
import { words } from './words.ts';

/** What is missing from the builder's package, or left to others, as a table and as lines that somebody signs. */
export interface PackageGaps {
  /** Place, thing with its part, wanted, included. */
  readonly missing: readonly (readonly [place: string, thing: string, wanted: string, included: string])[];
  /** Line of the package, task, who does it. */
  readonly work: readonly (readonly [line: string, task: string, by: string])[];
  /** Lines of the package that name nothing that is known. */
  readonly unclear: readonly string[];
  readonly lines: readonly string[];
}

const LINE_LENGTH = 200;

/** The thing that a difference is about, with its part: "Keypad (box)". */
export const packageThing = ({ topic, part }: Pick<PackageDifference, 'topic' | 'part'>): string =>
  `${en.terms.topics[topic]}${part === 'all' ? '' : ` (${en.terms.packageParts[part].toLowerCase()})`}`;

/** The builder's package against the brief in words; `comparison` where it is known already. */
export function packageGaps(project: ProjectDocument, comparison = comparePackage(project)): PackageGaps {
  const { missing, work, unclear } = comparison;
  const missingRows = missing.map(
    (one) =>
      [
        placeOf(project, one.placeId)?.name ?? words.t('documents.packageGaps.house'),
        ...([packageThing(one), String(one.wanted), String(one.included)] as const),
      ] as const,
  );
  const workRows = work.map(({ line, task, by }) => [line.words, en.terms.packageTasks[task], en.terms.parties[by]] as const);
  const unclearRows = unclear.map((line) => line.words);
  const lines = [
    ...missingRows.map(([place, thing, wanted, included]) =>
      words.t('documents.packageGaps.missingLine', { place, thing, wanted, included }),
    ),
    ...workRows.map(([line, task, by]) =>
      words.t('documents.packageGaps.workLine', { line, task: task.toLowerCase(), by: by.toLowerCase() }),
    ),
    ...unclearRows.map((line) => words.t('documents.packageGaps.unclearLine', { line })),
  ];
  return { missing: missingRows, work: workRows, unclear: unclearRows, lines: lines.map((line) => line.slice(0, LINE_LENGTH)) };
}
