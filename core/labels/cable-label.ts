import { deviceTitle } from '../devices/index.ts';
import type { ProjectDocument } from '../project/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { labelCode } from './label-code.ts';

/** One printed label. End A is at the rack, B at the device (ENGINEERING 16.3). */
export interface CableLabel {
  readonly runId: string;
  readonly number: string;
  readonly end: 'A' | 'B';
  readonly code: string;
  /** Where this end is, where the other is, and what the cable is. */
  readonly here: string;
  readonly there: string;
  readonly cable: string;
  readonly cutLengthM: number | null;
}

/** Two labels for each run, rack end first. */
export function labelsOf(
  document: ProjectDocument,
  runs: readonly PlannedRun[],
  words: { readonly outdoors: string },
): CableLabel[] {
  return runs.flatMap(({ run, device, length }) => {
    const room = device.roomId === null ? words.outdoors : document.rooms[device.roomId].name;
    const place = `${room} · ${deviceTitle(device, document.deviceTypes[device.typeId])}`;
    const rack = document.racks[run.rackId].name;
    const common = {
      runId: run.id,
      number: run.number,
      code: labelCode({ shortId: document.project.shortId, number: run.number }),
      cable: document.cableTypes[run.cableTypeId].name,
      cutLengthM: length?.cutLengthM ?? null,
    };
    return [
      { ...common, end: 'A' as const, here: rack, there: place },
      { ...common, end: 'B' as const, here: place, there: rack },
    ];
  });
}
