import { routedLength, speakerLoopLoss, wireResistance } from '../calculators/index.ts';
import { derivationsOf, listOf, whole } from '../derive/index.ts';
import { create, type Device, type Equipment, type Operation, type ProjectDocument, type Zone } from '../model/index.ts';
import { plannedRun } from '../runs/index.ts';
import { otherEnd } from './flow.ts';
import { HEAD_END_PARTS, type HeadEndParts } from './parts.ts';
import { inputBehind, portAt } from './ports.ts';
import type { RunNeed } from './needs.ts';
import { type RunLoad, RUN_LOADS } from './run-loads.ts';
import { amplifierLoads } from './uses.ts';

/** Speakers that play the same: a zone of rooms, a room without one, or a theatre. */
export interface SpeakerGroup {
  readonly id: string;
  readonly name: string;
  readonly roomIds: readonly string[];
  readonly runIds: readonly string[];
  readonly isTheatre: boolean;
  readonly zone: Zone | null;
}

/** Every group of speakers of a house, zones first. */
export const SPEAKER_GROUPS = whole<readonly SpeakerGroup[]>({
  name: 'groups of speakers',
  tables: ['features', 'rooms', 'zones'],
  nodes: [HEAD_END_PARTS],
  make: (read) => {
    const { needs } = read.get(HEAD_END_PARTS);
    const { rooms, features } = read.project;
    const nameOf = (placeId: string) => rooms[placeId]?.name ?? features[placeId]?.name ?? '';
    const speakers = needs.filter(({ kind }) => kind === 'speaker');
    const zones = read.rows('zones');
    const inZone = new Set(zones.flatMap(({ placeIds }) => placeIds));
    const group = (
      id: string,
      name: string,
      roomIds: readonly string[],
      own: readonly RunNeed[],
      more: Partial<SpeakerGroup> = {},
    ) => ({
      ...{ id, name, roomIds, runIds: own.map(({ runId }) => runId), isTheatre: false, zone: null },
      ...more,
    });
    const music = speakers.filter(({ isTheatre }) => !isTheatre);
    const others = [...new Set(music.map(({ placeId }) => placeId ?? ''))].filter((placeId) => !inZone.has(placeId));
    const theatres = [...new Set(speakers.filter(({ isTheatre }) => isTheatre).map(({ placeId }) => placeId ?? ''))];
    return [
      ...zones.map((zone) =>
        group(
          `zone:${zone.id}`,
          zone.name,
          zone.placeIds,
          music.filter(({ placeId }) => zone.placeIds.includes(placeId ?? '')),
          { zone },
        ),
      ),
      ...others.map((placeId) =>
        group(
          `place:${placeId}`,
          nameOf(placeId),
          [placeId],
          music.filter((need) => (need.placeId ?? '') === placeId),
        ),
      ),
      ...theatres.map((placeId) =>
        group(
          `theatre:${placeId}`,
          nameOf(placeId),
          [placeId],
          speakers.filter((need) => need.isTheatre && (need.placeId ?? '') === placeId),
          { isTheatre: true },
        ),
      ),
    ].filter(({ zone, runIds }) => zone !== null || runIds.length > 0);
  },
});

/** A channel with what hangs on it. */
export interface ZoneChannel {
  readonly runId: string;
  readonly number: string;
  readonly deviceId: string;
  readonly speakers: number;
  readonly equipmentId: string | null;
  readonly port: string | null;
  /** Load of the channel, through a block too, ohm. */
  readonly loadOhm: number | null;
  readonly leastOhm: number | null;
  /** Power into that load, W; on a constant-voltage line the sum of its taps. */
  readonly watts: number | null;
  /** Where the sound comes from: an output of a matrix or a source; null where nothing is plugged in. */
  readonly input: { readonly equipmentId: string; readonly port: string } | null;
  readonly lengthM: number | null;
  readonly lossDb: number | null;
}

/** What an installer programs a zone from. */
export interface ZoneRow extends SpeakerGroup {
  readonly channels: readonly ZoneChannel[];
  readonly sources: readonly Equipment[];
  /** Keypads, panels and volume controls of its rooms. */
  readonly controls: readonly Device[];
  readonly watts: number;
}

/** Devices with which a zone is set louder, or told what to play. */
const CONTROL_TYPES = /keypad|touch-panel|wall-tablet|volume-control|amplified-control|data-fed-control|push-button/;
const NO_CONTROL = /alarm/;

/** The zone table of a house, with loads, power, loss and inputs channel by channel. */
export function zoneRows(project: ProjectDocument): ZoneRow[] {
  const derived = derivationsOf(project);
  const parts = derived.get(HEAD_END_PARTS);
  const loads = derived.get(RUN_LOADS);
  const devices = listOf(project, 'devices');
  const sources = parts.equipment.filter(({ kind }) => kind === 'source');
  const onChannel = new Map(amplifierLoads(parts.equipment, parts, loads).map((one) => [one.runId, one]));
  return derived.get(SPEAKER_GROUPS).map((group): ZoneRow => {
    const channels = group.runIds.map((runId): ZoneChannel => {
      const need = parts.needByRun.get(runId)!;
      const { length, run } = plannedRun(project, runId);
      const lengthM = length ? routedLength(length) : null;
      const load: RunLoad = loads.get(runId) ?? { ohm: null, speakers: 0 };
      const on = onChannel.get(runId);
      return {
        ...{ runId, number: need.number, deviceId: need.deviceId, speakers: load.speakers, lengthM },
        ...{ equipmentId: on?.equipmentId ?? null, port: on?.port ?? null },
        ...{ loadOhm: on?.loadOhm ?? load.ohm, leastOhm: on?.leastOhm ?? null, watts: on?.watts ?? null },
        input: on ? inputOf(parts, on) : null,
        lossDb: lossOf(project, run.cableTypeId, lengthM, load.ohm),
      };
    });
    return {
      ...{ ...group, channels },
      sources:
        group.zone && group.zone.sourceIds.length > 0 ? sources.filter(({ id }) => group.zone!.sourceIds.includes(id)) : sources,
      controls: devices.filter(
        ({ typeId, roomId, areaId }) =>
          CONTROL_TYPES.test(typeId) && !NO_CONTROL.test(typeId) && group.roomIds.includes(roomId ?? areaId ?? ''),
      ),
      watts: channels.reduce((sum, { watts }) => sum + (watts ?? 0), 0),
    };
  });
}

/** What is plugged into the input of a channel. */
function inputOf(
  parts: HeadEndParts,
  { equipmentId, port }: { readonly equipmentId: string; readonly port: string },
): ZoneChannel['input'] {
  const equipment = parts.equipmentById.get(equipmentId);
  const at = equipment && portAt(equipment, port);
  const input = at ? inputBehind(equipment, at.n) : null;
  return input === null ? null : otherEnd(parts, { equipmentId, port: input });
}

function lossOf(
  { cableTypes, project: { ambientC } }: ProjectDocument,
  cableTypeId: string,
  lengthM: number | null,
  loadOhm: number | null,
) {
  const cable = cableTypes[cableTypeId];
  if (lengthM === null || loadOhm === null || !cable || cable.gaugeAwg === null) return null;
  const material = cable.material === 'cca' ? 'cca' : 'copper';
  const wire = wireResistance({ gaugeAwg: cable.gaugeAwg, stranded: cable.stranded, material, temperatureC: ambientC });
  return wire.ok ? speakerLoopLoss(wire.value.ohmPerKm, lengthM, loadOhm).lossDb : null;
}

/** A zone for every room and outdoor area with speakers for music that is in none yet. */
export function zonesByRoom(project: ProjectDocument, newId: () => string): Operation[] {
  const taken = new Set(listOf(project, 'zones').map(({ name }) => name));
  return derivationsOf(project)
    .get(SPEAKER_GROUPS)
    .filter(({ zone, isTheatre, roomIds: [placeId] }) => zone === null && !isTheatre && placeId !== '')
    .map(({ name, roomIds }) => {
      let own = name;
      for (let n = 2; taken.has(own); n++) own = `${name} #${n}`;
      taken.add(own);
      return create('zones', { id: newId(), name: own, placeIds: [...roomIds], sourceIds: [], modeName: '', volume: 'central' });
    });
}
