import { LINK_CLASSES, reachOf } from '../calculators/index.ts';
import { partOf, pickedFrom, whole } from '../derive/index.ts';
import {
  COPY_PROTECTIONS,
  type CopyProtection,
  type Device,
  type DeviceType,
  type Equipment,
  type ProjectDocument,
  type Run,
} from '../model/index.ts';
import { plannedRun } from '../runs/index.ts';
import { type Hop, isNetwork, outputsOf, pathTo, reachedFrom } from './flow.ts';
import { HEAD_END_PARTS, type HeadEndParts } from './parts.ts';
import { portKey } from './ports.ts';
import { SPEAKER_GROUPS, type SpeakerGroup } from './zones.ts';

/** What keeps a source from a display or a group of speakers: the first lead that is missing, seen from the sink. */
export type PathLack =
  /** The display has no lead for pictures to a head end. */
  | 'no-lead'
  /** Its lead ends on no port. */
  | 'not-terminated'
  /** No cord on the port at which its lead ends. */
  | 'no-cord'
  /** No cord on an output of the source. */
  | 'source-open'
  /** Nothing on the input of the amplifier that drives the speakers. */
  | 'input-open'
  /** They stand at head ends without a link between them. */
  | 'other-head-end'
  /** Cords lead on, but to nothing that reaches it. */
  | 'no-way';

/** How a picture gets to a display. */
export type PathMethod = 'direct' | 'matrix' | 'receiver' | 'extender' | 'network' | 'local';

/** A display, or a group of speakers, that should be reached. */
export interface Sink {
  readonly kind: 'display' | 'speakers';
  readonly id: string;
  readonly name: string;
  readonly roomIds: readonly string[];
  readonly runIds: readonly string[];
}

/** Whether a source reaches a sink, how, and what it lacks. */
export interface SignalCell {
  readonly sourceId: string;
  readonly sinkId: string;
  readonly isReached: boolean;
  readonly method: PathMethod | null;
  /** Fastest picture link of the weakest equipment, Gbit/s; null for sound, or where nothing is known. */
  readonly gbps: number | null;
  readonly copyProtection: CopyProtection | null;
  /** Sound of the display comes back over the same path. */
  readonly returnsAudio: boolean;
  readonly path: readonly { readonly equipmentId: string; readonly port: string; readonly runId: string | null }[];
  readonly lack: PathLack | null;
  /** What the lack is about: a run, or equipment with its port. */
  readonly at: { readonly runId: string | null; readonly equipmentId: string | null; readonly port: string | null };
}

/** Sources in a room: furniture or a game point whose lead goes to a display. */
export interface LocalSource {
  readonly deviceId: string;
  readonly sinkId: string;
  readonly runId: string;
}

export interface SignalTable {
  readonly sources: readonly Equipment[];
  readonly sinks: readonly Sink[];
  readonly cells: readonly SignalCell[];
  readonly local: readonly LocalSource[];
}

/** Displays, what they are connected with, and sources in rooms. */
const PICTURED = partOf('devices with pictures', 'devices', ({ typeId }) =>
  /display|projector|connection-box|equipment-place|game-point/.test(typeId),
);

/** Every source against every display and group of speakers. */
export const SIGNAL_TABLE = whole<SignalTable>({
  name: 'signal paths',
  tables: ['cableTypes', 'deviceTypes', 'racks', 'rooms', 'runs'],
  nodes: [HEAD_END_PARTS, PICTURED, SPEAKER_GROUPS],
  make: (read) => {
    const { project } = read;
    return signalTable(
      project,
      read.get(HEAD_END_PARTS),
      read.get(SPEAKER_GROUPS),
      read.rows('runs'),
      pickedFrom(project, PICTURED),
    );
  },
});

const NO_PLACE = { runId: null, equipmentId: null, port: null } as const;

/** What has pictures and gives them on rather than showing them. */
const NO_DISPLAY = /game-point|equipment-place|wide-camera/;
export const takesPicture = ({ id, ports }: DeviceType): boolean =>
  !NO_DISPLAY.test(id) && ports.some(({ connector, direction }) => connector === 'picture plug' && direction === 'in');

function signalTable(
  project: ProjectDocument,
  parts: HeadEndParts,
  groups: readonly SpeakerGroup[],
  runs: readonly Run[],
  devices: readonly Device[],
): SignalTable {
  const sources = parts.equipment.filter(
    ({ kind, ports }) => kind === 'source' && ports.some(({ name }) => name.endsWith(' out')),
  );
  const displays = devices.filter((one) => {
    const type = project.deviceTypes[one.typeId];
    return type !== undefined && takesPicture(type) && one.fitting !== 'spare';
  });
  const runsTo = new Map<string, Run[]>();
  for (const run of runs) runsTo.set(run.deviceId, [...(runsTo.get(run.deviceId) ?? []), run]);
  // A display behind a connection box is reached where its box is.
  const isBehind = ({ id }: Device) =>
    (runsTo.get(id) ?? []).some(({ toDeviceId }) => toDeviceId !== null) &&
    !(runsTo.get(id) ?? []).some((run) => run.toDeviceId === null && carriesPicture(project, run));
  const sinks: Sink[] = [
    ...displays
      .filter((one) => !isBehind(one))
      .map((one): Sink => ({
        ...{
          kind: 'display',
          id: one.id,
          name: [project.rooms[one.roomId ?? '']?.name, one.name || project.deviceTypes[one.typeId].name]
            .filter(Boolean)
            .join(', '),
        },
        roomIds: one.roomId === null ? [] : [one.roomId],
        runIds: (runsTo.get(one.id) ?? [])
          .filter((run) => run.toDeviceId === null && carriesPicture(project, run))
          .map(({ id }) => id),
      })),
    ...groups.map(({ id, name, roomIds, runIds }): Sink => ({ kind: 'speakers', id, name, roomIds, runIds })),
  ];
  const zoneOf = new Map(groups.map(({ id, zone }) => [id, zone]));
  const asked = (source: Equipment, { id }: Sink) => zoneOf.get(id)?.sourceIds.includes(source.id) ?? false;
  const cells = sources.flatMap((source) => {
    const outputs = outputsOf(source);
    const reached = reachedFrom(parts, outputs);
    return sinks
      .filter(({ kind }) => outputs.some(({ group }) => kind === 'speakers' || group.kind === 'video'))
      .flatMap((sink) => {
        const cell = cellOf(project, parts, { source, sink, reached });
        return cell.isReached || asked(source, sink) || isOfOneSystem(project, source, sink) ? [cell] : [];
      });
  });
  const byId = new Map(devices.map((one) => [one.id, one]));
  const shown = new Set(sinks.map(({ id }) => id));
  const local = runs.flatMap(({ id, deviceId, toDeviceId }): LocalSource[] => {
    if (toDeviceId === null) return [];
    const [a, b] = [byId.get(deviceId), byId.get(toDeviceId)];
    if (a && b && shown.has(b.id) && isLocalSource(a) && carriesPicture(project, project.runs[id]))
      return [{ deviceId: a.id, sinkId: b.id, runId: id }];
    if (a && b && shown.has(a.id) && isLocalSource(b)) return [{ deviceId: b.id, sinkId: a.id, runId: id }];
    return [];
  });
  return { sources, sinks, cells, local };
}

/** A room with a cabinet of its own is a system apart: its source serves that room, and the room asks for no other. */
function isOfOneSystem({ racks, runs }: ProjectDocument, { rackId }: Equipment, { runIds }: Sink): boolean {
  const cabinets = new Set(runIds.map((id) => runs[id].rackId).filter((id) => racks[id]?.kind === 'cabinet'));
  return racks[rackId]?.kind === 'cabinet' ? cabinets.has(rackId) : cabinets.size === 0;
}

const isLocalSource = ({ typeId }: Device): boolean => /equipment-place|game-point/.test(typeId);

/** A lead that can carry pictures: a video cable, fiber, or category cable that an extender or the network may use. */
function carriesPicture({ cableTypes }: ProjectDocument, { cableTypeId }: Run): boolean {
  const family = cableTypes[cableTypeId]?.family ?? '';
  return family === 'hdmi' || family === 'fibre' || family === 'cat' || family === 'conduit';
}

interface Asked {
  readonly source: Equipment;
  readonly sink: Sink;
  readonly reached: ReadonlyMap<string, Hop>;
}

function cellOf(project: ProjectDocument, parts: HeadEndParts, asked: Asked): SignalCell {
  const { source, sink, reached } = asked;
  const hops = sink.runIds.flatMap((runId) => {
    const own = parts.terminationOfRun.get(runId);
    const hop = own && reached.get(portKey(own.equipmentId, own.port));
    return hop ? [{ runId, hop }] : [];
  });
  const none = {
    ...{ sourceId: source.id, sinkId: sink.id, method: null, gbps: null, copyProtection: null },
    returnsAudio: false,
    path: [],
  };
  if (sink.kind === 'speakers') {
    const open = sink.runIds.find((runId) => !hops.some((one) => one.runId === runId));
    if (open !== undefined || sink.runIds.length === 0)
      return { ...none, isReached: false, ...lackOf(parts, asked, open === undefined ? [] : [open]) };
    return { ...none, isReached: true, method: null, path: stepsOf(hops[0].hop), lack: null, at: NO_PLACE };
  }
  const found = hops
    .flatMap(({ runId, hop }) => picturePath(project, runId, hop) ?? [])
    .sort((a, b) => (b.gbps ?? 0) - (a.gbps ?? 0))[0];
  if (!found)
    return {
      ...none,
      isReached: false,
      ...lackOf(
        parts,
        asked,
        sink.runIds.filter((id) => project.cableTypes[project.runs[id].cableTypeId].family !== 'conduit'),
      ),
    };
  return { ...none, ...found, isReached: true, lack: null, at: NO_PLACE };
}

const stepsOf = (hop: Hop) => pathTo(hop).map(({ equipmentId, port, runId }) => ({ equipmentId, port, runId }));

/** A way for pictures over a lead: null where a data lead is reached without an extender or encoder. */
function picturePath(project: ProjectDocument, runId: string, hop: Hop) {
  const path = pathTo(hop);
  const on = [...new Set(path.map(({ equipment }) => equipment))];
  const run = project.runs[runId];
  const { family } = project.cableTypes[run.cableTypeId];
  const extender = on.find(({ kind }) => kind === 'extender');
  const isOverNetwork = on.some(isNetwork);
  // A port for data of a source is no picture: it must leave through an extender or an encoder.
  if (family === 'cat' && !extender) return null;
  const method: PathMethod = extender
    ? isOverNetwork
      ? 'network'
      : 'extender'
    : on.some(({ kind }) => kind === 'matrix')
      ? 'matrix'
      : on.some(({ kind }) => kind === 'receiver')
        ? 'receiver'
        : 'direct';
  const passes = on.flatMap(({ picture }) => picture ?? []);
  const gbps = Math.min(...passes.map(({ mostGbps }) => mostGbps));
  const least = Math.min(...passes.map(({ copyProtection }) => COPY_PROTECTIONS.indexOf(copyProtection)));
  const receiver = on.find(({ kind }) => kind === 'receiver');
  return {
    method,
    gbps: Number.isFinite(gbps) ? gbps : null,
    copyProtection: Number.isFinite(least) ? COPY_PROTECTIONS[least] : null,
    returnsAudio:
      !isOverNetwork && receiver?.picture?.returnsAudio === true && (extender ? extender.picture?.returnsAudio === true : true),
    path: stepsOf(hop),
  };
}

/**
 * The fastest class of link that a path carries in planning, with its lead at its length (ENGINEERING 4), Gbit/s; null where it is not
 * known: the lead has no route yet, or its maker says.
 */
export function pathGbps(project: ProjectDocument, { path, method, gbps }: SignalCell): number | null {
  const runId = path[path.length - 1]?.runId;
  const lengthM = runId ? (plannedRun(project, runId).length?.cutLengthM ?? null) : null;
  if (!runId || lengthM === null) return gbps;
  const { family, material } = project.cableTypes[project.runs[runId].cableTypeId];
  const isCopper = family === 'hdmi' && material !== 'fibre';
  const lead = method === 'network' ? 'ip' : family === 'cat' ? 'extender' : isCopper ? 'passive' : 'active-optical';
  const carried = LINK_CLASSES.filter((one) => {
    const far = reachOf(lead, one);
    return far !== null && lengthM <= far * (1 + 1e-9);
  });
  const leadGbps = carried.length === 0 ? 0 : Math.max(...carried.map(Number));
  return gbps === null ? leadGbps : Math.min(gbps, leadGbps);
}

/** What is missing first, seen from the sink. */
function lackOf(
  parts: HeadEndParts,
  { source, sink, reached }: Asked,
  runIds: readonly string[],
): Pick<SignalCell, 'lack' | 'at'> {
  const [first] = runIds;
  if (first === undefined) return { lack: 'no-lead', at: NO_PLACE };
  // The lead that is nearest to being connected.
  const isVideo = (id: string) => Number(parts.needByRun.get(id)?.kind === 'video');
  const ended = runIds.filter((id) => parts.terminationOfRun.has(id)).sort((a, b) => isVideo(b) - isVideo(a));
  if (ended.length === 0) return { lack: 'not-terminated', at: { ...NO_PLACE, runId: first } };
  const outputs = outputsOf(source);
  const isLeading = outputs.some(({ name }) => parts.patchAt.has(portKey(source.id, name)));
  if (!isLeading) return { lack: 'source-open', at: { ...NO_PLACE, equipmentId: source.id, port: outputs[0]?.name ?? null } };
  const runId =
    ended.find((id) => {
      const own = parts.terminationOfRun.get(id)!;
      return parts.patchAt.has(portKey(own.equipmentId, own.port));
    }) ?? ended[0];
  const own = parts.terminationOfRun.get(runId)!;
  const equipment = parts.equipmentById.get(own.equipmentId);
  const place = { runId, equipmentId: own.equipmentId, port: own.port };
  if (sink.kind === 'speakers') {
    const isFed = equipment?.ports.some(
      ({ name, count }) =>
        name.includes('in') &&
        Array.from({ length: count }, (_, k) => portKey(own.equipmentId, `${name} ${k + 1}`)).some(
          (key) => reached.has(key) || parts.patchAt.has(key),
        ),
    );
    if (!isFed) return { lack: 'input-open', at: place };
  } else if (!parts.patchAt.has(portKey(own.equipmentId, own.port))) return { lack: 'no-cord', at: place };
  if (equipment && equipment.rackId !== source.rackId) return { lack: 'other-head-end', at: place };
  return { lack: 'no-way', at: place };
}
