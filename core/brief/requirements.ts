import type { BriefCell, BriefTopic, Device, Operation, ProjectDocument, SurroundChannel } from '../model/index.ts';
import { derivationsOf, grouped, listOf, whole } from '../derive/index.ts';
import { AREA_OF_DEVICE, OUTDOOR_DEVICES } from '../house/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { answerCells, cellOf } from './cells.ts';
import { placeIdOf, placesOf } from './places.ts';
import { channelsOf, compareLayout, typeForChannel } from './surround.ts';
import { type ThresholdUnit, TOPIC_RULES, typesFor } from './topics.ts';

/** What an answer asks for, which devices answer it, and how far they do. */
export interface Requirement {
  readonly cell: BriefCell;
  readonly unit: ThresholdUnit | null;
  readonly devices: readonly Device[];
  /** Devices that are asked for and not there. */
  readonly missing: number;
  /** What the plan reaches now, in `unit`; null where only a later stage can say. */
  readonly reached: number | null;
  readonly holds: boolean;
  /** Surround: channels of the layout without a device. */
  readonly openChannels: readonly SurroundChannel[];
}

/** Diagonal of a display of 16:9 by its width (ENGINEERING 9.1), m. */
const DIAGONAL_OF_WIDTH = Math.sqrt(1 + (9 / 16) ** 2);
/** Longest channel that is assured to carry 10 Gbit/s over category 6 (ENGINEERING 3.1), m. */
const TEN_GIGABIT_CATEGORY_6_M = 37;
const CHANNEL_M = 100;

/** The devices in a room or area that answer a cell: those of its type, or any that can. */
export function answeringDevices(project: ProjectDocument, cell: BriefCell): Device[] {
  return devicesIn(project, placeIdOf(cell)).filter((device) => {
    const type = project.deviceTypes[device.typeId];
    return cell.typeId === null ? type.answers === cell.topic : type.id === cell.typeId;
  });
}

const DEVICES_BY_ROOM = grouped('devices by room', 'devices', ({ roomId }) => roomId);

export const DEVICES_BY_AREA = whole<ReadonlyMap<string, readonly Device[]>>({
  name: 'devices by outdoor area',
  nodes: [OUTDOOR_DEVICES, AREA_OF_DEVICE],
  make: (read) => {
    const areaOf = read.get(AREA_OF_DEVICE);
    const byArea = new Map<string, Device[]>();
    for (const device of read.get(OUTDOOR_DEVICES)) {
      const areaId = areaOf.get(device.id);
      if (areaId !== undefined) byArea.set(areaId, [...(byArea.get(areaId) ?? []), device]);
    }
    return byArea;
  },
});

/** The devices in a room or an outdoor area. */
export const devicesIn = (project: ProjectDocument, placeId: string): readonly Device[] =>
  derivationsOf(project).get(DEVICES_BY_ROOM).byKey.get(placeId) ??
  derivationsOf(project).get(DEVICES_BY_AREA).get(placeId) ??
  [];

/** Every answer that asks for something, against the plan. */
export function requirementsOf(project: ProjectDocument, runs: readonly PlannedRun[]): Requirement[] {
  const runsByDevice = new Map<string, PlannedRun[]>();
  for (const planned of runs) {
    const list = runsByDevice.get(planned.device.id);
    if (list) list.push(planned);
    else runsByDevice.set(planned.device.id, [planned]);
  }
  return listOf(project, 'briefCells').flatMap((cell) => {
    if (cell.answer === 'nothing' || cell.answer === 'later') return [];
    const devices = answeringDevices(project, cell);
    if (cell.topic === 'surround' && channelsOf(cell.layout)) return [layoutRequirement(project, cell, devices)];
    const missing = Math.max(0, cell.count - devices.length);
    const reached = devices.length === 0 ? null : reach(project, cell, devices, runsByDevice);
    const short = cell.threshold !== null && reached !== null && reached < cell.threshold * (1 - 1e-9);
    return [
      { cell, unit: TOPIC_RULES[cell.topic].unit, devices, missing, reached, holds: missing === 0 && !short, openChannels: [] },
    ];
  });
}

/** A surround layout, channel by channel. */
function layoutRequirement(project: ProjectDocument, cell: BriefCell, devices: readonly Device[]): Requirement {
  const { channels } = compareLayout(project, cell.layout, devices);
  const openChannels = channels.flatMap(({ channel, device }) => (device === null ? [channel] : []));
  return {
    cell,
    unit: 'channels',
    devices,
    missing: openChannels.length,
    reached: channels.length - openChannels.length,
    holds: openChannels.length === 0,
    openChannels,
  };
}

function reach(
  project: ProjectDocument,
  cell: BriefCell,
  devices: readonly Device[],
  runsByDevice: ReadonlyMap<string, readonly PlannedRun[]>,
): number | null {
  if (cell.topic === 'surround') return devices.length;
  if (cell.topic === 'display') {
    // A projector has no picture of its own: its screen has.
    const widths = devices.flatMap(({ typeId }) => project.deviceTypes[typeId].frameM?.[0] ?? []);
    return widths.length === 0 ? null : Math.min(...widths) * DIAGONAL_OF_WIDTH;
  }
  if (cell.topic === 'charging') return Math.min(...devices.map(({ typeId }) => project.deviceTypes[typeId].mainsW ?? 0));
  if (cell.topic !== 'network') return null;
  const rates = devices.flatMap(({ id }) => (runsByDevice.get(id) ?? []).flatMap((planned) => rateOf(project, planned)));
  return rates.length === 0 ? null : Math.min(...rates);
}

/** What a category run carries at its cut length, Gbit/s: 10 over 6A, and over 6 up to 37 m; 1 to 100 m; else nothing. */
function rateOf(project: ProjectDocument, { run, length }: PlannedRun): number[] {
  const cable = project.cableTypes[run.cableTypeId];
  if (cable.family !== 'cat' || !length) return [];
  if (length.cutLengthM > CHANNEL_M) return [0];
  return [cable.id.startsWith('cat6a') || length.cutLengthM <= TEN_GIGABIT_CATEGORY_6_M ? 10 : 1];
}

/** A device that stands where the brief says that nothing comes on purpose. */
export const againstBrief = (project: ProjectDocument): { readonly cell: BriefCell; readonly devices: readonly Device[] }[] =>
  listOf(project, 'briefCells').flatMap((cell) => {
    if (cell.answer !== 'nothing') return [];
    const devices = answeringDevices(project, cell);
    return devices.length === 0 ? [] : [{ cell, devices }];
  });

/** Devices on the plan that the brief does not know of: the answer that they would be. */
export interface ProposedAnswer {
  readonly placeId: string;
  readonly topic: BriefTopic;
  readonly count: number;
  /** Where all of them are of one type. */
  readonly typeId: string | null;
}

/** What the plan answers already where nobody has answered: room by room and area by area, topic by topic. */
export function proposedAnswers(project: ProjectDocument): ProposedAnswer[] {
  return placesOf(project).flatMap((place) => {
    const byTopic = new Map<BriefTopic, Device[]>();
    for (const device of devicesIn(project, place.id)) {
      const topic = project.deviceTypes[device.typeId]?.answers;
      if (topic && !cellOf(project, place.id, topic)) byTopic.set(topic, [...(byTopic.get(topic) ?? []), device]);
    }
    return [...byTopic].map(([topic, devices]): ProposedAnswer => {
      const types = new Set(devices.map(({ typeId }) => typeId));
      return { placeId: place.id, topic, count: Math.min(99, devices.length), typeId: types.size === 1 ? [...types][0] : null };
    });
  });
}

/** Takes proposals into the brief: wanted, as many as there are. A room that was signed is signed no longer. */
export const acceptAnswers = (project: ProjectDocument, proposals: readonly ProposedAnswer[], newId: () => string): Operation[] =>
  answerCells(
    project,
    proposals.map(({ placeId, topic, count, typeId }) => ({ placeId, topic, answer: 'wanted', given: { count, typeId } })),
    newId,
  );

/** Speakers for the open channels of a layout, type by type. */
function wantedChannels(project: ProjectDocument, cell: BriefCell, devices: readonly Device[]): WantedDevice[] {
  const byType = new Map<string, number>();
  for (const channel of layoutRequirement(project, cell, devices).openChannels) {
    const typeId = typeForChannel(project, channel);
    if (typeId !== null) byType.set(typeId, (byType.get(typeId) ?? 0) + 1);
  }
  return [...byType].map(([typeId, missing]) => ({ cell, typeId, missing }));
}

/** Devices that an answer asks for and that are not on the plan yet. */
export interface WantedDevice {
  readonly cell: BriefCell;
  readonly typeId: string;
  readonly missing: number;
}

/** What is to be placed by the brief, room by room: of the type that was chosen, else of the usual one that the library has. */
export const wantedDevices = (project: ProjectDocument): WantedDevice[] =>
  listOf(project, 'briefCells').flatMap((cell) => {
    const isPreWired = cell.answer === 'prepared' || (cell.answer === 'later' && cell.preWired);
    if (cell.answer !== 'wanted' && !isPreWired) return [];
    const devices = answeringDevices(project, cell);
    if (cell.topic === 'surround' && channelsOf(cell.layout)) return wantedChannels(project, cell, devices);
    const missing = cell.count - devices.length;
    const typeId = cell.typeId ?? typesFor(project, cell.topic)[0]?.id;
    return missing > 0 && typeId !== undefined && project.deviceTypes[typeId] ? [{ cell, typeId, missing }] : [];
  });
