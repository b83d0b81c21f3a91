import type { DerivedFinding } from '@dusky-spool/core/deltas';
import type { ProjectDocument } from '@dusky-spool/core/model';

type About = Pick<DerivedFinding, 'subjects'>;

/** The room that a finding is in; empty where it is in none or in several. */
export function roomOf(project: ProjectDocument, { subjects }: About): string {
  for (const { in: list, id } of subjects) {
    if (list === 'rooms') return id;
    const deviceId = list === 'runs' ? project.runs[id]?.deviceId : list === 'devices' ? id : undefined;
    const roomId = deviceId === undefined ? null : (project.devices[deviceId]?.roomId ?? null);
    if (roomId !== null) return roomId;
  }
  return '';
}

/** The system that a finding is of; empty where it is of the house itself. */
export function systemOf(project: ProjectDocument, { subjects }: About): string {
  for (const { in: list, id } of subjects) {
    if (list === 'runs') return project.cableTypes[project.runs[id]?.cableTypeId ?? '']?.system ?? '';
    if (list === 'devices') return project.deviceTypes[project.devices[id]?.typeId ?? '']?.system ?? '';
  }
  return '';
}
