import { ceilingHeightOf } from '../house/index.ts';
import { polygonArea } from '../math/index.ts';
import { HEIGHT_KIND_OF } from '../calculators/index.ts';
import type { CableType, DeviceType, ProjectDocument, Room, SystemName } from '../model/index.ts';
import type { PlannedRun } from './plan-runs.ts';

type Known = Readonly<Record<string, unknown>>;

/** Where a temperature is that of a room; elsewhere it is that of the cavity. */
const IN_A_ROOM: ReadonlySet<string> = new Set(['standby-battery', 'speaker-delays']);
/** Calculators whose length is that of a cable. Of others it is a conduit, a strip, a room, a roll. */
const OF_A_CABLE: ReadonlySet<string> = new Set([
  'speaker-cable-loss',
  'speaker-cable-gauge',
  'speaker-damping',
  'constant-voltage',
  'dc-drop',
  'dc-power',
  'led-channels',
  'data-link',
  'poe-link',
  'picture-reach',
  'coax-loss',
  'lnb-drop',
  'contact-loop',
  'cable-supports',
]);
const DC: ReadonlySet<string> = new Set(['dc-drop', 'dc-power', 'dc-chain']);
const OF_A_ROOM: ReadonlySet<string> = new Set(['ceiling-coverage', 'room-mode', 'modal-response']);

/**
 * What a project, and a run where one is chosen, know of the fields of a calculator: only what means the same there. Lengths in m,
 * temperatures in degrees C. `fields` are the names of its inputs.
 */
export function filledIn(
  document: ProjectDocument,
  planned: PlannedRun | undefined,
  name: string,
  fields: Readonly<Record<string, unknown>>,
): Record<string, unknown> {
  const { project } = document;
  const known: Known = {
    jurisdiction: project.jurisdiction,
    units: project.units,
    construction: project.construction === 'new-framing' ? 'new' : 'retrofit',
    ...(IN_A_ROOM.has(name) ? {} : { temperatureC: project.ambientC }),
    ...(planned ? ofRun(document, planned, name) : {}),
  };
  return Object.fromEntries(
    Object.entries(known).flatMap(([field, value]) => (Object.hasOwn(fields, field) ? [[field, plain(value)]] : [])),
  );
}

/** A figure as a person would write it, without float noise. */
function plain(value: unknown): unknown {
  if (typeof value === 'number') return Number(value.toPrecision(12));
  return Array.isArray(value) ? value.map(plain) : value;
}

function ofRun(document: ProjectDocument, planned: PlannedRun, name: string): Known {
  const { device, length } = planned;
  const cable = document.cableTypes[planned.run.cableTypeId];
  const type = document.deviceTypes[device.typeId];
  const room = device.roomId === null ? undefined : document.rooms[device.roomId];
  return {
    ...ofCable(cable, type, name),
    ...ofType(type, name),
    ...(length
      ? {
          ...(OF_A_CABLE.has(name) ? { lengthM: length.cutLengthM } : {}),
          riseM: length.riseM,
          runM: length.runM,
          dropM: length.dropM,
          deviceSlackM: length.deviceSlackM,
          rackSlackM: length.rackSlackM,
        }
      : {}),
    ...(room ? ofRoom(document, room, name) : {}),
    ...(name === 'device-height' && HEIGHT_KIND_OF[type.id]
      ? { kind: HEIGHT_KIND_OF[type.id], ...(device.heightM === null ? {} : { heightM: device.heightM }) }
      : {}),
  };
}

const USE_OF: Readonly<Partial<Record<SystemName, string>>> = {
  sound: 'speaker',
  data: 'data',
  guard: 'security',
  light: 'lighting',
};

function ofCable(cable: CableType, type: DeviceType, name: string): Known {
  const category = /^cat(5e|6a?)/.exec(cable.id)?.[1];
  const coax = /^rg(?:59|6|11)(?![0-9])/.exec(cable.id)?.[0];
  const use = type.poeClass !== null && category ? 'poe' : (USE_OF[cable.system] ?? 'power');
  const mayBe =
    cable.material === 'copper' || cable.material === 'cca' || (name === 'conductor-material' && cable.material === 'ccs');
  return {
    outsideM: cable.outsideDiameterM,
    diametersM: [cable.outsideDiameterM],
    ...(cable.gaugeAwg === null || (name === 'bonding-conductor' && !cable.id.startsWith('bond'))
      ? {}
      : { gaugeAwg: cable.gaugeAwg, conductors: cable.conductors }),
    stranded: cable.stranded,
    ...(mayBe ? { material: cable.material } : {}),
    ...(name === 'conductor-material' || DC.has(name) ? { use } : {}),
    ...(category ? { category, fourPair: true } : {}),
    ...(name === 'coax-loss' && coax ? { kind: coax } : {}),
    ...(name === 'bend-radius' ? { kind: bendKindOf(cable, category !== undefined, coax !== undefined) } : {}),
  };
}

function bendKindOf(cable: CableType, isCategory: boolean, isCoax: boolean): string {
  if (cable.material === 'fibre') return 'fibre';
  return isCategory ? 'cat' : isCoax ? 'coax' : cable.system === 'sound' ? 'speaker' : 'control';
}

function ofType(type: DeviceType, name: string): Known {
  const { impedanceOhm, soundUse, poeClass, dcV, dcW, weightKg, sensitivityDb } = type;
  return {
    ...(impedanceOhm === null ? {} : { loadOhm: impedanceOhm, impedanceOhm, loadsOhm: [impedanceOhm] }),
    ...(name === 'speaker-cable-gauge' && soundUse !== null ? { use: soundUse } : {}),
    ...(poeClass === null ? {} : { poeClass }),
    ...(DC.has(name) && dcV !== null && dcW !== null ? { supplyV: dcV, powerW: dcW, currentA: dcW / dcV } : {}),
    ...(weightKg > 0 ? { massKg: weightKg } : {}),
    ...(sensitivityDb === null ? {} : { sensitivityDb }),
  };
}

/** The box of a room about its outline, its ceiling and its joists. */
function ofRoom(document: ProjectDocument, room: Room, name: string): Known {
  const level = document.levels[room.levelId];
  const ceilingM = ceilingHeightOf(room, level);
  const [xs, ys] = [room.polygon.map(([x]) => x), room.polygon.map(([, y]) => y)];
  const sides = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)].sort((a, b) => b - a);
  const rounded = (value: number) => Math.round(value * 1000) / 1000;
  return {
    ceilingM,
    ...(OF_A_ROOM.has(name) ? { lengthM: rounded(sides[0]), widthM: rounded(sides[1]) } : {}),
    ...(name === 'room-mode' || name === 'modal-response' ? { heightM: ceilingM } : {}),
    ...(name === 'room-light' ? { areaM2: rounded(Math.abs(polygonArea(room.polygon))) } : {}),
    ...(name === 'notch-limit' && room.framing === 'solid' ? { depthM: room.joistDepthM } : {}),
  };
}
