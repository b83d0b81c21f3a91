import { onLevel } from '../derive/index.ts';
import { boundsOf, type Point2, pointInPolygon } from '../math/index.ts';
import { featureBox } from '../house/index.ts';
import type { FeatureKind, ProjectDocument, Room } from '../model/index.ts';
import type { Block } from './channel-at-seat.ts';
import type { Picture } from './picture.ts';
import { HEAD_OVER_EYE_M, type Seat } from './seats.ts';

const OVERHEAD: ReadonlySet<FeatureKind> = new Set(['beam', 'soffit', 'steel']);
/** Furniture that one looks over, or not. */
const STANDING: ReadonlySet<FeatureKind> = new Set(['table', 'cabinet', 'desk', 'island']);
/** Head of who sits: half of its width, and its height below the eyes, m. */
const HEAD_HALF_M = 0.12;
const HEAD_BELOW_M = 0.12;
/** A picture that lets no sound through hangs this far before what it hides, and is this thick, m. */
const PICTURE_BEFORE_M = 0.02;
const PICTURE_THICK_M = 0.02;
/** Walls that stand so nearly square to the plan count as square, degrees. */
const SQUARE_DEG = 1;

/** What can stand between a speaker and an ear: beams and soffits of the room, a picture that lets no sound through, and heads. */
export function blocksIn(project: ProjectDocument, room: Room, picture: Picture | null, seats: readonly Seat[]): Block[] {
  const house = onLevel(project, 'features', room.levelId)
    .filter(({ kind, chosen }) => OVERHEAD.has(kind) || (STANDING.has(kind) && chosen))
    .flatMap(({ id, kind, points, area, widthM, depthM, facingRad, bottomM, topM }): Block[] => {
      const stands = STANDING.has(kind);
      const corners = stands ? featureBox({ points, widthM, depthM, facingRad }) : (points as readonly Point2[]);
      if (!corners.some((p) => pointInPolygon(p, room.polygon as readonly Point2[])) && corners.length === 1) return [];
      const { minX, minY, maxX, maxY } = boundsOf(corners)!;
      const half = area || stands ? 0 : widthM / 2;
      return [{ from: [minX - half, minY - half, bottomM], to: [maxX + half, maxY + half, topM], seat: null, featureId: id }];
    });
  const heads = seats.map((seat): Block => {
    const [x, y] = seat.at;
    return {
      from: [x - HEAD_HALF_M, y - HEAD_HALF_M, seat.eyeM - HEAD_BELOW_M],
      to: [x + HEAD_HALF_M, y + HEAD_HALF_M, seat.eyeM + HEAD_OVER_EYE_M],
      seat,
      featureId: null,
    };
  });
  return [...house, ...pictureBlock(picture), ...heads];
}

/** A display, or a screen without holes, as a thin box; only where its wall stands square to the plan. */
function pictureBlock(picture: Picture | null): Block[] {
  if (!picture || picture.weaveMm !== null) return [];
  const quarter = Math.round(picture.facingDeg / 90) * 90;
  if (Math.abs(picture.facingDeg - quarter) > SQUARE_DEG) return [];
  const [x, y, z] = picture.middle;
  const [sin, cos] = [Math.round(Math.sin((quarter * Math.PI) / 180)), Math.round(Math.cos((quarter * Math.PI) / 180))];
  const [near, far] = [PICTURE_BEFORE_M, PICTURE_BEFORE_M + PICTURE_THICK_M];
  const half = picture.widthM / 2;
  return [
    {
      from: [x - sin * near - Math.abs(cos) * half, y - cos * near - Math.abs(sin) * half, z - picture.heightM / 2],
      to: [x - sin * far + Math.abs(cos) * half, y - cos * far + Math.abs(sin) * half, z + picture.heightM / 2],
      seat: null,
      featureId: null,
    },
  ];
}
