import { expect } from 'chai';
import fc from 'fast-check';
import { closestOnSegment, type Point2 } from '../../math/index.ts';
import { drawnPlans, mixedPlan, randomDrawnPlan } from '../../testing/drawn-plans.ts';
import { drawingMarks } from './drawing-marks.ts';
import { drawingSvg } from './drawing-svg.ts';
import { svgLines } from './svg-lines.ts';
import { type Drawing, lineCount } from './drawing.ts';
import { PROPOSAL_OPTIONS } from './wall-bands.ts';
import { type ProposalInput, proposeWalls } from './wall-proposals.ts';
import { proposalInput } from './proposal-input.ts';
import { readDxf } from './read-dxf.ts';

function must(text: string): Drawing {
  const read = readDxf(text);
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return read.value;
}
const dxf = (entities: (string | number)[], units = 4, blocks: (string | number)[] = []) =>
  ['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', units, '0', 'ENDSEC']
    .concat(['0', 'SECTION', '2', 'BLOCKS', ...blocks, '0', 'ENDSEC'])
    .concat(['0', 'SECTION', '2', 'ENTITIES', ...entities, '0', 'ENDSEC', '0', 'EOF'])
    .join('\r\n');
const LINE = [0, 'LINE', 8, 'WALLS', 10, 0, 20, 0, 11, 4000, 21, 3000];

/** What the layers say, in metres of the file's own coordinates. */
function inputOf(drawing: Drawing, wallLayer: string, openingLayer: string): ProposalInput {
  const m = drawing.metresPerUnit!;
  const [ox, oy] = drawing.origin.map((v) => v * m);
  const back = (p: Point2): Point2 => [p[0] + ox, p[1] + oy];
  const { lines, openingLines = [], arcs = [], isMixed } = proposalInput(drawing, m, [wallLayer], [openingLayer]);
  return {
    lines: lines.map(([a, b]) => [back(a), back(b)]),
    openingLines: openingLines.map(([a, b]) => [back(a), back(b)]),
    arcs: arcs.map((arc) => ({ ...arc, centre: back(arc.centre) })),
    isMixed,
  };
}

type Span = { readonly a: Point2; readonly b: Point2 };
/** Share of the length of `of` that runs along something in `by`, within 4 cm. */
function coveredShare(of: readonly Span[], by: readonly Span[]): number {
  let [hit, all] = [0, 0];
  for (const { a, b } of of) {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const steps = Math.max(2, Math.ceil(length / 0.05));
    for (let k = 0; k <= steps; k++) {
      const p: Point2 = [a[0] + ((b[0] - a[0]) * k) / steps, a[1] + ((b[1] - a[1]) * k) / steps];
      const near = by.some((s) => {
        const turn = (b[0] - a[0]) * (s.b[1] - s.a[1]) - (b[1] - a[1]) * (s.b[0] - s.a[0]);
        const sine = Math.abs(turn) / (length * Math.hypot(s.b[0] - s.a[0], s.b[1] - s.a[1]));
        return sine < 0.05 && closestOnSegment(p, s.a, s.b).distanceM < 0.04;
      });
      all += length / (steps + 1);
      if (near) hit += length / (steps + 1);
    }
  }
  return hit / all;
}

describe('walls proposed from ten drawn plans', () => {
  const scores: { recall: number; precision: number }[] = [];
  for (const plan of drawnPlans()) {
    it(`${plan.name}: nearly every wall, and nearly nothing else`, () => {
      const { walls } = proposeWalls(inputOf(must(plan.dxf), plan.wallLayer, plan.openingLayer), PROPOSAL_OPTIONS);
      const recall = coveredShare(plan.walls, walls);
      const precision = coveredShare(walls, plan.walls);
      scores.push({ recall, precision });
      expect(recall, 'recall').to.be.at.least(0.95);
      expect(precision, 'precision').to.be.at.least(0.93);
      if (plan.name !== 'single lines') {
        const off = plan.walls.filter((truth) => {
          const own = walls.filter((wall) => coveredShare([wall], [truth]) > 0.8);
          return own.every((wall) => Math.abs(wall.thicknessM - truth.thicknessM) > 0.03);
        });
        expect(
          off.map(({ a, b }) => [a, b]),
          'walls of another thickness',
        ).to.deep.equal([]);
      }
    });
  }

  it('holds for houses cut at random, turned and far away, in any unit', () => {
    fc.assert(
      fc.property(fc.infiniteStream(fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true })), (numbers) => {
        const plan = randomDrawnPlan(() => numbers.next().value!);
        const { walls } = proposeWalls(inputOf(must(plan.dxf), plan.wallLayer, plan.openingLayer), PROPOSAL_OPTIONS);
        expect(coveredShare(plan.walls, walls), 'recall').to.be.at.least(0.95);
        expect(coveredShare(walls, plan.walls), 'precision').to.be.at.least(0.95);
      }),
      { numRuns: 40 },
    );
  });

  it('finds the ten walls of a drawing with everything on layer 0, with their doors and windows, and nothing else', () => {
    const plan = mixedPlan();
    const { walls } = proposeWalls(inputOf(must(plan.dxf), '0', ''));
    expect(walls).to.have.length(10);
    expect(coveredShare(plan.walls, walls), 'recall').to.be.at.least(0.98);
    expect(coveredShare(walls, plan.walls), 'precision').to.be.at.least(0.98);
    const counted = (all: readonly { readonly kind: string }[]) =>
      ['door', 'window', 'arch'].map((kind) => all.filter((one) => one.kind === kind).length);
    expect(counted(walls.flatMap((wall) => wall.openings))).to.deep.equal(
      counted(plan.walls.flatMap((wall) => wall.openings ?? [])),
    );
  });

  // Without a layer of their own, single lines are not told from furniture, nor the core of a wall from its faces.
  for (const plan of drawnPlans().filter(({ name }) => !/single lines|with a core/.test(name)))
    it(`${plan.name}, all on one layer: the same walls`, () => {
      const drawing = must(plan.dxf.replaceAll('OPENINGS', '0').replaceAll('WALLS', '0'));
      const { walls } = proposeWalls(inputOf(drawing, '0', ''), PROPOSAL_OPTIONS);
      expect(walls).to.have.length(plan.walls.length);
      expect(coveredShare(plan.walls, walls), 'recall').to.be.at.least(0.95);
      expect(coveredShare(walls, plan.walls), 'precision').to.be.at.least(0.95);
    });

  it('finds doors with their hinge and swing, and windows', () => {
    const [plan] = drawnPlans();
    const { walls } = proposeWalls(inputOf(must(plan.dxf), plan.wallLayer, plan.openingLayer));
    const found = walls.flatMap((wall) => wall.openings);
    const truth = plan.walls.flatMap((wall) => wall.openings ?? []);
    expect(found.filter(({ kind }) => kind === 'door')).to.have.length(truth.filter(({ kind }) => kind === 'door').length);
    expect(found.filter(({ kind }) => kind === 'window')).to.have.length(truth.filter(({ kind }) => kind === 'window').length);
    for (const opening of found.filter(({ kind }) => kind === 'door')) expect(opening.hinge).to.not.equal(null);
  });

  it('says what it did not propose', () => {
    const plan = drawnPlans().find(({ name }) => name.startsWith('furniture'))!;
    const { unclaimed } = proposeWalls(inputOf(must(plan.dxf), plan.wallLayer, plan.openingLayer));
    const longest = Math.max(...unclaimed.map(([a, b]) => Math.hypot(a[0] - b[0], a[1] - b[1])));
    expect(longest).to.be.closeTo(9, 0.01);
  });

  it('does not depend on the order in which the lines stand in the file', () => {
    const plan = drawnPlans()[4];
    const input = inputOf(must(plan.dxf), plan.wallLayer, plan.openingLayer);
    const plain = (lines: ProposalInput['lines']) =>
      proposeWalls({ ...input, lines })
        .walls.map(({ a, b }) => [...a, ...b].map((v) => v.toFixed(3)).join())
        .sort();
    fc.assert(
      fc.property(fc.shuffledSubarray([...input.lines], { minLength: input.lines.length }), (lines) => {
        expect(plain(lines)).to.deep.equal(plain(input.lines));
      }),
      { numRuns: 20 },
    );
  });
});

describe('a DXF drawing', () => {
  it('is read with its units, layers and texts about its own corner', () => {
    const drawing = must(dxf([...LINE, 0, 'TEXT', 8, 'NAMES', 10, 1000, 20, 500, 40, 200, 1, 'HALL', 0, 'HATCH', 8, 'X']));
    expect([drawing.metresPerUnit, drawing.bounds.maxX, drawing.bounds.maxY]).to.deep.equal([0.001, 4000, 3000]);
    expect(drawing.texts).to.deep.equal([{ layer: 'NAMES', x: 1000, y: 500, height: 200, text: 'HALL' }]);
  });

  it('draws arcs, circles, bulges and blocks turned, scaled, mirrored and in rows', () => {
    const block = [0, 'BLOCK', 8, '0', 2, 'B', 10, 1, 20, 0, 0, 'LINE', 8, '0', 10, 1, 20, 0, 11, 2, 21, 0, 0, 'ENDBLK'];
    const insert = [0, 'INSERT', 8, 'DOORS', 2, 'B', 10, 10, 20, 5, 41, 2, 42, -1, 50, 90, 70, 2, 44, 3];
    const drawing = must(dxf([...insert, 0, 'CIRCLE', 8, 'C', 10, 0, 20, 0, 40, 1], 6, block));
    const doors = drawing.layers.find(({ name }) => name === 'DOORS')!;
    const absolute = Array.from(doors.lines, (v, i) => Math.round((v + drawing.origin[i % 2]) * 1e6) / 1e6);
    // Twice as long, turned upright: from (10, 5) to (10, 7), and again three along the turned row.
    expect(absolute).to.deep.equal([10, 5, 10, 7, 10, 8, 10, 10]);
    expect(lineCount(drawing.layers.find(({ name }) => name === 'C')!)).to.equal(36);
    const half = must(dxf([0, 'LWPOLYLINE', 8, 'P', 90, 2, 70, 0, 10, 0, 20, 0, 42, 1, 10, 2, 20, 0], 6));
    // A bulge of one is half a circle, to the right of the way from one corner to the other.
    expect(half.bounds.maxY).to.be.closeTo(1, 1e-9);
    expect(half.origin[1]).to.be.closeTo(-1, 1e-9);
  });

  it('without units is guessed and says so', () => {
    const drawing = must(dxf([...LINE, 0, 'LINE', 8, 'W', 10, 0, 20, 0, 11, 12_000, 21, 0], 0));
    expect([drawing.metresPerUnit, drawing.guess.metresPerUnit]).to.deep.equal([null, 0.001]);
    expect(drawing.problems.map(({ code }) => code)).to.include('units-missing');
  });

  it('with blocks in loops, missing blocks and no numbers draws the rest and names them', () => {
    const loop = [
      0,
      'BLOCK',
      8,
      '0',
      2,
      'A',
      10,
      0,
      20,
      0,
      0,
      'INSERT',
      8,
      '0',
      2,
      'A',
      10,
      1,
      20,
      1,
      0,
      'LINE',
      8,
      '0',
      10,
      0,
      20,
      0,
      11,
      1,
      21,
      1,
      0,
      'ENDBLK',
    ];
    const bad = [0, 'LINE', 8, 'W', 10, 'NaN', 20, 0, 11, 1, 21, 1, 0, 'INSERT', 8, 'W', 2, 'GONE', 10, 0, 20, 0];
    const drawing = must(dxf([...LINE, 0, 'INSERT', 8, 'W', 2, 'A', 10, 0, 20, 0, ...bad], 4, loop));
    expect(drawing.problems).to.deep.include({ code: 'block-loop', kind: 'invalid', field: 'block A', name: 'A' });
    expect(drawing.problems).to.deep.include({ code: 'block-missing', kind: 'invalid', field: 'block GONE', name: 'GONE' });
    expect(drawing.problems).to.deep.include({ code: 'drawing-bad-numbers', kind: 'invalid', field: 'entities', count: 1 });
    expect(drawing.bounds.maxX).to.equal(4000);
  });

  it('that grows without end, is binary, empty or no drawing at all is refused', () => {
    const nested = Array.from({ length: 14 }, (_, n) => [
      ...[0, 'BLOCK', 8, '0', 2, `N${n}`, 10, 0, 20, 0],
      ...Array.from({ length: 4 }, () => (n === 0 ? LINE : [0, 'INSERT', 8, '0', 2, `N${n - 1}`, 10, 0, 20, 0])).flat(),
      ...[0, 'ENDBLK'],
    ]).flat();
    const code = (text: string) => {
      const read = readDxf(text);
      return read.ok ? 'read' : read.problem.code;
    };
    expect(code(dxf([0, 'INSERT', 8, '0', 2, 'N13', 10, 0, 20, 0], 4, nested))).to.equal('drawing-too-large');
    expect(code(`0\nSECTION\n\0\0`)).to.equal('drawing-binary');
    expect(code(dxf([]))).to.equal('drawing-empty');
    expect(code('a shopping list')).to.be.oneOf(['dxf-damaged', 'drawing-empty']);
    expect(code('')).to.be.oneOf(['dxf-damaged', 'drawing-empty']);
  });

  it('cut off anywhere is read or refused, never thrown', () => {
    const whole = drawnPlans()[7].dxf;
    fc.assert(
      fc.property(fc.integer({ min: 0, max: whole.length }), (length) => {
        expect(readDxf(whole.slice(0, length)).ok).to.be.oneOf([true, false]);
      }),
      { numRuns: 80 },
    );
  });
});

describe('a vector plan', () => {
  it('made of a drawing gives its lines back to snap to', () => {
    const drawing = must(dxf([...LINE, 0, 'TEXT', 8, 'NAMES', 10, 0, 20, 0, 40, 200, 1, 'A < B & C']));
    const { svg, widthPx, heightPx } = drawingSvg(drawing, 0.001, new Set(['WALLS', 'NAMES']));
    expect([widthPx, heightPx]).to.deep.equal([400, 300]);
    expect(svg).to.include('A &lt; B &amp; C');
    expect(svgLines(svg, widthPx, heightPx)).to.deep.equal([
      [
        [0, 0],
        [400, 300],
      ],
    ]);
    expect(svgLines(drawingSvg(drawing, 0.001, new Set(['NAMES'])).svg, widthPx, heightPx)).to.deep.equal([]);
  });

  const read = (body: string, root = '') =>
    svgLines(`<svg width="100" height="100" ${root}>${body}</svg>`, 100, 100).map((line) =>
      line.flat().map((v) => Math.round(v * 1e4) / 1e4),
    );

  it('from elsewhere is read with its matrices, relative steps, rectangles and closing sides', () => {
    const lines = read(
      '<path transform="matrix(2,0,0,2,10,0)" d="M0 0h5v5z"/><rect x="1" y="2" width="3" height="4"/><line x1="0" y1="0" x2="0" y2="9"/><path d="nonsense M"/>',
    );
    expect(lines.slice(0, 3)).to.deep.equal([
      [10, 100, 20, 100],
      [20, 100, 20, 90],
      [20, 90, 10, 100],
    ]);
    expect(lines).to.have.length(3 + 4 + 1);
  });

  it('is read with nested transforms, each about what is in it', () => {
    // 10 to the right, then doubled, then a quarter turn about (5, 0): (5, 0) stays, (10, 0) comes to (5, 5).
    expect(
      read('<g transform="translate(10 20)"><g transform="scale(2)"><path transform="rotate(90, 5, 0)" d="M5,0L10,0"/></g></g>'),
    ).to.deep.equal([[20, 80, 20, 70]]);
    expect(read('<g transform="skewX(45)"><line x2="0" y2="10"/></g>')).to.deep.equal([[0, 100, 10, 90]]);
    expect(read('<g transform="translate(3)translate(0,4)"><path d="m1 1 2 2"/></g>')).to.deep.equal([[4, 95, 6, 93]]);
  });

  it('is read in the units of its view box, and of a drawing inside with its own', () => {
    // Ten units of the box are 50 px: 5 px each, from x = 2 on.
    expect(read('<path d="M2 1H12"/>', 'viewBox="2 1 20 20"')).to.deep.equal([[0, 100, 50, 100]]);
    // 40 x 20 px for 20 x 20 units: one unit a pixel, in the middle, from x = 20 on.
    const inner = '<svg x="10" y="10" width="40" height="20" viewBox="0 0 20 20"><path d="M0 0h20"/></svg>';
    expect(read(inner)).to.deep.equal([[20, 90, 40, 90]]);
    expect(read(inner.replace('viewBox', 'preserveAspectRatio="none" viewBox'))).to.deep.equal([[10, 90, 50, 90]]);
    expect(read(inner.replace('viewBox', 'preserveAspectRatio="xMaxYMin meet" viewBox'))).to.deep.equal([[30, 90, 50, 90]]);
  });

  it('repeats what is used again, draws nothing that is only defined, and goes on where a part holds itself', () => {
    const lines = read(
      '<defs><symbol id="a"><path d="M0 0h5"/></symbol><g id="b"><use href="#a" x="1"/></g></defs><use xlink:href="#b" y="7"/><use href="#b" transform="translate(50,0)"/>',
    );
    expect(lines).to.deep.equal([
      [1, 93, 6, 93],
      [51, 100, 56, 100],
    ]);
    expect(read('<g id="a"><line x2="1" y2="1"/><use href="#a"/></g>').length).to.be.greaterThan(0);
    expect(read('<path display="none" d="M0 0h5"/><path style="visibility: hidden" d="M0 0h5"/>')).to.deep.equal([]);
  });

  it('ends where its clip paths, its drawings inside and the sheet end', () => {
    const clip = '<clipPath id="c"><path d="M10 10h20v20h-20z"/></clipPath>';
    expect(read(`${clip}<g transform="translate(5,0)" clip-path="url(#c)"><path d="M0 20h90"/></g>`)).to.deep.equal([
      [15, 80, 35, 80],
    ]);
    expect(read('<path d="M-50 50H500M0 -5H9"/>')).to.deep.equal([[0, 50, 100, 50]]);
  });

  it('ends at the slanted sides and in the holes of its clip paths', () => {
    const lines = (clip: string) => read(`${clip}<path clip-path="url(#c)" d="M0 20h90"/>`);
    // A triangle: at 20 px from the top the line lies in it from 10 to 50 px.
    expect(lines('<clipPath id="c"><path d="M0 0L60 0L10 40z"/></clipPath>').map((line) => [line[0], line[2]])).to.deep.equal([
      [5, 35],
    ]);
    const frame = 'M10 10h60v30h-60z M30 15h20v20h-20z';
    expect(
      lines(`<clipPath id="c"><path clip-rule="evenodd" d="${frame}"/></clipPath>`).map((line) => [line[0], line[2]]),
    ).to.deep.equal([
      [10, 30],
      [50, 70],
    ]);
    expect(lines(`<clipPath id="c"><path d="${frame}"/></clipPath>`).map((line) => [line[0], line[2]])).to.deep.equal([[10, 70]]);
    const two = '<clipPath id="c"><rect x="10" y="10" width="20" height="20"/><circle cx="60" cy="20" r="10"/></clipPath>';
    expect(lines(two).map((line) => [line[0], line[2]].map(Math.round))).to.deep.equal([
      [10, 30],
      [50, 70],
    ]);
  });

  it('gives curves as pieces that begin and end where they do, also with flags written together', () => {
    const arc = read('<path d="M0 10a10 10 0 0110 10"/>');
    expect([arc[0].slice(0, 2), arc.at(-1)!.slice(2)]).to.deep.equal([
      [0, 90],
      [10, 80],
    ]);
    // A quarter circle about (0, 20): every point is 10 px from there.
    for (const [x, y] of arc) expect(Math.hypot(x, y - 80)).to.be.closeTo(10, 1e-3);
    const curve = read('<path d="M0 0c1,1 2,2 3,3s.5.5 1-1"/>');
    expect(curve.at(-1)!.slice(2)).to.deep.equal([4, 98]);
  });
});

describe('marks of a trade on a drawing', () => {
  const BLOCK = [0, 'BLOCK', 2, 'OUTLET', 10, 0, 20, 0, 0, 'CIRCLE', 8, '0', 10, 0, 20, 0, 40, 100, 0, 'ENDBLK'];
  const drawing = must(
    dxf(
      [
        ...LINE,
        ...[0, 'INSERT', 8, 'ELEC', 2, 'OUTLET', 10, 1000, 20, 500],
        ...[0, 'TEXT', 8, 'ELEC', 10, 1200, 20, 500, 40, 100, 1, 'Double'],
        ...[0, 'CIRCLE', 8, 'ELEC', 10, 3000, 20, 500, 40, 60],
        ...[0, 'POINT', 8, 'ELEC', 10, 3010, 20, 510],
        ...[0, 'POINT', 8, 'PLUMB', 10, 2000, 20, 2000],
      ],
      4,
      BLOCK,
    ),
  );

  it('are its symbols, circles and points in metres, each once, named by the words beside them', () => {
    // The lower left corner of what is drawn is the start of the wall line, at the origin.
    expect(drawingMarks(drawing, 0.001, ['ELEC'])).to.deep.equal([
      { layer: 'ELEC', name: 'Double', at: [1, 0.5] },
      { layer: 'ELEC', name: '', at: [3, 0.5] },
    ]);
  });

  it('on a layer of points alone have their layer too, and only layers that are asked for', () => {
    expect(drawing.layers.map(({ name }) => name)).to.include('PLUMB');
    expect(drawingMarks(drawing, 0.001, ['PLUMB']).map(({ at }) => at)).to.deep.equal([[2, 2]]);
    expect(drawingMarks(drawing, 0.001, [])).to.deep.equal([]);
  });
});
