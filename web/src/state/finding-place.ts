import type { Finding } from '@dusky-spool/core/rules';
import type { ProjectDocument } from '@dusky-spool/core/model';

/** The address at which what a finding is about can be seen and put right. */
export function placeOf(projectId: string, project: ProjectDocument, finding: Pick<Finding, 'check' | 'subjects'>): string {
  const [{ in: list, id }] = finding.subjects;
  if (list === 'runs') return `/p/${projectId}/cabling?level=${project.devices[project.runs[id].deviceId].levelId}&sel=run:${id}`;
  if (list === 'decisions') return `/p/${projectId}/brief?view=decisions`;
  if (finding.check === 'brief-met' || finding.check === 'signed-rooms' || finding.check === 'nothing-on-purpose')
    return `/p/${projectId}/brief?room=${id}`;
  if (list === 'devices') return `/p/${projectId}/devices?level=${project.devices[id].levelId}&sel=device:${id}`;
  if (list === 'plates') return `/p/${projectId}/devices?view=plates:${id}`;
  if (list === 'levels') return `/p/${projectId}/survey?level=${id}`;
  const wallId = list === 'openings' ? project.openings[id]?.wallId : id;
  const record = list === 'rooms' ? project.rooms[id] : project.walls[wallId ?? ''];
  return `/p/${projectId}/survey?level=${record?.levelId ?? ''}&sel=${list.replace(/s$/, '')}:${id}`;
}
