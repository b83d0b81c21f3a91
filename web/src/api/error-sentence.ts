import type { Problem } from '@dusky-spool/core/outcome';
import { problemSentence } from '@dusky-spool/texts';
import { Refused } from './http.ts';

/** What a failed request comes to: the reason of the server, or that it could not be reached. */
export const problemOf = (error: unknown): Problem => (error instanceof Refused ? error.problem : { code: 'database-away' });

export const sentenceOf = (error: unknown): string => problemSentence(problemOf(error));
