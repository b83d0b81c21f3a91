import { expect } from 'chai';
import fc from 'fast-check';
import { clusterPoints } from './cluster.ts';
import { convexHull, outlineGap } from './hull.ts';
import { distance2, type Point2 } from './vector.ts';
import { pointInPolygon, polygonArea } from './polygon.ts';

const point = fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 })).map(([x, y]): Point2 => [x, y]);

describe('the convex outline', () => {
  it('runs counter-clockwise around all points and uses nothing but them', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 30 }), (points) => {
        const hull = convexHull(points);
        if (hull.length < 3) return;
        expect(polygonArea(hull)).to.be.greaterThan(0);
        for (const p of points) expect(pointInPolygon(p, hull, 1e-6)).to.equal(true);
        for (const p of hull) expect(points).to.deep.include(p);
      }),
      { numRuns: 200 },
    );
  });

  it('leaves out what lies inside and on its sides', () => {
    const square: Point2[] = [
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ];
    expect(convexHull([...square, [2, 2], [2, 0]])).to.have.deep.members(square);
  });
});

describe('the gap between two outlines', () => {
  const square = (x: number, y: number): Point2[] => [
    [x, y],
    [x + 1, y],
    [x + 1, y + 1],
    [x, y + 1],
  ];
  it('is the shortest way between them, and nothing where they meet or one holds the other', () => {
    expect(outlineGap(square(0, 0), square(3, 0))).to.equal(2);
    expect(outlineGap(square(0, 0), square(4, 5))).to.equal(5);
    expect(outlineGap(square(0, 0), square(0.5, 0.5))).to.equal(0);
    expect(
      outlineGap(
        [
          [-5, -5],
          [5, -5],
          [5, 5],
          [-5, 5],
        ],
        square(0, 0),
      ),
    ).to.equal(0);
    // Crossing bars, no corner of one inside the other.
    expect(
      outlineGap(
        [
          [-3, -0.1],
          [3, -0.1],
          [3, 0.1],
          [-3, 0.1],
        ],
        [
          [-0.1, -3],
          [0.1, -3],
          [0.1, 3],
          [-0.1, 3],
        ],
      ),
    ).to.equal(0);
  });
});

describe('clusters', () => {
  it('hold every point once, near the first of theirs, and first points are apart', () => {
    fc.assert(
      fc.property(fc.array(point, { maxLength: 60 }), fc.integer({ min: 1, max: 20 }), (points, reach) => {
        const clusters = clusterPoints(
          points.map((at, id) => ({ at, id })),
          ({ at }) => at,
          reach,
        );
        const ids = clusters.flatMap(({ members }) => members.map(({ id }) => id)).sort((a, b) => a - b);
        expect(ids).to.deep.equal(points.map((_, i) => i));
        for (const { members } of clusters)
          for (const { at } of members.slice(1)) expect(distance2(at, members[0].at)).to.be.lessThan(reach);
        for (const [i, a] of clusters.entries())
          for (const b of clusters.slice(i + 1)) expect(distance2(a.members[0].at, b.members[0].at)).to.be.at.least(reach);
      }),
      { numRuns: 200 },
    );
  });
});
