import type { BriefCell, BriefTopic, Device, Operation, ProjectDocument } from '../model/index.ts';
import { derivationsOf, grouped, listOf } from '../derive/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { answerCells, cellOf } from './cells.ts';
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
}

/** Diagonal of a display of 16:9 by its width (ENGINEERING 9.1), m. */
const DIAGONAL_OF_WIDTH = Math.sqrt(1 + (9 / 16) ** 2);
/** Longest channel that is assured to carry 10 Gbit/s over category 6 (ENGINEERING 3.1), m. */
const TEN_GIGABIT_CATEGORY_6_M = 37;
const CHANNEL_M = 100;

/** The devices in a room that answer a cell: those of its type, or any that can. */
export function answeringDevices(project: ProjectDocument, cell: BriefCell): Device[] {
  return devicesIn(project, cell.roomId).filter((device) => {
    const type = project.deviceTypes[device.typeId];
    return cell.typeId === null ? type.answers === cell.topic : type.id === cell.typeId;
  });
}

const DEVICES_BY_ROOM = grouped('devices by room', 'devices', ({ roomId }) => roomId);

const devicesIn = (project: ProjectDocument, roomId: string): readonly Device[] =>
  derivationsOf(project).get(DEVICES_BY_ROOM).byKey.get(roomId) ?? [];

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
    const missing = Math.max(0, cell.count - devices.length);
    const reached = devices.length === 0 ? null : reach(project, cell, devices, runsByDevice);
    const short = cell.threshold !== null && reached !== null && reached < cell.threshold * (1 - 1e-9);
    return [{ cell, unit: TOPIC_RULES[cell.topic].unit, devices, missing, reached, holds: missing === 0 && !short }];
  });
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
  readonly roomId: string;
  readonly topic: BriefTopic;
  readonly count: number;
  /** Where all of them are of one type. */
  readonly typeId: string | null;
}

/** What the plan answers already where nobody has answered: room by room, topic by topic. */
export function proposedAnswers(project: ProjectDocument): ProposedAnswer[] {
  return listOf(project, 'rooms').flatMap((room) => {
    const byTopic = new Map<BriefTopic, Device[]>();
    for (const device of devicesIn(project, room.id)) {
      const topic = project.deviceTypes[device.typeId]?.answers;
      if (topic && !cellOf(project, room.id, topic)) byTopic.set(topic, [...(byTopic.get(topic) ?? []), device]);
    }
    return [...byTopic].map(([topic, devices]): ProposedAnswer => {
      const types = new Set(devices.map(({ typeId }) => typeId));
      return { roomId: room.id, topic, count: Math.min(99, devices.length), typeId: types.size === 1 ? [...types][0] : null };
    });
  });
}

/** Takes proposals into the brief: wanted, as many as there are. A room that was signed is signed no longer. */
export const acceptAnswers = (project: ProjectDocument, proposals: readonly ProposedAnswer[], newId: () => string): Operation[] =>
  answerCells(
    project,
    proposals.map(({ roomId, topic, count, typeId }) => ({ roomId, topic, answer: 'wanted', given: { count, typeId } })),
    newId,
  );

/** Devices that an answer asks for and that are not on the plan yet. */
export interface WantedDevice {
  readonly cell: BriefCell;
  readonly typeId: string;
  readonly missing: number;
}

/** What is to be placed by the brief, room by room: of the type that was chosen, else of the usual one that the library has. */
export const wantedDevices = (project: ProjectDocument): WantedDevice[] =>
  listOf(project, 'briefCells').flatMap((cell) => {
    if (cell.answer !== 'wanted' && cell.answer !== 'prepared') return [];
    const missing = cell.count - answeringDevices(project, cell).length;
    const typeId = cell.typeId ?? typesFor(project, cell.topic)[0]?.id;
    return missing > 0 && typeId !== undefined && project.deviceTypes[typeId] ? [{ cell, typeId, missing }] : [];
  });
