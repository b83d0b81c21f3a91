import { type Calculator, HEIGHT_KIND_OF, type ProjectFact, routedLength } from '../calculators/index.ts';
import { ceilingHeightOf } from '../house/index.ts';
import { polygonArea } from '../math/index.ts';
import {
  type CableType,
  type Device,
  type DeviceType,
  isMetallic,
  type ProjectDocument,
  type Room,
  type SystemName,
} from '../model/index.ts';
import type { PlannedRun } from './plan-runs.ts';

type Known = Readonly<Record<string, unknown>>;
/** Facts that a calculator asks for by name. */
type Asked = Readonly<Partial<Record<ProjectFact, unknown>>>;

/**
 * What a project, and a run where one is chosen, know of the fields of a calculator: a field takes the fact that the calculator names for
 * it (`from`), else the one of its own name. Lengths in m, temperatures in degrees C. `fields` are the names of its inputs.
 */
export function filledIn(
  project: ProjectDocument,
  planned: PlannedRun | undefined,
  { from }: Pick<Calculator, 'from'>,
  fields: Readonly<Record<string, unknown>>,
): Record<string, unknown> {
  const header = project.project;
  const ofRun = planned ? factsOfRun(project, planned) : { known: {}, asked: {} };
  const known: Known = {
    jurisdiction: header.jurisdiction,
    units: header.units,
    construction: header.construction === 'new-framing' ? 'new' : 'retrofit',
    temperatureC: header.ambientC,
    ...ofRun.known,
  };
  return Object.fromEntries(
    Object.keys(fields).flatMap((field) => {
      const fact = from[field];
      const value = fact === undefined ? known[field] : fact === null ? undefined : (ofRun.asked[fact] ?? undefined);
      return value === undefined ? [] : [[field, plain(value)]];
    }),
  );
}

/** A figure as a person would write it, without float noise. */
function plain(value: unknown): unknown {
  if (typeof value === 'number') return Number(value.toPrecision(12));
  return Array.isArray(value) ? value.map(plain) : value;
}

function factsOfRun(project: ProjectDocument, planned: PlannedRun): { readonly known: Known; readonly asked: Asked } {
  const { device, length } = planned;
  const cable = project.cableTypes[planned.run.cableTypeId];
  const type = project.deviceTypes[device.typeId];
  const room = device.roomId === null ? undefined : project.rooms[device.roomId];
  const { riseM, runM, dropM, deviceSlackM, rackSlackM, cutLengthM } = length ?? {};
  const routedLengthM = length ? routedLength(length) : undefined;
  return {
    known: {
      ...knownOfCable(cable),
      ...knownOfType(type),
      ...(room ? { ceilingM: ceilingHeightOf(room, project.levels[room.levelId]) } : {}),
      ...{ riseM, runM, dropM, deviceSlackM, rackSlackM },
    },
    asked: {
      cutLengthM,
      routedLengthM,
      ...askedOfCable(cable, type),
      ...askedOfDevice(device, type),
      ...(room ? askedOfRoom(project, room) : {}),
    },
  };
}

const categoryOf = (cable: CableType): string | undefined => /^cat(5e|6a?)/.exec(cable.id)?.[1];
const coaxOf = (cable: CableType): string | undefined => /^rg(?:59|6|11)(?![0-9])/.exec(cable.id)?.[0];

function knownOfCable(cable: CableType): Known {
  const category = categoryOf(cable);
  return {
    outsideM: cable.outsideDiameterM,
    diametersM: [cable.outsideDiameterM],
    ...(cable.gaugeAwg === null ? {} : { gaugeAwg: cable.gaugeAwg, conductors: cable.conductors }),
    stranded: cable.stranded,
    ...(cable.material === 'copper' || cable.material === 'cca' ? { material: cable.material } : {}),
    ...(category ? { category, fourPair: true } : {}),
  };
}

const USE_OF: Readonly<Partial<Record<SystemName, string>>> = {
  sound: 'speaker',
  data: 'data',
  guard: 'security',
  light: 'lighting',
};

function askedOfCable(cable: CableType, type: DeviceType): Asked {
  const [category, coax] = [categoryOf(cable), coaxOf(cable)];
  const isConductor = isMetallic(cable);
  return {
    conductorUse: type.poeClass !== null && category ? 'poe' : (USE_OF[cable.system] ?? 'power'),
    coaxKind: coax,
    bendKind: bendKindOf(cable, category !== undefined, coax !== undefined),
    ...(isConductor ? { anyMaterial: cable.material } : {}),
    ...(cable.id.startsWith('bond') ? { bondGaugeAwg: cable.gaugeAwg } : {}),
  };
}

function bendKindOf(cable: CableType, isCategory: boolean, isCoax: boolean): string {
  if (cable.material === 'fibre') return 'fibre';
  return isCategory ? 'cat' : isCoax ? 'coax' : cable.system === 'sound' ? 'speaker' : 'control';
}

function knownOfType(type: DeviceType): Known {
  const { impedanceOhm, poeClass, weightKg, sensitivityDb } = type;
  return {
    ...(impedanceOhm === null ? {} : { loadOhm: impedanceOhm, impedanceOhm, loadsOhm: [impedanceOhm] }),
    ...(poeClass === null ? {} : { poeClass }),
    ...(weightKg > 0 ? { massKg: weightKg } : {}),
    ...(sensitivityDb === null ? {} : { sensitivityDb }),
  };
}

function askedOfDevice(device: Device, { id, dcV, dcW }: DeviceType): Asked {
  const heightKind = HEIGHT_KIND_OF[id];
  return {
    ...(dcV !== null && dcW !== null ? { deviceV: dcV, deviceW: dcW, deviceA: dcW / dcV } : {}),
    ...(heightKind ? { heightKind, deviceHeightM: device.heightM } : {}),
  };
}

/** The box of a room about its outline, its ceiling and its joists. */
function askedOfRoom(project: ProjectDocument, room: Room): Asked {
  const [xs, ys] = [room.polygon.map(([x]) => x), room.polygon.map(([, y]) => y)];
  const sides = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)].sort((a, b) => b - a);
  const rounded = (value: number) => Math.round(value * 1000) / 1000;
  return {
    ceilingM: ceilingHeightOf(room, project.levels[room.levelId]),
    roomLengthM: rounded(sides[0]),
    roomWidthM: rounded(sides[1]),
    roomAreaM2: rounded(Math.abs(polygonArea(room.polygon))),
    ...(room.framing === 'solid' ? { solidJoistM: room.joistDepthM } : {}),
  };
}
