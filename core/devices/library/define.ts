import type { DeviceType, Leg, SystemName } from '../../model/index.ts';
import { CABLE_TYPES } from './cables.ts';
import { FAMILY_ENDS } from './conductor-maps.ts';

/** What a type has unless it says otherwise. */
export const TYPE_DEFAULTS = {
  version: 1,
  part: 'device',
  answers: null,
  defaultHeightM: null,
  round: false,
  cutOut: null,
  frameM: null,
  depthM: 0,
  clampM: 0,
  weightKg: 0.5,
  holePatternM: null,
  ports: [],
  poeClass: null,
  dcV: null,
  dcW: null,
  mainsW: null,
  heatW: 0,
  coverageRad: null,
  sensitivityDb: null,
  impedanceOhm: null,
  soundUse: null,
  boxKind: 'none',
  keepClearM: 0,
  lens: null,
  screen: null,
  attitudes: [],
  controlFamily: '',
  link: 'cable',
  accepts: null,
  holds: null,
  tools: '',
  premade: '',
  price: 0,
  hours: 0.2,
  cables: [],
} satisfies Partial<DeviceType>;

const FAMILY_OF = new Map(CABLE_TYPES.map(({ id, family }) => [id, family]));

/** One cable of a recipe with the connectors and conductor map that its family usually has. */
export function leg(cableTypeId: string, purpose: string, slackM: number, more: Partial<Leg> = {}): Leg {
  const [deviceConnector, farConnector, mapId] = FAMILY_ENDS[FAMILY_OF.get(cableTypeId) ?? ''] ?? ['', '', null];
  return {
    cableTypeId,
    purpose,
    slackM,
    to: 'rack',
    toTypeId: null,
    deviceConnector,
    farConnector,
    mapId,
    optional: false,
    ...more,
  };
}

/** A conduit with a pull string, where it is ticked: home, or to a device of a type in reach. */
export const conduit = (cableTypeId: string, purpose: string, toTypeId: string | null = null): Leg =>
  leg(cableTypeId, purpose, 0, { optional: true, ...(toTypeId === null ? {} : { to: 'device', toTypeId }) });

/** What a type says beyond its row. */
export type More = Partial<Omit<DeviceType, 'id' | 'code' | 'name' | 'system' | 'mount' | 'sizeM'>>;

/** A type from its row: sizes in mm, the rest as in the record. */
export function define(
  id: string,
  code: string,
  name: string,
  system: SystemName,
  mount: DeviceType['mount'],
  sizeMm: readonly [number, number],
  more: More = {},
): DeviceType {
  const record: DeviceType = {
    ...TYPE_DEFAULTS,
    id,
    code,
    name,
    system,
    mount,
    sizeM: [sizeMm[0] / 1000, sizeMm[1] / 1000],
    ...more,
  };
  return record;
}

const mm = (value: number) => value / 1000;

/** A round hole by its diameter in mm, with the clamp margin of practice (13 mm) and the depth behind the face. */
export const roundHole = (diameterMm: number, frameMm: number, depthMm: number): More => ({
  cutOut: { shape: 'round', widthM: mm(diameterMm), heightM: mm(diameterMm) },
  frameM: [mm(frameMm), mm(frameMm)],
  depthM: mm(depthMm),
  clampM: 0.013,
});

export const squareHole = (
  [widthMm, heightMm]: readonly [number, number],
  [frameWidthMm, frameHeightMm]: readonly [number, number],
  depthMm: number,
  clampMm = 13,
): More => ({
  cutOut: { shape: 'rectangle', widthM: mm(widthMm), heightM: mm(heightMm) },
  frameM: [mm(frameWidthMm), mm(frameHeightMm)],
  depthM: mm(depthMm),
  clampM: mm(clampMm),
});

/** A wall box: its cut-out and depth by kind (ENGINEERING 8.1). */
export const BOXES = {
  ring: { ...squareHole([57, 95], [72, 116], 0, 5), depthM: 0.045, boxKind: 'open-ring' },
  gang: { ...squareHole([57, 95], [72, 116], 50, 5), boxKind: 'one-gang' },
  deep: { ...squareHole([57, 95], [72, 116], 64, 5), boxKind: 'one-gang-deep' },
  two: { ...squareHole([102, 95], [118, 116], 50, 5), boxKind: 'two-gang' },
  recessed: { ...squareHole([102, 95], [150, 130], 70, 5), boxKind: 'recessed-two-gang' },
  weather: { boxKind: 'weatherproof' },
} as const satisfies Record<string, More>;

export const degrees = (value: number): number => (value * Math.PI) / 180;

export const port = (name: string, connector: string, direction: 'in' | 'out' | 'both'): DeviceType['ports'][number] => ({
  name,
  connector,
  direction,
});
export const NETWORK_PORT = port('network', '8P8C', 'both');
export const SPEAKER_PORT = port('speaker', 'spring posts', 'in');
