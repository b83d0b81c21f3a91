import { expect } from 'chai';
import fc from 'fast-check';
import { faceArea, type FaceSegment, facesOf, type PlanarMap } from './faces.ts';
import { facesAfter } from './faces-after.ts';
import { isSimplePolygon, polygonArea } from './polygon.ts';
import type { Point2 } from './vector.ts';

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

/** What a map says, whatever the order of its faces and of the corners in them. */
function said(map: PlanarMap) {
  const ring = (points: readonly Point2[]) => {
    const corners = points.map(([x, y]) => `${(Math.round(x * 1e4) / 1e4).toFixed(4)},${(Math.round(y * 1e4) / 1e4).toFixed(4)}`);
    const first = corners.indexOf([...corners].sort()[0]);
    return [...corners.slice(first), ...corners.slice(0, first)].join(' ');
  };
  return {
    faces: map.faces.map(({ polygon, holes }) => `${ring(polygon)} | ${holes.map(ring).sort().join(' / ')}`).sort(),
    outlines: map.outlines.map(ring).sort(),
    loose: [...map.looseIds].sort(),
  };
}

/** Where crossings of a tangle lie within the usual tolerance, which of them is the corner depends on what else is there. */
const FINE_M = 1e-6;

describe('the faces after an edit', () => {
  const grid = fc.integer({ min: 0, max: 20 }).map((n) => n / 2);
  const end = fc.tuple(grid, grid);
  const edit = fc.record({
    act: fc.constantFrom('move', 'move', 'add', 'take'),
    pick: fc.nat(500),
    a: end,
    by: fc.tuple(fc.integer({ min: -2, max: 2 }), fc.integer({ min: -2, max: 2 })),
  });
  /** Rooms in rows with stubs, an island in a large hall, and a yard open to one side. */
  const house = (): FaceSegment[] => {
    const lines: [number, number, number, number][] = [];
    for (let i = 0; i < 4; i++)
      for (let j = 0; j < 3; j++) lines.push([i * 2, j * 2, i * 2 + 2, j * 2], [i * 2, j * 2, i * 2, j * 2 + 2]);
    lines.push(
      [8, 0, 8, 6],
      [0, 6, 8, 6],
      [1, 0, 1, 1],
      [3, 2, 3, 3],
      ...box(0, 6, 8, 10),
      ...box(3, 7, 5, 9),
      [8, 1, 10, 1],
      [10, 1, 10, 4],
    );
    return segments(...lines);
  };

  it('are those of the whole drawing traced anew, whatever is moved, added or taken away', () => {
    let tracedLess = 0;
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 12 }), (edits) => {
        let now = house();
        let map = facesOf(now);
        edits.forEach(({ act, pick, a, by }, n) => {
          const was = now;
          const old = was[pick % was.length];
          const moved = { ...old, id: act === 'add' ? `n${n}` : old.id, a, b: [a[0] + by[0], a[1] + by[1]] as Point2 };
          if (act !== 'take' && by[0] === 0 && by[1] === 0) return;
          now = act === 'add' ? [...was, moved] : was.flatMap((s) => (s !== old ? [s] : act === 'take' ? [] : [moved]));
          const before = map;
          map = facesAfter(before, was, now, new Set([moved.id]));
          expect(said(map)).to.deep.equal(said(facesOf(now)));
          if (map.faces.some((face) => before.faces.includes(face))) tracedLess++;
        });
      }),
      { numRuns: 200 },
    );
    expect(tracedLess).to.be.above(200);
  });

  it('hold whatever lines are drawn, in any tangle', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(end, end), { minLength: 12, maxLength: 40 }), fc.nat(100), end, (lines, pick, to) => {
        const drawn = lines
          .filter(([a, b]) => a[0] !== b[0] || a[1] !== b[1])
          .map(([a, b], n): FaceSegment => ({ id: `w${n}`, a, b }));
        if (drawn.length < 8) return;
        const at = pick % drawn.length;
        const now = drawn.map((s, n) => (n === at && (to[0] !== s.a[0] || to[1] !== s.a[1]) ? { ...s, b: to } : s));
        const after = facesAfter(facesOf(drawn, FINE_M), drawn, now, new Set([drawn[at].id]), FINE_M);
        expect(said(after)).to.deep.equal(said(facesOf(now, FINE_M)));
      }),
      { numRuns: 200 },
    );
  });

  it('of a level where nothing changed are the very same', () => {
    const map = facesOf(house());
    expect(facesAfter(map, house(), house(), new Set(['elsewhere']))).to.equal(map);
  });
});
