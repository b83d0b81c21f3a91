import { expect } from 'chai';
import fc from 'fast-check';
import { type Point2, pointInPolygon, polygonArea, rotate2 } from '../math/index.ts';
import { newFeature } from '../model/index.ts';
import { boxesOf, footprintsOf } from './footprints.ts';

const areaOf = (boxes: ReturnType<typeof boxesOf>) =>
  boxes.reduce((sum, { from, to }) => sum + (to[0] - from[0]) * (to[1] - from[1]), 0);
const isIn = (boxes: ReturnType<typeof boxesOf>, [x, y]: Point2) =>
  boxes.some(({ from, to }) => x >= from[0] - 1e-6 && x <= to[0] + 1e-6 && y >= from[1] - 1e-6 && y <= to[1] + 1e-6);

describe('what a thing covers', () => {
  it('is a strip for each part of a line: a beam round a corner leaves the room between free', () => {
    const beam = newFeature({
      ...{ id: 'b', levelId: 'm', kind: 'beam', widthM: 0.2, bottomM: 2.2, topM: 2.5 },
      points: [
        [0, 0],
        [4, 0],
        [4, 3],
      ],
    });
    const strips = footprintsOf(beam);
    expect(strips).to.have.length(2);
    const boxes = strips.flatMap((one) => boxesOf(one));
    expect(areaOf(boxes)).to.be.closeTo(0.2 * 4 + 0.2 * 3, 1e-9);
    expect([isIn(boxes, [2, 0.05]), isIn(boxes, [2, 1.5]), isIn(boxes, [3.95, 2])]).to.deep.equal([true, false, true]);
  });

  it('of a soffit around a room leaves its middle free', () => {
    const ring: Point2[] = [
      [0, 0],
      [5, 0],
      [5, 4],
      [0, 4],
      [0, 1],
      [1, 1],
      [1, 3],
      [4, 3],
      [4, 1],
      [0, 1],
    ];
    const boxes = boxesOf(ring);
    expect(areaOf(boxes)).to.be.closeTo(Math.abs(polygonArea(ring)), 1e-9);
    expect(isIn(boxes, [2.5, 2])).to.equal(false);
  });

  it('of anything turned is all of it, and hardly more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: Math.PI, noNaN: true }),
        fc.double({ min: 0.05, max: 0.6, noNaN: true }),
        fc.double({ min: 1, max: 6, noNaN: true }),
        (angle, wide, long) => {
          const turned = (p: Point2) => rotate2(p, angle);
          const polygon = (
            [
              [0, 0],
              [long, 0],
              [long, wide],
              [0, wide],
            ] as Point2[]
          ).map(turned);
          const boxes = boxesOf(polygon);
          for (const u of [0.001, 0.3, 0.5, 0.77, 0.999])
            for (const v of [0.001, 0.5, 0.999]) {
              const p = turned([u * long, v * wide]);
              if (pointInPolygon(p, polygon)) expect(isIn(boxes, p), `${angle} ${u} ${v}`).to.equal(true);
            }
          // What lies farther from it than a band is slanted is free.
          const slant = 0.05 / Math.max(0.05, Math.abs(Math.sin(angle)));
          for (const off of [-1, 1]) {
            const beside = turned([long / 2, wide / 2 + off * (wide / 2 + slant + 0.06)]);
            if (Math.abs(Math.sin(angle)) > 0.1) expect(isIn(boxes, beside)).to.equal(false);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
