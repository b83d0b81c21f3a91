import { conductorsOf, deviceTitle } from '../../devices/index.ts';
import type { Device, ProjectDocument, Run } from '../../model/index.ts';
import { type PlannedRun, speakerSplitOf, type SpeakerSplit } from '../../runs/index.ts';
import { labelFit, type LabelFit } from './fit.ts';
import { labelCode } from './label-code.ts';

/** One printed label. End R is at the rack (or the far device of a jumper), D at the device. */
export interface CableLabel {
  readonly runId: string;
  readonly number: string;
  readonly end: 'R' | 'D';
  readonly code: string;
  /** Where this end is, where the other is, and what the cable is. */
  readonly here: string;
  readonly there: string;
  readonly cable: string;
  readonly cutLengthM: number | null;
  /** What each conductor is used for, on one line; empty where that is not said. */
  readonly conductors: string;
  /** Name of its conductor map; empty where it has none. */
  readonly map: string;
  /** How long a label must be on this cable. */
  readonly fit: LabelFit;
}

/** More conductors than this are named by their map: they would not be read on a label. */
const MAX_ON_LABEL = 4;

/** Words on labels; a split of conductors has places for `{{here}}`, `{{onward}}` and `{{number}}`. */
export interface LabelWords {
  readonly outdoors: string;
  readonly fittingMarks?: Readonly<Record<string, string>>;
  /** What stands on the ends of a lead that works in one direction only. */
  readonly oneWay?: { readonly source: string; readonly display: string };
  readonly speakerSplits?: Readonly<Record<SpeakerSplit['kind'], string>>;
}

/** Two labels for each run, far end (the rack, or the device that it goes on to) first. */
export function labelsOf(project: ProjectDocument, runs: readonly PlannedRun[], words: LabelWords): CableLabel[] {
  const placeOf = (device: Device) => {
    const room = device.roomId === null ? words.outdoors : project.rooms[device.roomId].name;
    const mark = device.fitting === 'fitted' ? undefined : words.fittingMarks?.[device.fitting];
    return `${room} · ${deviceTitle(device, project.deviceTypes[device.typeId])}${mark ? ` (${mark})` : ''}`;
  };
  return runs.flatMap(({ run, device, length }) => {
    const place = placeOf(device);
    const far = run.toDeviceId === null ? undefined : project.devices[run.toDeviceId];
    const rack = far ? placeOf(far) : project.racks[run.rackId].name;
    const map = run.mapId === null ? undefined : project.conductorMaps[run.mapId];
    const split = words.speakerSplits ? speakerSplitOf(project, run) : null;
    const common = {
      runId: run.id,
      number: run.number,
      code: labelCode({ shortId: project.project.shortId, number: run.number }),
      cable: project.cableTypes[run.cableTypeId].name,
      cutLengthM: run.foundId === null ? (length?.cutLengthM ?? null) : null,
      map: map?.name ?? '',
      fit: labelFit(project.cableTypes[run.cableTypeId].outsideDiameterM),
      conductors: split
        ? splitText(split, words.speakerSplits)
        : !map
          ? ''
          : map.lines.length > MAX_ON_LABEL
            ? map.name
            : conductorsOf(map),
    };
    const ends = oneWayEnds(project, run);
    const said = (isSource: boolean) =>
      ends && words.oneWay ? { conductors: isSource ? words.oneWay.source : words.oneWay.display } : {};
    return [
      { ...common, ...said(ends?.source === 'far'), end: 'R' as const, here: rack, there: place },
      { ...common, ...said(ends?.source === 'device'), end: 'D' as const, here: place, there: rack },
    ];
  });
}

const splitText = (split: SpeakerSplit, words: LabelWords['speakerSplits']): string =>
  words![split.kind].replace('{{here}}', split.here).replace('{{onward}}', split.onward).replace('{{number}}', split.number);

/**
 * At which end an active optical lead has its source: it works in one direction only. At the device where that gives video on to another
 * one, else at the far end; null for every other cable.
 */
export function oneWayEnds(project: ProjectDocument, run: Run): { readonly source: 'device' | 'far' } | null {
  const { family, material } = project.cableTypes[run.cableTypeId];
  if (family !== 'hdmi' || material !== 'fibre') return null;
  const takesVideo = ({ typeId }: Device) =>
    project.deviceTypes[typeId].ports.some(({ name, direction }) => name === 'picture' && direction === 'in');
  const far = run.toDeviceId === null ? undefined : project.devices[run.toDeviceId];
  // A game place takes video and gives it on: towards a display it is the source.
  return { source: far && takesVideo(far) && project.deviceTypes[far.typeId].answers === 'display' ? 'device' : 'far' };
}
