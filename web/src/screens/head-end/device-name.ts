import { deviceTitle } from '@dusky-spool/core/devices';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';

/** A device as people call it. */
export function deviceName(project: ProjectDocument, deviceId: string): string {
  const device = project.devices[deviceId];
  return device ? deviceTitle(device, project.deviceTypes[device.typeId]) : '';
}

/** A room or an outdoor area by its name. */
export const placeName = ({ rooms, features }: ProjectDocument, placeId: string | null): string =>
  rooms[placeId ?? '']?.name || features[placeId ?? '']?.name || text('headEnd.outdoors');
