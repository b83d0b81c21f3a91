import { create, type DeviceType, type Operation, type ProjectDocument } from '@dusky-spool/core/model';
import { changeRecord } from './change-record.ts';

/**
 * Takes types of the firm's library over into the project. Recipes are taken over with their runs, one type at a time, where their effect
 * is shown, so those of the project stay.
 */
export const takeTypes = (project: ProjectDocument, types: readonly DeviceType[]): Operation[] =>
  types.flatMap((type) => {
    const own = project.deviceTypes[type.id];
    return own ? changeRecord('deviceTypes', own, { ...type, cables: own.cables }) : [create('deviceTypes', type)];
  });
