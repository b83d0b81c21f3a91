import { ceilingHeightAt } from '../house/index.ts';
import type { Device, ProjectDocument, Room } from '../model/index.ts';
import { onLevel } from '../derive/index.ts';

/** What is looked at in a theatre: the picture of a screen or display; lengths in m, heights above the floor of the level. */
export interface Picture {
  readonly deviceId: string;
  readonly kind: 'screen' | 'display';
  /** The middle of the picture: x, y on the plan and its height. */
  readonly middle: readonly [number, number, number];
  readonly widthM: number;
  readonly heightM: number;
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
  const widthOf = ({ typeId }: Device) => project.deviceTypes[typeId].frameM?.[0] ?? 0;
  const found = own
    .filter(({ typeId }) => SCREEN_ID.test(typeId) || DISPLAY_ID.test(typeId))
    .filter((device) => widthOf(device) > 0)
    .sort((a, b) => Number(SCREEN_ID.test(b.typeId)) - Number(SCREEN_ID.test(a.typeId)) || widthOf(b) - widthOf(a))[0];
  if (!found) return null;
  const { frameM, defaultHeightM } = project.deviceTypes[found.typeId];
  const [frameWidthM, frameHeightM] = frameM!;
  const isScreen = SCREEN_ID.test(found.typeId);
  const ceilingM = ceilingHeightAt(room, project.levels[room.levelId], [found.x, found.y]);
  const atM = found.heightM ?? defaultHeightM ?? ceilingM;
  const widthM = frameWidthM - 2 * (isScreen ? SCREEN_BORDER_M : BEZEL_M);
  // A screen's height is that of its case, from which the picture hangs; a display's is that of its middle.
  const heightM = isScreen ? widthM / WIDE : frameHeightM - 2 * BEZEL_M;
  const middleM = isScreen ? atM - BLACK_ABOVE_M - heightM / 2 : atM;
  const facingDeg = bearing(-Math.cos(found.facingRad), -Math.sin(found.facingRad));
  return {
    deviceId: found.id,
    kind: isScreen ? 'screen' : 'display',
    middle: [found.x, found.y, middleM],
    ...{ widthM, heightM, facingDeg },
  };
}

/** The bearing of a direction on the plan, degrees clockwise from up the page. */
const bearing = (x: number, y: number): number => ((Math.atan2(x, y) * 180) / Math.PI + 360) % 360;
