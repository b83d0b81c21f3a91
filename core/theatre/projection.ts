import { screenBrightness, throwWindow } from '../calculators/index.ts';
import { onLevel } from '../derive/index.ts';
import { ceilingHeightAt } from '../house/index.ts';
import type { Device, DeviceType, ProjectDocument, Room, TheatreAim } from '../model/index.ts';
import type { Place } from './channel-at-seat.ts';
import { fromMiddle, onPlan } from './middle-line.ts';
import type { Picture } from './picture.ts';

/** One projector of a room, as it throws the picture from where it hangs; lengths in m. */
export interface Projection {
  readonly deviceId: string;
  readonly lens: Place;
  readonly throwM: number;
  /** Between which the lens may stand from the screen; null where only the table of its maker says. */
  readonly windowM: readonly [number, number] | null;
  readonly throwFit: 'inside' | 'near-end' | 'outside' | 'by-maker';
  /** Lens over and beside the middle, as shares of the height and the width of what is projected. */
  readonly shiftUp: number;
  readonly shiftAside: number;
  /** Share of the lens shift that is used, both together; above 1 it does not reach. */
  readonly shiftUsed: number;
  readonly cdM2: number;
  readonly footLamberts: number;
  /** White by black with the light that is on, a ratio. */
  readonly contrast: number;
  /** Lumens that the lamp would need by its rating for the white that is wanted. */
  readonly neededLm: number;
}

const CHIP = 16 / 9;
/** What a screen that sound goes through leaves of the light. */
const THROUGH_HOLES = 0.88;
/** The lens of a projector below the ceiling that it hangs from, m. */
export const LENS_BELOW_CEILING_M = 0.2;

/** Projectors of a room whose lens is known, each by itself: several are candidates for one picture. */
export function projectionsOf(project: ProjectDocument, room: Room, picture: Picture | null, aim: TheatreAim): Projection[] {
  if (picture?.kind !== 'screen') return [];
  return onLevel(project, 'devices', room.levelId)
    .filter(({ roomId, typeId }) => roomId === room.id && project.deviceTypes[typeId].lens)
    .map((device) => projectionOf(project, room, device, picture, aim));
}

function projectionOf(project: ProjectDocument, room: Room, device: Device, picture: Picture, aim: TheatreAim): Projection {
  const type = project.deviceTypes[device.typeId];
  const at = lensAt(project, room, device, type, picture);
  return throwFigures(type.lens!, device.id, at, picture, aim);
}

/** Where the lens of a projector is: at its front, below the ceiling that it hangs from. */
export function lensAt(project: ProjectDocument, room: Room, device: Device, type: DeviceType, picture: Picture): Place {
  const [dx, dy] = onPlan(picture.facingDeg, { asideM: 0, awayM: -type.sizeM[1] / 2 });
  const heightM =
    device.heightM ?? ceilingHeightAt(room, project.levels[room.levelId], [device.x, device.y]) - LENS_BELOW_CEILING_M;
  return [device.x + dx, device.y + dy, heightM];
}

type Lens = NonNullable<DeviceType['lens']>;

/** What is projected is 16:9: as wide as a wide screen, or as tall as a narrow one. */
export const projectedWidthM = ({ widthM, heightM }: Picture): number => Math.max(widthM, heightM * CHIP);

/** How much of a lens shift is used: of each direction, and of both together. */
export function shiftUsedOf(lens: Lens, shiftUp: number, shiftAside: number): number {
  const share = (shift: number, most: number) => (Math.abs(shift) < 1e-9 ? 0 : most === 0 ? Infinity : Math.abs(shift) / most);
  const [up, aside] = [share(shiftUp, lens.shiftUp), share(shiftAside, lens.shiftAside)];
  return lens.shiftShape === 'diamond' ? up + aside : Math.hypot(up, aside);
}

/** A lens at a place in front of a picture. */
export function throwFigures(lens: Lens, deviceId: string, at: Place, picture: Picture, aim: TheatreAim): Projection {
  const { asideM, aheadM } = fromMiddle(picture.middle, picture.facingDeg)(at);
  const throwM = Math.max(0.01, -aheadM);
  const widthM = projectedWidthM(picture);
  const shiftUp = (at[2] - picture.middle[2]) / (widthM / CHIP);
  const shiftAside = asideM / widthM;
  const windowM: [number, number] = [lens.throwMin * widthM, lens.throwMax * widthM];
  const found = throwWindow.run({
    ...{ widthM, throwM, leastRatio: lens.throwMin, mostRatio: lens.throwMax, ultraShort: lens.isUltraShort },
    ...{ shiftUp: 0, shiftAside: 0, mostShiftUp: null, mostShiftAside: null, shape: lens.shiftShape },
  });
  const throwFit = lens.isUltraShort ? 'by-maker' : !found.ok ? 'outside' : found.value.nearEnd ? 'near-end' : 'inside';
  // A wide picture by zoom uses less of the chip, a narrow one loses what is beside it.
  const aspect = picture.widthM / picture.heightM;
  const shareLeft =
    aim.lightLeft * (aspect > CHIP ? CHIP / aspect : aspect / CHIP) * (picture.weaveMm === null ? 1 : THROUGH_HOLES);
  const light = screenBrightness.run({
    ...{ lumens: lens.lumens * shareLeft, areaM2: picture.widthM * picture.heightM, gain: picture.gain },
    ...{ wantedCdM2: aim.wantedCdM2, shareLeft, ambientLx: aim.ambientLx, nativeContrast: 2000 },
  });
  if (!light.ok) throw new Error(light.problem.code);
  return {
    deviceId,
    lens: at,
    throwM,
    windowM: lens.isUltraShort ? null : windowM,
    throwFit,
    ...{ shiftUp, shiftAside, shiftUsed: shiftUsedOf(lens, shiftUp, shiftAside) },
    ...{ cdM2: light.value.cdM2, footLamberts: light.value.footLamberts },
    ...{ contrast: light.value.contrast, neededLm: light.value.neededLm },
  };
}

/** Where on the middle line one lens serves all of several projectors, from the screen, m; null where no place does. */
export function placeForAll(projections: readonly Projection[]): readonly [number, number] | null {
  const windows = projections.flatMap(({ windowM }) => (windowM ? [windowM] : []));
  if (windows.length === 0 || windows.length < projections.length) return null;
  const from = Math.max(...windows.map(([least]) => least));
  const to = Math.min(...windows.map(([, most]) => most));
  return from <= to ? [from, to] : null;
}
