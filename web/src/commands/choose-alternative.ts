import type { Feature, Operation, ProjectDocument } from '@dusky-spool/core/model';
import { changeRecord } from './change-record.ts';

/** Of several things that stand for one choice, this one is to be built. */
export const chooseAlternative = (project: ProjectDocument, { id, choiceOf }: Feature): Operation[] =>
  Object.values(project.features)
    .filter((one) => one.choiceOf === choiceOf)
    .flatMap((one) => changeRecord('features', one, { chosen: one.id === id }));
