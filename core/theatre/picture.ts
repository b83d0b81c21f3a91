import { inFrontOfWall } from '../devices/index.ts';
import { ceilingHeightAt } from '../house/index.ts';
import type { Device, ProjectDocument, Room } from '../model/index.ts';
import { onLevel } from '../derive/index.ts';
import { aimOf } from './aim.ts';

/** What is looked at in a theatre: the picture of a screen or display; lengths in m, heights above the floor of the level. */
export interface Picture {
  readonly deviceId: string;
  readonly kind: 'screen' | 'display';
  /** The middle of the picture: x, y on the plan and its height. */
  readonly middle: readonly [number, number, number];
  readonly widthM: number;
  readonly heightM: number;
  /** Outer size, with frame or bezel. */
  readonly frameM: readonly [number, number];
  readonly gain: number;
  /** Pitch of holes or threads, mm; null lets no sound through. */
  readonly weaveMm: number | null;
  /** Bearing in which who looks at it square faces, degrees clockwise from up the plan. */
  readonly facingDeg: number;
}

const SCREEN_ID = /(^|-)screen$/;
const DISPLAY_ID = /display/;
const WIDE = 16 / 9;
/** Case and borders of a screen beside its picture, and black above it, m. */
const SCREEN_BORDER_M = 0.06;
const BLACK_ABOVE_M = 0.1;
const BEZEL_M = 0.01;

/** The picture of a room: its projection screen, else its largest display; null where it has neither. */
export function pictureOf(project: ProjectDocument, room: Room): Picture | null {
  const own = onLevel(project, 'devices', room.levelId).filter(({ roomId }) => roomId === room.id);
  const typeOf = ({ typeId }: Device) => project.deviceTypes[typeId];
  const widthOf = (device: Device) => typeOf(device).screen?.pictureM[0] ?? typeOf(device).frameM?.[0] ?? 0;
  const screen = (device: Device) => typeOf(device).screen !== null || SCREEN_ID.test(device.typeId);
  const found = own
    .filter((device) => screen(device) || (DISPLAY_ID.test(device.typeId) && typeOf(device).answers === 'display'))
    .filter((device) => widthOf(device) > 0)
    .sort((a, b) => Number(screen(b)) - Number(screen(a)) || widthOf(b) - widthOf(a))[0];
  if (!found) return null;
  const { frameM, defaultHeightM, screen: known } = typeOf(found);
  const [frameWidthM, frameHeightM] = frameM ?? known!.pictureM;
  const isScreen = screen(found);
  // Removable panels carry the picture before the wall; what plays through it stays behind them.
  const { frontWall, standOffM: panelsM } = aimOf(project, room.id);
  const standOffM = frontWall === 'panels' ? panelsM : 0;
  const ceilingM = ceilingHeightAt(room, project.levels[room.levelId], [found.x, found.y]);
  const atM = found.heightM ?? defaultHeightM ?? ceilingM;
  const [widthM, heightM] = known?.pictureM ?? sizeWithin(frameWidthM, frameHeightM, isScreen);
  // Where a screen hangs from a case its height is that of the case; else the height is that of the middle.
  const middleM = isScreen && (known?.hangs ?? true) ? atM - BLACK_ABOVE_M - heightM / 2 : atM;
  const facingDeg = bearing(-Math.cos(found.facingRad), -Math.sin(found.facingRad));
  return {
    deviceId: found.id,
    kind: isScreen ? 'screen' : 'display',
    middle: [...inFrontOfWall(project, found, typeOf(found).sizeM[1] + standOffM), middleM],
    ...{ widthM, heightM, facingDeg },
    frameM: isScreen ? [widthM + 2 * SCREEN_BORDER_M, heightM + 2 * SCREEN_BORDER_M] : [frameWidthM, frameHeightM],
    ...{ gain: known?.gain ?? 1, weaveMm: known?.weaveMm ?? null },
  };
}

/** The picture in a frame or below a case whose own size nobody stated. */
const sizeWithin = (frameWidthM: number, frameHeightM: number, isScreen: boolean): readonly [number, number] => {
  const widthM = frameWidthM - 2 * (isScreen ? SCREEN_BORDER_M : BEZEL_M);
  return [widthM, isScreen ? widthM / WIDE : frameHeightM - 2 * BEZEL_M];
};

/** The bearing of a direction on the plan, degrees clockwise from up the page. */
const bearing = (x: number, y: number): number => ((Math.atan2(x, y) * 180) / Math.PI + 360) % 360;
