import type { Device, DeviceType, ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** Devices of a group, or on one cable, belong to control families that work together. */
export const familiesAgree = defineCheck({
  id: 'families-agree',
  title: 'Devices that are controlled together belong to one control family',
  source: 'Trade practice: a bus of one maker does not speak to that of another',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes', 'devices', 'groupMembers', 'groups', 'runs'],
  run: ({ project }) => {
    const family = (device: Device | undefined) => (device ? project.deviceTypes[device.typeId].controlFamily : '');
    if (!listOf(project, 'deviceTypes').some(({ controlFamily }) => controlFamily !== '')) return [];
    const byGroup = new Map<string, Device[]>();
    for (const { groupId, deviceId } of listOf(project, 'groupMembers')) {
      const device = project.devices[deviceId];
      if (device && family(device) !== '') byGroup.set(groupId, [...(byGroup.get(groupId) ?? []), device]);
    }
    const inGroups = [...byGroup].flatMap(([groupId, devices]) =>
      mixed(project, devices, project.groups[groupId]?.name ?? '', [{ in: 'groups', id: groupId }]),
    );
    const onCables = listOf(project, 'runs').flatMap((run) => {
      const ends = [project.devices[run.deviceId], run.toDeviceId === null ? undefined : project.devices[run.toDeviceId]];
      const named = ends.filter((device) => device !== undefined && family(device) !== '') as Device[];
      return mixed(project, named, run.number, [{ in: 'runs', id: run.id }]);
    });
    return [...inGroups, ...onCables];
  },
});

function mixed(
  project: ProjectDocument,
  devices: readonly Device[],
  name: string,
  about: RuleFinding['subjects'],
): RuleFinding[] {
  const typeOf = (device: Device): DeviceType => project.deviceTypes[device.typeId];
  const families = [...new Set(devices.map((device) => typeOf(device).controlFamily))].sort();
  if (families.length < 2) return [];
  return [
    say(
      'stop',
      'families-mixed',
      [...devices.map(({ id }) => ({ in: 'devices' as const, id })), ...about],
      { number: '', name, families, devices: [...new Set(devices.map((device) => typeOf(device).name))] },
      { measured: families.length, allowed: 1 },
    ),
  ];
}
