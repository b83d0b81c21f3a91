import { onLevel } from '../derive/index.ts';
import type { Point2 } from '../math/index.ts';
import type { FeatureKind, ProjectDocument, Room } from '../model/index.ts';
import type { Block } from './channel-at-seat.ts';
import { boxesOf, footprintsOf } from './footprints.ts';
import { onPlan } from './middle-line.ts';
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

/** What can stand between a speaker and an ear: beams and soffits of the room, a picture that lets no sound through, and heads. */
export function blocksIn(project: ProjectDocument, room: Room, picture: Picture | null, seats: readonly Seat[]): Block[] {
  const house = onLevel(project, 'features', room.levelId)
    .filter(({ kind, chosen }) => OVERHEAD.has(kind) || (STANDING.has(kind) && chosen))
    .flatMap((feature): Block[] => {
      const { id, bottomM, topM } = feature;
      return footprintsOf(feature)
        .flatMap((one) => boxesOf(one))
        .map(({ from, to }) => ({ from: [...from, bottomM], to: [...to, topM], seat: null, featureId: id }));
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

/** A display, or a screen without holes, as a thin wall before what it hides. */
function pictureBlock(picture: Picture | null): Block[] {
  if (!picture || picture.weaveMm !== null) return [];
  const { middle, widthM, heightM, facingDeg } = picture;
  const corner = (asideM: number, awayM: number): Point2 => {
    const [dx, dy] = onPlan(facingDeg, { asideM, awayM });
    return [middle[0] + dx, middle[1] + dy];
  };
  const [near, far] = [PICTURE_BEFORE_M, PICTURE_BEFORE_M + PICTURE_THICK_M];
  const half = widthM / 2;
  return boxesOf([corner(-half, near), corner(half, near), corner(half, far), corner(-half, far)]).map(({ from, to }) => ({
    ...{ from: [...from, middle[2] - heightM / 2], to: [...to, middle[2] + heightM / 2] },
    ...{ seat: null, featureId: null },
  }));
}
