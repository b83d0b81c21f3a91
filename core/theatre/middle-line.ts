import type { Point2 } from '../math/index.ts';
import type { Place } from './channel-at-seat.ts';

/** How a point lies to who looks along a middle line: to the right, and ahead of a point on it, m. */
export type FromMiddle = (p: readonly [x: number, y: number, ...more: number[]]) => {
  readonly asideM: number;
  readonly aheadM: number;
};

/** Lays points along a middle line through a point, in the bearing in which the seats look, degrees clockwise from up the plan. */
export function fromMiddle([mx, my]: readonly [number, number, ...number[]], facingDeg: number): FromMiddle {
  const facing = (facingDeg * Math.PI) / 180;
  const [sin, cos] = [Math.sin(facing), Math.cos(facing)];
  return ([x, y]) => ({ asideM: (x - mx) * cos - (y - my) * sin, aheadM: (x - mx) * sin + (y - my) * cos });
}

/** A way within a theatre, m: to the right of who looks at the picture, and away from the picture. */
export interface Way {
  readonly asideM: number;
  readonly awayM: number;
}

/** A way within a theatre as one on the plan, for seats that look in a bearing, degrees clockwise from up the plan. */
export function onPlan(facingDeg: number, { asideM, awayM }: Way): Point2 {
  const facing = (facingDeg * Math.PI) / 180;
  const [sin, cos] = [Math.sin(facing), Math.cos(facing)];
  return [asideM * cos - awayM * sin, -asideM * sin - awayM * cos];
}

/** A way on the plan as one within a theatre. */
export function offPlan(facingDeg: number, way: Point2): Way {
  const { asideM, aheadM } = fromMiddle([0, 0], facingDeg)(way);
  return { asideM, awayM: -aheadM };
}

/** How far one place is from the mirror image of another about the middle line, m. */
export function mirrorErrorM(left: Place, right: Place, from: FromMiddle): number {
  const [l, r] = [from(left), from(right)];
  return Math.hypot(l.asideM + r.asideM, l.aheadM - r.aheadM, left[2] - right[2]);
}
