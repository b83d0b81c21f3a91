import { create, type Operation, type ProjectDocument, remove } from '@dusky-spool/core/model';

/** Puts devices into a group; takes them out where all of them are in it. */
export function toggleGroup(
  project: ProjectDocument,
  {
    groupId,
    deviceIds,
    newId,
  }: { readonly groupId: string; readonly deviceIds: readonly string[]; readonly newId: () => string },
): Operation[] {
  const own = Object.values(project.groupMembers).filter(
    (member) => member.groupId === groupId && deviceIds.includes(member.deviceId),
  );
  if (own.length === deviceIds.length) return own.map((member) => remove('groupMembers', member));
  return deviceIds
    .filter((deviceId) => !own.some((member) => member.deviceId === deviceId))
    .map((deviceId) => create('groupMembers', { id: newId(), groupId, deviceId }));
}
