import {
  areaPaths,
  ClipType,
  FillRule,
  inflatePaths,
  JoinType,
  EndType,
  booleanOp,
  type Path64,
  type Paths64,
} from 'clipper2-ts';
import type { Point2 } from '../geometry/index.ts';

/** A set of outlines that together make an area: counter-clockwise outside, clockwise inside, m. */
export type Region = readonly (readonly Point2[])[];

/** A hundredth of a millimetre: finer than any building, far from the limits of exact integers. */
const PER_M = 100_000;

const toPaths = (region: Region): Paths64 =>
  region.map((ring) => ring.map(([x, y]) => ({ x: Math.round(x * PER_M), y: Math.round(y * PER_M) })) as Path64);
const fromPaths = (paths: Paths64): Point2[][] => paths.map((path) => path.map(({ x, y }): Point2 => [x / PER_M, y / PER_M]));

const combine = (type: ClipType, a: Region, b: Region): Point2[][] =>
  fromPaths(booleanOp(type, toPaths(a), toPaths(b), FillRule.NonZero));

export const union = (a: Region, b: Region = []): Point2[][] => combine(ClipType.Union, a, b);
export const difference = (a: Region, b: Region): Point2[][] => combine(ClipType.Difference, a, b);
export const intersection = (a: Region, b: Region): Point2[][] => combine(ClipType.Intersection, a, b);

/** The area within `byM` of the region; negative shrinks it. Corners stay sharp. */
export const offset = (region: Region, byM: number): Point2[][] =>
  fromPaths(inflatePaths(toPaths(region), byM * PER_M, JoinType.Miter, EndType.Polygon));

/** Area of a region, m². */
export const regionArea = (region: Region): number => Math.abs(areaPaths(toPaths(region))) / PER_M ** 2;
