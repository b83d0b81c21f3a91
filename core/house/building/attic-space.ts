import { chordsOf, type Point2, pointInPolygon, rotate2 } from '../../math/index.ts';
import { CRAWL_M, KNEEL_M, STAND_M } from '../../calculators/index.ts';
import type { Feature } from '../../model/index.ts';

/** A drill with its bit, held upright over the plate [practice], m. */
export const DRILL_M = 0.45;

/** Lines over an attic where it is just so high. */
export interface AtticContour {
  readonly heightM: number;
  /** What becomes possible from here towards the ridge. */
  readonly for: 'drill' | 'crawl' | 'kneel' | 'stand';
  readonly lines: readonly (readonly [Point2, Point2])[];
}

type Attic = Pick<Feature, 'points' | 'pitchRad' | 'facingRad' | 'bottomM' | 'topM'>;

/**
 * Clear height over the joists at a place of an attic, m; null outside it, or where no pitch is known. Two slopes rise from
 * the long sides to a ridge that runs as the attic faces; an upper edge above the lower one caps them (a collar, a flat).
 */
export function atticHeightAt(attic: Attic, p: Point2): number | null {
  const slopes = slopesOf(attic);
  if (!slopes || !pointInPolygon(p, attic.points as Point2[])) return null;
  const [, v] = rotate2(p, -attic.facingRad);
  return Math.min(Math.min(v - slopes.low, slopes.high - v) * slopes.rise, slopes.capM);
}

/** Height of the ridge over the joists, m; null where no pitch is known. */
export function ridgeHeight(attic: Attic): number | null {
  const slopes = slopesOf(attic);
  return slopes && Math.min(((slopes.high - slopes.low) / 2) * slopes.rise, slopes.capM);
}

/** Where one can drill, crawl, kneel and stand, as lines along the ridge within the attic's outline. */
export function atticContours(attic: Attic): AtticContour[] {
  const slopes = slopesOf(attic);
  if (!slopes) return [];
  const turned = attic.points.map((p) => rotate2(p, -attic.facingRad));
  const ridgeM = ridgeHeight(attic)!;
  const wanted: [AtticContour['for'], number][] = [
    ['drill', DRILL_M],
    ['crawl', CRAWL_M],
    ['kneel', KNEEL_M],
    ['stand', STAND_M],
  ];
  return wanted
    .filter(([, heightM]) => heightM < ridgeM - 1e-9)
    .map(([what, heightM]) => {
      const inM = heightM / slopes.rise;
      return {
        for: what,
        heightM,
        lines: [slopes.low + inM, slopes.high - inM].flatMap((v) => chordsOf(turned, v, attic.facingRad)),
      };
    });
}

function slopesOf({ points, pitchRad, facingRad, bottomM, topM }: Attic) {
  if (!pitchRad || points.length < 3) return null;
  const vs = points.map((p) => rotate2(p, -facingRad)[1]);
  return {
    low: Math.min(...vs),
    high: Math.max(...vs),
    rise: Math.tan(pitchRad),
    capM: topM - bottomM > 1e-6 ? topM - bottomM : Infinity,
  };
}
