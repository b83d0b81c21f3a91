import { attachmentOf } from '../../house/index.ts';
import type { Device, DeviceType, ProjectDocument } from '../../model/index.ts';
import { halfFace } from './on-wall.ts';

type Library = Pick<ProjectDocument, 'deviceTypes'>;
/** What is lighter needs no mount of its own, kg. */
const LIGHT_KG = 1;
/** Holes that a mount or a thing screwed on leaves when it is taken off. */
const SCREW_HOLES = 4;

/** The mount or bracket that a device is planned with. */
export const mountTypeOf = (project: Library, device: Pick<Device, 'mountTypeId'>): DeviceType | null =>
  device.mountTypeId === null ? null : (project.deviceTypes[device.mountTypeId] ?? null);

/** Whether a ring or bracket takes the cut-out of a type. */
export function acceptsCutOut({ accepts }: DeviceType, { cutOut }: DeviceType): boolean {
  if (!accepts || !cutOut || accepts.shape !== cutOut.shape) return false;
  const sideM = Math.max(cutOut.widthM, cutOut.heightM);
  return sideM >= accepts.leastM - 1e-9 && sideM <= accepts.mostM + 1e-9;
}

/** Mounts and brackets of the library that a type can be planned with, the cheapest first; whether they bear it is checked apart. */
export function mountsFor({ deviceTypes }: Library, type: DeviceType): DeviceType[] {
  const overhead = attachmentOf(type) === 'ceiling';
  return Object.values(deviceTypes)
    .filter((part) =>
      part.part === 'bracket'
        ? acceptsCutOut(part, type)
        : part.part === 'mount' && !type.cutOut && type.weightKg > LIGHT_KG && (attachmentOf(part) === 'ceiling') === overhead,
    )
    .sort((a, b) => a.price - b.price || (a.id < b.id ? -1 : 1));
}

/** Device types that a bracket keeps open: whose cut-outs it accepts, the cheapest first. */
export const typesFitting = ({ deviceTypes }: Library, bracket: DeviceType): DeviceType[] =>
  Object.values(deviceTypes)
    .filter((type) => type.part === 'device' && acceptsCutOut(bracket, type))
    .sort((a, b) => a.price - b.price || (a.id < b.id ? -1 : 1));

/** Holes to fill when a device is taken off without trace: its cut-out, or the screws of what holds it. */
export const holesToFill = (type: DeviceType, mount: DeviceType | null): number =>
  type.cutOut || mount?.cutOut ? 1 : type.holePatternM || mount || attachmentOf(type) === 'wall' ? SCREW_HOLES : 0;

/** What is seen of a device square on, m: its face, the hole behind it, and the pattern of its fixings. */
export interface Face {
  readonly widthM: number;
  readonly heightM: number;
  readonly round: boolean;
  readonly cutOut: DeviceType['cutOut'];
  /** Free edge around the cut-out that clamps need. */
  readonly clampM: number;
  readonly holePatternM: DeviceType['holePatternM'];
}

/** The face of a device with the mount that it is planned with; on a ceiling, width lies across its facing. */
export function faceOf(type: DeviceType, mount: DeviceType | null): Face {
  const wall = attachmentOf(type) === 'wall';
  const [halfW, halfH] = halfFace(type);
  const [widthM, heightM] = wall ? [2 * halfW, 2 * halfH] : (type.frameM ?? type.sizeM);
  return {
    widthM,
    heightM: type.round && type.frameM === null ? widthM : heightM,
    round: type.round,
    cutOut: type.cutOut ?? (mount?.part === 'mount' ? mount.cutOut : null),
    clampM: type.cutOut ? type.clampM : (mount?.clampM ?? 0),
    holePatternM: type.cutOut ? null : ((mount?.part === 'mount' ? mount.holePatternM : null) ?? type.holePatternM),
  };
}
