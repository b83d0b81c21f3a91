import type { NewId } from '@dusky-spool/core/survey';
import { newRecordId } from '../../state/project.ts';

/** Ids for walls, rooms and openings that an edit makes. */
export const newSurveyId: NewId = (kind) => newRecordId(kind[0]);
