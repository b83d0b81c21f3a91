import type { Point2 } from '../math/index.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  chainPoints,
  cornerAtLength,
  cornerTowards,
  placeOnWall,
  rectangleFrom,
  sideLengthM,
  type WallChain,
} from './wall-chain.ts';

const RIGHT = 0;
const UP = Math.PI / 2;
const LEFT = Math.PI;
const DOWN = -Math.PI / 2;
/** Inner walls of 0.1 m in a house of 0.3 m walls: 10.3 x 8.3 m on centre lines, so 10 x 8 m inside. */
const shell = [
  { a: [0, 0] as Point2, b: [10.3, 0] as Point2, thicknessM: 0.3 },
  { a: [10.3, 0] as Point2, b: [10.3, 8.3] as Point2, thicknessM: 0.3 },
  { a: [10.3, 8.3] as Point2, b: [0, 8.3] as Point2, thicknessM: 0.3 },
  { a: [0, 8.3] as Point2, b: [0, 0] as Point2, thicknessM: 0.3 },
];
const free = { walls: [], thicknessM: 0.3, between: 'faces' } as const;
const inner = { walls: shell, thicknessM: 0.1, between: 'faces' } as const;
const tidy = (points: readonly (readonly number[])[]) => points.map((p) => p.map((v) => Math.round(v * 1e6) / 1e6 + 0));
const near = (points: readonly Point2[], expected: readonly (readonly number[])[]) =>
  expect(tidy(points)).to.deep.equal(tidy(expected));
const drawn = (setting: Parameters<typeof cornerAtLength>[3], first: Point2, ...sides: [number, number][]): WallChain =>
  sides.reduce<WallChain>(
    (chain, [directionRad, lengthM]) => [...chain, cornerAtLength(chain, directionRad, lengthM, setting)],
    [{ at: first }],
  );

describe('lengths of walls being drawn', () => {
  it('are clear lengths of the room: 10 x 8 m typed is 10 x 8 m between faces', () => {
    const chain = drawn(free, [0, 0], [RIGHT, 10], [UP, 8], [LEFT, 10]);
    const points = chainPoints(chain, free, true);
    near(points, [
      [0, 0],
      [10.3, 0],
      [10.3, 8.3],
      [0, 8.3],
    ]);
    expect([0, 1, 2, 3].map((side) => Math.round(sideLengthM(chain, points, side, free, true) * 1e6) / 1e6)).to.deep.equal([
      10, 8, 10, 8,
    ]);
  });

  it('are those of centre lines where that is chosen', () => {
    const setting = { ...free, between: 'centres' } as const;
    near(chainPoints(drawn(setting, [0, 0], [RIGHT, 10], [UP, 8]), setting), [
      [0, 0],
      [10, 0],
      [10, 8],
    ]);
  });

  it('hold inside an L-shaped room, where one corner stands into it: six typed lengths, six clear ones', () => {
    // Clear outline: 6 wide, 5 deep, a corner of 2 x 2 m missing at the upper right.
    const chain = drawn(free, [0, 0], [RIGHT, 6], [UP, 3], [LEFT, 2], [UP, 2], [LEFT, 4]);
    const points = chainPoints(chain, free, true);
    const faces: Point2[] = [
      [0.15, 0.15],
      [6.15, 0.15],
      [6.15, 3.15],
      [4.15, 3.15],
      [4.15, 5.15],
      [0.15, 5.15],
    ];
    near(points, [
      [0, 0],
      [faces[1][0] + 0.15, 0],
      [faces[2][0] + 0.15, faces[2][1] + 0.15],
      [faces[3][0] + 0.15, faces[3][1] + 0.15],
      [faces[4][0] + 0.15, faces[4][1] + 0.15],
      [0, faces[5][1] + 0.15],
    ]);
  });

  it('do not depend on where the drawing began: a first turn that stands into the room is seen when it closes', () => {
    // The same L, begun one side before the corner that stands in.
    const chain = drawn(free, [6.3, 3.3], [LEFT, 2], [UP, 2], [LEFT, 4], [DOWN, 5], [RIGHT, 6]);
    const points = chainPoints(chain, free, true);
    const lengths = points.map((_, side) => Math.round(sideLengthM(chain, points, side, free, true) * 1000) / 1000);
    expect(lengths.slice(1, 5)).to.deep.equal([2, 4, 5, 6]);
  });

  it('begin and end at the faces of walls that are there', () => {
    const chain: WallChain = [{ at: [4, 0] }, { at: [4, 8.3] }];
    expect(sideLengthM(chain, chainPoints(chain, inner), 0, inner)).to.be.closeTo(8, 1e-9);
    // A typed 8 m ends in the wall across, not in front of it.
    near(chainPoints(drawn(inner, [4, 0], [UP, 8]), inner), [
      [4, 0],
      [4, 8.3],
    ]);
    // A typed 3 m ends free: its own corner adds half its thickness.
    near(chainPoints(drawn(inner, [4, 0], [UP, 3]), inner), [
      [4, 0],
      [4, 0.15 + 3 + 0.05],
    ]);
  });

  it('are rounded to the grid between faces, where the pointer is free', () => {
    const corner = cornerTowards([{ at: [0, 0] }], [3.34, 0], 0.05, free);
    expect(corner).to.deep.include({ directionRad: 0 });
    expect('lengthM' in corner && corner.lengthM).to.be.closeTo(3.05, 1e-9);
  });

  it('make a rectangle of two lengths to the side where the pointer is', () => {
    near(chainPoints(rectangleFrom([0, 0], [10, -8], 0), free, true), [
      [0, 0],
      [10.3, 0],
      [10.3, -8.3],
      [0, -8.3],
    ]);
  });

  it('of every closed rectilinear outline are the clear ones that were typed', () => {
    const size = fc.double({ min: 0.5, max: 12, noNaN: true });
    fc.assert(
      fc.property(
        size,
        size,
        fc.double({ min: 0.06, max: 0.5, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (w, h, thicknessM, angle) => {
          const setting = { walls: [], thicknessM, between: 'faces' } as const;
          const chain = rectangleFrom([2, 1], [w, h], angle);
          const points = chainPoints(chain, setting, true);
          for (const [side, lengthM] of [w, h, w, h].entries())
            expect(sideLengthM(chain, points, side, setting, true)).to.be.closeTo(lengthM, 1e-9);
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe('a place on a wall', () => {
  const [south] = shell;
  const partition = { a: [4, 0] as Point2, b: [4, 8.3] as Point2, thicknessM: 0.1 };
  const setting = { walls: [...shell, partition], between: 'faces' } as const;

  it('is measured from the nearest corner, face to edge, on the grid', () => {
    // A door of 0.9 m near the left end: 1.23 m of its middle is 0.15 + 0.63 + 0.45, on the grid 0.65.
    const place = placeOnWall([1.23, 0.2], south, setting, { halfM: 0.45, gridM: 0.05 });
    expect(place.lengthM).to.be.closeTo(0.65, 1e-9);
    near(
      [place.at, place.corner],
      [
        [1.25, 0],
        [0, 0],
      ],
    );
  });

  it('counts a wall that ends there as a corner, from either side', () => {
    const right = placeOnWall([4.9, 0], south, setting, { halfM: 0.05, lengthM: 1 });
    near(
      [right.at, right.corner],
      [
        [4 + 0.05 + 1 + 0.05, 0],
        [4, 0],
      ],
    );
    const left = placeOnWall([3, 0], south, setting, { halfM: 0.05, lengthM: 1 });
    near([left.at], [[4 - 0.05 - 1 - 0.05, 0]]);
  });

  it('is measured back from the far end', () => {
    const place = placeOnWall([9.5, 0], south, setting, { halfM: 0.5, lengthM: 0.2 });
    near([place.at], [[10.3 - 0.15 - 0.2 - 0.5, 0]]);
  });

  it('is measured from centre lines where those are chosen', () => {
    const place = placeOnWall([1.02, 0], south, { walls: shell, between: 'centres' }, { halfM: 0, gridM: 0.05 });
    near([place.at], [[1, 0]]);
  });

  it('is never before the corner', () => {
    expect(placeOnWall([0.01, 0], south, setting, { halfM: 0.45, gridM: 0.05 }).lengthM).to.equal(0);
  });
});
