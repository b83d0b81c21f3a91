import { onLevel } from '@dusky-spool/core/derive';
import { GROUP_KINDS, type GroupKind, type ProjectDocument, type SystemName } from '@dusky-spool/core/model';
import { SYSTEM_STYLE } from '../../ui/systems.ts';

/** Kinds of zones that the project has. */
export const zoneKindsOf = (project: ProjectDocument): GroupKind[] =>
  GROUP_KINDS.filter((kind) => Object.values(project.groups).some((group) => group.kind === kind));

/** Systems that have devices on a level, in the order of the legend. */
export function systemsOnLevel(project: ProjectDocument, levelId: string): SystemName[] {
  const found = new Set(onLevel(project, 'devices', levelId).map(({ typeId }) => project.deviceTypes[typeId].system));
  return (Object.keys(SYSTEM_STYLE) as SystemName[]).filter((system) => found.has(system));
}
