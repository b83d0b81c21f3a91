import { closestOnSegment, distance2, type Point2, tidyM } from '../../math/index.ts';
import { plateDeviceIds } from '../placing/index.ts';
import { heightOf, wallPlaceOf } from '../mounting/index.ts';
import { type Operation, type Plate, type ProjectDocument, update } from '../../model/index.ts';
import { onLevel } from '../../derive/index.ts';
import { isMainsOutlet } from './mains.ts';

/** A box of the electrician on the same wall as a plate. Lengths in m. */
export interface MainsBox {
  readonly name: string;
  readonly kind: 'existing-box' | 'existing-switch-box' | 'trade-mark' | 'device';
  /** Middle to middle, along the wall. */
  readonly distanceM: number;
  /** To the right of the plate as one faces it, rather than to the left. */
  readonly right: boolean;
  readonly heightM: number;
}

/** Farther away nobody sees whether two boxes line up, m. */
const SEEN_TOGETHER_M = 1;
/** At other heights a box is no neighbour: a switch is not lined up with an outlet, m. */
const SAME_ROW_M = 0.3;
const AT_WALL_M = 0.2;
const BOXES: ReadonlySet<string> = new Set(['existing-box', 'existing-switch-box', 'trade-mark']);

/** The electrician's box that a plate is seen together with: the nearest on its wall in the same row; null where there is none. */
export function mainsBoxBeside(
  project: ProjectDocument,
  plate: Plate,
  without: ReadonlySet<string> = new Set(),
): MainsBox | null {
  const wall = wallPlaceOf(project, plate)?.wall;
  if (!wall) return null;
  const [rx, ry] = [-Math.sin(plate.facingRad), Math.cos(plate.facingRad)];
  const found: MainsBox[] = [];
  const take = (name: string, kind: MainsBox['kind'], at: Point2, heightM: number) => {
    const distanceM = distance2(at, [plate.x, plate.y]);
    if (distanceM > SEEN_TOGETHER_M || distanceM < 1e-6 || Math.abs(heightM - plate.heightM) > SAME_ROW_M) return;
    found.push({ name, kind, distanceM, right: (at[0] - plate.x) * rx + (at[1] - plate.y) * ry > 0, heightM });
  };
  for (const feature of onLevel(project, 'features', plate.levelId)) {
    if (!BOXES.has(feature.kind)) continue;
    const at = feature.points[0] as Point2;
    if (closestOnSegment(at, wall.a, wall.b).distanceM > wall.thicknessM / 2 + AT_WALL_M) continue;
    take(feature.name, feature.kind as MainsBox['kind'], at, (feature.bottomM + feature.topM) / 2);
  }
  const own = new Set([...without, ...plateDeviceIds(plate)]);
  for (const device of onLevel(project, 'devices', plate.levelId)) {
    const type = project.deviceTypes[device.typeId];
    if (own.has(device.id) || !isMainsOutlet(type) || Math.cos(device.facingRad - plate.facingRad) < 0.9) continue;
    if (wallPlaceOf(project, device)?.wall.id === wall.id)
      take(device.name || type.name, 'device', [device.x, device.y], heightOf(project, device));
  }
  return found.sort((a, b) => a.distanceM - b.distanceM)[0] ?? null;
}

/** Brings a plate with its devices to the height of the electrician's box beside it; nothing where there is none. */
export function linePlateUp(project: ProjectDocument, plate: Plate): Operation[] {
  const box = mainsBoxBeside(project, plate);
  if (!box) return [];
  return setPlateHeight(project, plate, tidyM(box.heightM), { besideM: tidyM(box.distanceM) });
}

/** Brings a plate with its devices to a height above finished floor, m. */
export function setPlateHeight(project: ProjectDocument, plate: Plate, heightM: number, more: Partial<Plate> = {}): Operation[] {
  const own = update('plates', plate, { heightM, ...more });
  const devices = plateDeviceIds(plate).map((id) => project.devices[id] && update('devices', project.devices[id], { heightM }));
  return [own, ...devices].filter((operation) => operation !== null && operation !== undefined);
}
