import { type Cure, curesFor, type Finding, runChecks } from '../rules/index.ts';
import type { ProjectDocument } from '../model/index.ts';

/** A day before every gate of the houses here: nothing is late and nothing is closed. */
const LONG_BEFORE = '2020-01-01';

/** A finding with what would put it right in the house in which it was found. */
export type CheckedFinding = Omit<Finding, 'cures'> & { readonly cures: readonly Cure[] };

/** What the rules say of a house, as of a day on which nothing is late. */
export const checked = (project: ProjectDocument, today: string = LONG_BEFORE): CheckedFinding[] =>
  runChecks(project, today).map((finding) => ({
    ...finding,
    get cures() {
      return curesFor(finding, project);
    },
  }));
