import type { Problem } from '@dusky-spool/core/math';
import { Refused } from './http.ts';
import { problemSentence } from '@dusky-spool/texts';

/** What a failed request comes to: the reason of the server, or that it could not be reached. */
export const problemOf = (error: unknown): Problem => (error instanceof Refused ? error.problem : { code: 'database-away' });

export const sentenceOf = (error: unknown): string => problemSentence(problemOf(error));
