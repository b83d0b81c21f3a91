import type { DerivedFinding } from '@dusky-spool/core/deltas';
import type { ProjectDocument } from '@dusky-spool/core/model';

type About = Pick<DerivedFinding, 'subjects'>;

/** The room that a finding is in; empty where it is in none or in several. */
export function roomOf(document: ProjectDocument, { subjects }: About): string {
  for (const { in: list, id } of subjects) {
    if (list === 'rooms') return id;
    const deviceId = list === 'runs' ? document.runs[id]?.deviceId : list === 'devices' ? id : undefined;
    const roomId = deviceId === undefined ? null : (document.devices[deviceId]?.roomId ?? null);
    if (roomId !== null) return roomId;
  }
  return '';
}

/** The system that a finding is of; empty where it is of the house itself. */
export function systemOf(document: ProjectDocument, { subjects }: About): string {
  for (const { in: list, id } of subjects) {
    if (list === 'runs') return document.cableTypes[document.runs[id]?.cableTypeId ?? '']?.system ?? '';
    if (list === 'devices') return document.deviceTypes[document.devices[id]?.typeId ?? '']?.system ?? '';
  }
  return '';
}
