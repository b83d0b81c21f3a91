import type { Device, DeviceType, ProjectDocument } from '../../model/index.ts';
import { OUTDOORS_CODE } from '../../runs/index.ts';

/** A device as people call it: its kind, and its own name where it has one: `Ceiling speaker, left`. */
export const deviceTitle = (device: Pick<Device, 'name'>, type: Pick<DeviceType, 'name'>): string =>
  device.name === '' ? type.name : `${type.name}, ${device.name}`;

/** `KT-02`: the room and the number of a device in it. */
export const deviceNumber = (project: ProjectDocument, { roomId, number }: Device): string =>
  `${roomId === null ? OUTDOORS_CODE : project.rooms[roomId].code}-${String(number).padStart(2, '0')}`;
