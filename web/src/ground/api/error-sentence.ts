import type { Problem } from '@dusky-spool/core/math';
import { problemSentence } from '@dusky-spool/texts';

/** The problem that an error carries (a refused request, a failed job), or that the server could not be reached. */
export function problemOf(error: unknown): Problem {
  const carried = error instanceof Error && 'problem' in error ? error.problem : null;
  return isProblem(carried) ? carried : { code: 'database-away' };
}

const isProblem = (value: unknown): value is Problem =>
  typeof value === 'object' && value !== null && typeof (value as Problem).code === 'string';

export const sentenceOf = (error: unknown): string => problemSentence(problemOf(error));
