import type { CableType } from '../../model/index.ts';
import { distance3, GRAVITY, type Point3 } from '../../math/index.ts';
import { areaMm2Of } from '../wire/index.ts';

/** Dry pull through plastic or steel; polyethylene or with lubricant 0.35. */
const FRICTION = 0.5;

/** A straight piece of a conduit and the bend before it, in the direction of the pull. */
export interface PullLeg {
  readonly bendRad: number;
  readonly lengthM: number;
  readonly riseM: number;
}

export interface PullTension {
  /** Pulled from the far end, and from the near one, N. */
  readonly fromEndN: number;
  readonly fromStartN: number;
  /** The end to pull from: the one with less. */
  readonly pullFrom: 'start' | 'end';
  readonly tensionN: number;
  readonly bendsRad: number;
  readonly lengthM: number;
}

/** Weight of a cable, kg/m, from its copper and its outside: 8.96 g/cm3 of copper and 1.4 of everything else. An estimate. */
export function weightKgPerM({ gaugeAwg, conductors, outsideDiameterM, material }: CableType): number {
  const copperMm2 = gaugeAwg === null || material === 'fibre' ? 0 : conductors * areaMm2Of(gaugeAwg);
  const allMm2 = (Math.PI / 4) * (outsideDiameterM * 1000) ** 2;
  return (8.96 * copperMm2 + 1.4 * Math.max(0, allMm2 - copperMm2)) / 1000;
}

/**
 * Answers: how hard is it to pull cables through a conduit, and from which end? Units: corners in m, weight in kg/m, result in N.
 * Formula: straight `T + mu w g L`, bend `T e^(mu theta)`, a rise adds `w g z`, a fall counts nothing. Valid for one pull between
 * two open ends.
 */
export function pullTension(corners: readonly Point3[], weightPerM: number, friction = FRICTION): PullTension {
  const there = legsOf(corners);
  const fromEndN = tensionOf(there, weightPerM, friction);
  const fromStartN = tensionOf(legsOf([...corners].reverse()), weightPerM, friction);
  const pullFrom = fromEndN <= fromStartN ? 'end' : 'start';
  return {
    fromEndN,
    fromStartN,
    pullFrom,
    tensionN: Math.min(fromEndN, fromStartN),
    bendsRad: there.reduce((sum, { bendRad }) => sum + bendRad, 0),
    lengthM: there.reduce((sum, { lengthM }) => sum + lengthM, 0),
  };
}

const tensionOf = (legs: readonly PullLeg[], weightPerM: number, friction: number): number =>
  legs.reduce((tensionN, { bendRad, lengthM, riseM }) => {
    const levelM = Math.sqrt(Math.max(0, lengthM * lengthM - riseM * riseM));
    const afterBend = tensionN * Math.exp(friction * bendRad);
    return afterBend + friction * weightPerM * GRAVITY * levelM + Math.max(0, weightPerM * GRAVITY * riseM);
  }, 0);

/** The cable travels from the first corner to the last, where it is pulled. */
export function legsOf(corners: readonly Point3[]): PullLeg[] {
  const legs: PullLeg[] = [];
  for (let k = 1; k < corners.length; k++) {
    const [a, b] = [corners[k - 1], corners[k]];
    const lengthM = distance3(a, b);
    if (lengthM < 1e-9) continue;
    const before = k > 1 ? corners[k - 2] : null;
    legs.push({ bendRad: before ? angleBetween(before, a, b) : 0, lengthM, riseM: b[2] - a[2] });
  }
  return legs;
}

function angleBetween(a: Point3, b: Point3, c: Point3): number {
  const [u, v] = [
    [b[0] - a[0], b[1] - a[1], b[2] - a[2]],
    [c[0] - b[0], c[1] - b[1], c[2] - b[2]],
  ];
  const lengths = Math.hypot(...u) * Math.hypot(...v);
  if (lengths < 1e-12) return 0;
  return Math.acos(Math.max(-1, Math.min(1, (u[0] * v[0] + u[1] * v[1] + u[2] * v[2]) / lengths)));
}
