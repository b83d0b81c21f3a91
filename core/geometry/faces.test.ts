import { expect } from 'chai';
import fc from 'fast-check';
import { faceArea, facesOf, polygonArea, isSimplePolygon, type FaceSegment, type Point2 } from './index.ts';

const segments = (...lines: [number, number, number, number][]): FaceSegment[] =>
  lines.map(([x0, y0, x1, y1], n) => ({ id: `w${n}`, a: [x0, y0], b: [x1, y1] }));
const box = (x0: number, y0: number, x1: number, y1: number): [number, number, number, number][] => [
  [x0, y0, x1, y0],
  [x1, y0, x1, y1],
  [x1, y1, x0, y1],
  [x0, y1, x0, y0],
];
const areas = (lines: FaceSegment[]) =>
  facesOf(lines)
    .faces.map((face) => Math.round(faceArea(face) * 1e4) / 1e4)
    .sort((a, b) => a - b);

describe('the faces between segments', () => {
  it('are the rooms of a box with a wall across, also where it meets the others in a T', () => {
    const lines = segments(...box(0, 0, 6, 4), [2, 0, 2, 4]);
    expect(areas(lines)).to.deep.equal([8, 16]);
    expect(facesOf(lines).outlines.map(polygonArea)).to.deep.equal([24]);
    expect(facesOf(lines).faces[0].segmentIds).to.include('w4');
  });

  it('do not mind crossings, overlaps, free ends, and ends that miss by less than the tolerance', () => {
    expect(areas(segments(...box(0, 0, 4, 4), [-1, 2, 5, 2], [2, 1, 2, -1]))).to.deep.equal([8, 8]);
    expect(areas(segments(...box(0, 0, 4, 4), [1, 0, 3, 0], [0, 2, 1, 2]))).to.deep.equal([16]);
    expect(areas(segments([0, 0, 4, 0.004], [4, 0, 4, 4], [4.004, 4, 0, 4], [0, 3.996, 0, 0]))[0]).to.be.closeTo(16, 0.04);
    expect(facesOf(segments([0, 0, 4, 0], [4, 0, 4, 4])).looseIds).to.deep.equal(['w0', 'w1']);
  });

  it('hold islands as holes, whether free, tied by one wall, or touching at a corner', () => {
    const free = facesOf(segments(...box(0, 0, 6, 6), ...box(2, 2, 4, 4)));
    expect(free.faces.map((face) => faceArea(face)).sort((a, b) => a - b)).to.deep.equal([4, 32]);
    expect(free.outlines).to.have.length(1);
    expect(areas(segments(...box(0, 0, 6, 6), ...box(2, 2, 4, 4), [0, 3, 2, 3]))).to.deep.equal([4, 32]);
    expect(areas(segments(...box(0, 0, 6, 6), [0, 0, 2, 1], [2, 1, 1, 2], [1, 2, 0, 0]))).to.deep.equal([1.5, 34.5]);
  });

  it('sum to what the outer boundaries enclose, and none crosses itself, whatever is drawn', () => {
    const coordinate = fc.integer({ min: 0, max: 24 }).map((n) => n / 2);
    const line = fc.tuple(coordinate, coordinate, coordinate, coordinate).filter(([a, b, c, d]) => a !== c || b !== d);
    fc.assert(
      fc.property(fc.array(line, { minLength: 3, maxLength: 40 }), (lines) => {
        const map = facesOf(segments(...lines));
        const inside = map.faces.reduce((sum, face) => sum + faceArea(face), 0);
        const whole = map.outlines.reduce((sum, ring) => sum + polygonArea(ring), 0);
        expect(inside).to.be.closeTo(whole, 1e-6);
        for (const { polygon } of map.faces) expect(polygonArea(polygon)).to.be.greaterThan(0);
      }),
      { numRuns: 300 },
    );
  });

  it('are the same as those counted by Euler’s formula on a drawn grid', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (m, n, turn) => {
          const at = (x: number, y: number): Point2 => [
            x * Math.cos(turn) - y * Math.sin(turn),
            x * Math.sin(turn) + y * Math.cos(turn),
          ];
          const lines: FaceSegment[] = [];
          for (let i = 0; i <= m; i++) lines.push({ id: `v${i}`, a: at(i, 0), b: at(i, n) });
          for (let j = 0; j <= n; j++) lines.push({ id: `h${j}`, a: at(0, j), b: at(m, j) });
          const { faces } = facesOf(lines);
          expect(faces).to.have.length(m * n);
          faces.forEach(({ polygon }) => expect(isSimplePolygon([...polygon])).to.equal(true));
        },
      ),
      { numRuns: 60 },
    );
  });
});
