import { deviceTitle, tapePlaceOf } from '@dusky-spool/core/devices';
import type { InspectionLine } from '@dusky-spool/core/field';
import { formatLength } from '@dusky-spool/core/math';
import { type InspectionItem, PIERCED, type ProjectDocument } from '@dusky-spool/core/model';
import { placeText } from '@dusky-spool/core/sheets';
import { placeWords } from '@dusky-spool/texts';
import { term, text } from '../../ground/text.ts';

type Subject = Pick<InspectionItem, 'subject' | 'subjectId'>;

/** What is inspected, as people call it. */
export function subjectName(project: ProjectDocument, { subject, subjectId }: Subject): string {
  if (subject === 'devices') {
    const device = project.devices[subjectId];
    return device ? deviceTitle(device, project.deviceTypes[device.typeId]) : text('site.gone');
  }
  if (subject === 'penetrations') return text('site.penetration', { member: memberName(subjectId) });
  if (subject === 'features') {
    const feature = project.features[subjectId];
    return feature ? feature.name || term(`features.${feature.kind}`) : text('site.gone');
  }
  if (subject === 'rooms') return project.rooms[subjectId]?.name ?? text('site.gone');
  return subject === 'runs' ? (project.runs[subjectId]?.number ?? text('site.gone')) : text('site.wall');
}

/** What is pierced, from the key of the place: `board:1.20:0.05:0.30`. */
function memberName(key: string): string {
  const member = PIERCED.find((one) => one === key.split(':')[0]);
  return member ? term(`members.${member}`) : '';
}

/** Where it is, as a tape finds it. */
export function subjectPlace(project: ProjectDocument, { subject, subjectId, heightM }: InspectionLine): string {
  const { units } = project.project;
  const device = subject === 'devices' ? project.devices[subjectId] : undefined;
  const place = device ? placeText(project, tapePlaceOf(project, device), placeWords) : '';
  const height = heightM === null ? text('site.ceiling') : text('site.height', { height: formatLength(heightM, units) });
  return [place, height].filter((words) => words !== '').join(' · ');
}
