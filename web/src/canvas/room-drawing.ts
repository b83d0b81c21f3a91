import { chordsOf, type Point2, rotate2 } from '@dusky-spool/core/math';
import { lowestJoist } from '@dusky-spool/core/house';
import type { Room } from '@dusky-spool/core/model';
import type { WallLine } from '@dusky-spool/core/survey';

/** SVG path through points, metres. */
export const pathThrough = (points: readonly (readonly [number, number, ...number[]])[], closed = false): string =>
  `${points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('')}${closed ? 'Z' : ''}`;

/** SVG path of the upright box between two corners, metres. */
export const boxPath = (a: Point2, b: Point2): string => pathThrough([a, [b[0], a[1]], b, [a[0], b[1]]], true);

const round = (value: number) => Math.round(value * 1000) / 1000;

/** The joist lines of a room, clipped to its outline, as one path. */
export function joistPath(room: Room): string {
  if (room.framing === 'none' || room.framing === 'dropped' || room.framing === 'slab') return '';
  const turned = room.polygon.map((p) => rotate2(p as Point2, -room.joistAngleRad));
  const ys = turned.map((p) => p[1]);
  const parts: string[] = [];
  const first = lowestJoist(room, Math.min(...ys), Math.max(...ys));
  const last = Math.floor((Math.max(...ys) - room.joistOffsetM) / room.joistSpacingM);
  for (let k = first; k <= last; k++) {
    const y = room.joistOffsetM + k * room.joistSpacingM + 1e-7;
    parts.push(...chordsOf(turned, y, room.joistAngleRad).map((chord) => pathThrough(chord)));
  }
  return parts.join('');
}

/** A wall's footprint from a share `from` of its length to `to`; its ends reach on by `reach`, so that corners close. */
export function wallBand(wall: WallLine, from = 0, to = 1, reach: readonly [number, number] = [0, 0]): Point2[] {
  const length = Math.hypot(wall.b[0] - wall.a[0], wall.b[1] - wall.a[1]);
  const u: Point2 = [(wall.b[0] - wall.a[0]) / length, (wall.b[1] - wall.a[1]) / length];
  const h = wall.thicknessM / 2;
  const at = (s: number, side: number): Point2 => [wall.a[0] + u[0] * s - u[1] * side, wall.a[1] + u[1] * s + u[0] * side];
  const [s0, s1] = [from * length - reach[0], to * length + reach[1]];
  return [at(s0, h), at(s1, h), at(s1, -h), at(s0, -h)];
}
