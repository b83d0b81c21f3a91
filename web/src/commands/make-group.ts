import { create, type Group, type Operation } from '@dusky-spool/core/model';

/** A group or zone with its devices. */
export const makeGroup = (
  group: Group,
  { deviceIds, newId }: { readonly deviceIds: readonly string[]; readonly newId: () => string },
): Operation[] => [
  create('groups', group),
  ...deviceIds.map((deviceId) => create('groupMembers', { id: newId(), groupId: group.id, deviceId })),
];
