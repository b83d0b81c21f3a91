import { expect } from 'chai';
import type { Drawing } from './drawing.ts';
import { decodeDxf } from './dxf-text.ts';
import { readDxf, readDxfBytes } from './read-dxf.ts';

type Part = string | number;

function must(text: string): Drawing {
  const read = readDxf(text);
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return read.value;
}
const codeOf = (text: string) => {
  const read = readDxf(text);
  return read.ok ? 'read' : read.problem.code;
};
const section = (name: string, parts: readonly Part[]) => [0, 'SECTION', 2, name, ...parts, 0, 'ENDSEC'];
const dxf = (
  entities: readonly Part[],
  {
    header = [9, '$INSUNITS', 70, 6],
    tables = [],
    blocks = [],
  }: Partial<Record<'header' | 'tables' | 'blocks', readonly Part[]>> = {},
) =>
  [
    ...section('HEADER', header),
    ...section('TABLES', tables),
    ...section('BLOCKS', blocks),
    ...section('ENTITIES', entities),
    0,
    'EOF',
  ].join('\r\n');
const line = (layer: string, x0: number, y0: number, x1: number, y1: number): Part[] => [
  ...[0, 'LINE', 8, layer, 10, x0, 20, y0],
  ...[11, x1, 21, y1],
];
const HOUSE = line('W', 0, 0, 10, 8);
/** Lines of a layer where the file has them. */
const linesOn = (drawing: Drawing, layer: string) =>
  Array.from(
    drawing.layers.find(({ name }) => name === layer)?.lines ?? [],
    (v, n) => Math.round((v + drawing.origin[n % 2]) * 1e6) / 1e6,
  );

describe('a DXF drawing from elsewhere', () => {
  it('is in the code page of its bytes, else of its header, else of Western Europe', () => {
    const named = (page: string) =>
      dxf([...HOUSE, 0, 'TEXT', 8, 'N', 10, 1, 20, 1, 40, 1, 1, 'X'], { header: [9, '$DWGCODEPAGE', 3, page] });
    const bytes = (page: string, letters: number[]) => {
      const [before, after] = named(page).split('\r\nX\r\n');
      return Uint8Array.from([...Buffer.from(`${before}\r\n`), ...letters, ...Buffer.from(`\r\n${after}`)]);
    };
    const word = (page: string, letters: number[]) => {
      const read = readDxfBytes(bytes(page, letters));
      return read.ok ? read.value.texts[0].text : read.problem.code;
    };
    // Küche; Кухня; Café; küche in the old code page 850.
    expect(word('ANSI_1252', [0x4b, 0xfc, 0x63, 0x68, 0x65])).to.equal('Küche');
    expect(word('ANSI_1251', [0xca, 0xf3, 0xf5, 0xed, 0xff])).to.equal('Кухня');
    expect(word('nonsense', [0x43, 0x61, 0x66, 0xe9])).to.equal('Café');
    expect(word('DOS850', [0x6b, 0x81, 0x63, 0x68, 0x65])).to.equal('küche');
    expect(word('ANSI_1252', [...Buffer.from('Küche')])).to.equal('Küche');
    expect(decodeDxf(Uint8Array.from([0xff, 0x00]))).to.have.length(2);
  });

  it('keeps its words without what only formats them', () => {
    const text = (type: string, said: string) =>
      must(dxf([...HOUSE, 0, type, 8, 'N', 10, 1, 20, 1, 40, 1, 1, said])).texts[0]?.text;
    expect(text('TEXT', '%%c22 at 45%%d, 100%%%')).to.equal('Ø22 at 45°, 100%');
    expect(text('MTEXT', '{\\fSans|b0;\\H2x;Living\\Proom} \\U+00B2')).to.equal('Living room ²');
    expect(text('TEXT', 'a\u0007b')).to.equal('a b');
    expect(text('MTEXT', '')).to.equal(undefined);
  });

  it('tells which of its layers are off, frozen, locked or not printed', () => {
    const layer = (name: string, flags: number, color: number, plot: number): Part[] => [
      0,
      'LAYER',
      2,
      name,
      70,
      flags,
      62,
      color,
      290,
      plot,
    ];
    const tables = [0, 'TABLE', 2, 'LAYER', ...layer('W', 0, 7, 1), ...layer('OFF', 0, -7, 1), ...layer('ICE', 1, 7, 1)];
    const rest = [...layer('FAST', 4, 7, 1), ...layer('SCREEN', 0, 7, 0), 0, 'ENDTAB'];
    const drawing = must(
      dxf([...HOUSE, ...['OFF', 'ICE', 'FAST', 'SCREEN', 'NEW'].flatMap((name) => line(name, 0, 0, 1, 1))], {
        tables: [...tables, ...rest],
      }),
    );
    const states = Object.fromEntries(
      drawing.layers.map(({ name, isOff, isFrozen, isLocked, isPrinted }) => [name, [isOff, isFrozen, isLocked, isPrinted]]),
    );
    expect(states).to.deep.equal({
      W: [false, false, false, true],
      OFF: [true, false, false, true],
      ICE: [false, true, false, true],
      FAST: [false, false, true, true],
      SCREEN: [false, false, false, false],
      NEW: [false, false, false, true],
    });
  });

  it('hides with a frozen layer all that is inserted on it', () => {
    const tables = [0, 'TABLE', 2, 'LAYER', 0, 'LAYER', 2, 'ICE', 70, 1, 62, 7, 0, 'ENDTAB'];
    const blocks = [0, 'BLOCK', 8, '0', 2, 'B', 10, 0, 20, 0, ...line('W', 0, 0, 5, 0), 0, 'ENDBLK'];
    const drawing = must(dxf([...HOUSE, 0, 'INSERT', 8, 'ICE', 2, 'B', 10, 1, 20, 1], { tables, blocks }));
    expect([linesOn(drawing, 'W').length / 4, linesOn(drawing, 'ICE')]).to.deep.equal([1, [1, 1, 6, 1]]);
  });

  it('finds its blocks in any letter case, in each other, turned and mirrored', () => {
    const blocks = [
      ...[0, 'BLOCK', 8, '0', 2, 'Leaf', 10, 0, 20, 0, ...line('0', 0, 0, 1, 0), 0, 'ENDBLK'],
      ...[0, 'BLOCK', 8, '0', 2, 'DOOR', 10, 0, 20, 0, 0, 'INSERT', 8, '0', 2, 'LEAF', 10, 2, 20, 0, 50, 90, 0, 'ENDBLK'],
    ];
    const drawing = must(dxf([...HOUSE, 0, 'INSERT', 8, 'D', 2, 'door', 10, 5, 20, 1, 41, -1], { blocks }));
    // The leaf stands upright at 2, and is mirrored to the left of 5.
    expect(linesOn(drawing, 'D')).to.deep.equal([3, 1, 3, 2]);
    // Seen from below, x runs the other way.
    const below = must(
      dxf([...HOUSE, 0, 'LWPOLYLINE', 8, 'P', 90, 2, 70, 0, 10, -1, 20, 1, 10, -2, 20, 1, 210, 0, 220, 0, 230, -1]),
    );
    expect(linesOn(below, 'P')).to.deep.equal([1, 1, 2, 1]);
  });

  it('has arcs of polylines as arcs, so that a door is one however it was drawn', () => {
    const quarter = Math.tan(Math.PI / 8);
    const door = [0, 'LWPOLYLINE', 8, 'D', 90, 2, 70, 0, 10, 0.9, 20, 0, 42, quarter, 10, 0, 20, 0.9];
    const [cx, cy, radius, start, end] = must(dxf([...HOUSE, ...door])).layers.find(({ name }) => name === 'D')!.arcs;
    expect([cx, cy, radius].map((v) => Math.round(v * 1e6) / 1e6 + 0)).to.deep.equal([0, 0, 0.9]);
    expect(end - start).to.be.closeTo(Math.PI / 2, 1e-9);
  });

  it('lies about its own corner wherever it was drawn, and what lies far from everything is left out and told', () => {
    const room = (x: number, y: number) =>
      Array.from({ length: 12 }, (_, n) => line('W', x + n, y, x + n, y + 9 - (n % 3))).flat();
    const far = must(dxf(room(4_512_345.5, 5_398_765.25)));
    expect(far.origin).to.deep.equal([4_512_345.5, 5_398_765.25]);
    expect([far.bounds.maxX, far.bounds.maxY]).to.deep.equal([11, 9]);
    const stray = must(dxf([...room(0, 0), ...line('W', 0, 0, 1e12, 1e12)]));
    expect([stray.bounds.maxX, stray.ignored['far away']]).to.deep.equal([11, 1]);
    expect(must(dxf([...room(0, 0), ...line('W', 0, 0, 1e300, 5)])).problems.map(({ code }) => code)).to.include(
      'drawing-bad-numbers',
    );
  });

  it('tells by kind and count what was left out', () => {
    const drawing = must(
      dxf([...HOUSE, 0, 'HATCH', 8, 'H', 0, 'HATCH', 8, 'H', ...line('P', 0, 0, 9, 9), 67, 1, ...line('P', 0, 0, 1, 1), 60, 1]),
    );
    expect(drawing.ignored).to.deep.equal({ HATCH: 2, 'on a paper sheet': 1, hidden: 1 });
  });

  it('keeps its dimensions with what they say, and guesses its unit by what would fit a house', () => {
    const dimension = (text: string): Part[] => [
      ...[0, 'DIMENSION', 8, 'DIM', 70, 0, 1, text, 50, 0],
      ...[13, 0, 23, 0, 14, 420, 24, 30],
    ];
    const arc = (radius: number): Part[] => [0, 'ARC', 8, 'D', 10, 0, 20, 0, 40, radius, 50, 0, 51, 90];
    const unitless = (parts: Part[]) => must(dxf(parts, { header: [] }));
    const said = unitless([...line('W', 0, 0, 1200, 800), ...dimension('4.20 m')]);
    expect(said.dimensions).to.deep.equal([{ layer: 'DIM', a: [0, 0], b: [420, 30], measured: 420, text: '4.20 m' }]);
    // Without words of its own it shows those of its block.
    const block: Part[] = [
      0,
      'BLOCK',
      2,
      '*D1',
      70,
      1,
      10,
      0,
      20,
      0,
      ...line('0', 0, 40, 420, 40),
      0,
      'MTEXT',
      8,
      '0',
      1,
      '4,2 m',
      0,
      'ENDBLK',
    ];
    const shown: Part[] = [0, 'DIMENSION', 8, 'DIM', 2, '*D1', 70, 0, 50, 0, 13, 0, 23, 0, 14, 420, 24, 0];
    expect(must(dxf([...HOUSE, ...shown], { blocks: block })).dimensions[0]).to.include({ measured: 420, text: '4,2 m' });
    expect(said.guess).to.deep.equal({
      metresPerUnit: 0.01,
      evidence: [
        { kind: 'dimension', metres: 4.2 },
        { kind: 'size', metres: 12 },
      ],
    });
    // 480 units wide: 4.8 m or 40 ft. The door leaf of 32 units says inches, one of 80 says centimetres.
    const guess = (radius: number) => unitless([...line('W', 0, 0, 480, 400), ...arc(radius)]).guess.metresPerUnit;
    expect([guess(32), guess(80)]).to.deep.equal([0.0254, 0.01]);
  });

  it('goes along its splines, by fit points or by its knots', () => {
    const knots = [0, 0, 0, 0, 1, 1, 1, 1].flatMap((knot) => [40, knot]);
    const control = [
      [0, 0],
      [0, 2],
      [4, 2],
      [4, 0],
    ].flatMap(([x, y]) => [10, x, 20, y]);
    const drawing = must(dxf([...HOUSE, 0, 'SPLINE', 8, 'S', 71, 3, ...knots, ...control]));
    const lines = linesOn(drawing, 'S');
    expect([lines.slice(0, 2), lines.slice(-2)]).to.deep.equal([
      [0, 0],
      [4, 0],
    ]);
    // Half way along, a cubic of these points is at (2, 1.5).
    expect(lines.slice(10, 12)).to.deep.equal([2, 1.5]);
  });
});

describe('a hostile DXF drawing', () => {
  it('that promises more than it holds, or never ends what it began, is read as far as it goes', () => {
    expect(codeOf(dxf([...HOUSE, 0, 'LWPOLYLINE', 8, 'P', 90, 2_000_000_000, 70, 0, 10, 0, 20, 0, 10, 1, 20, 1]))).to.equal(
      'read',
    );
    expect(
      codeOf([...section('ENTITIES', HOUSE).slice(0, -2), 0, 'POLYLINE', 8, 'P', 66, 1, 0, 'VERTEX', 10, 0, 20, 0].join('\n')),
    ).to.equal('read');
    expect(
      codeOf([0, 'SECTION', 2, 'BLOCKS', 0, 'BLOCK', 2, 'A', ...HOUSE, ...section('ENTITIES', HOUSE), 0, 'EOF'].join('\n')),
    ).to.equal('read');
    expect(codeOf(section('ENTITIES', HOUSE).join('\r'))).to.equal('read');
  });

  it('that repeats nothing in rows of rows is refused soon', () => {
    const blocks = [0, 'BLOCK', 2, 'E', 10, 0, 20, 0, 0, 'ENDBLK'];
    for (let n = 0; n < 12; n++)
      blocks.push(
        0,
        'BLOCK',
        2,
        `B${n}`,
        10,
        0,
        20,
        0,
        0,
        'INSERT',
        2,
        n === 0 ? 'E' : `B${n - 1}`,
        70,
        200,
        71,
        200,
        0,
        'ENDBLK',
      );
    expect(codeOf(dxf([...HOUSE, 0, 'INSERT', 2, 'B11', 10, 0, 20, 0], { blocks }))).to.equal('drawing-too-large');
  });

  it('has its line named where it is damaged, and its kind where it is no DXF of text', () => {
    const damaged = readDxf(dxf(HOUSE).replace('\r\n8\r\nW', '\r\neight\r\nW'));
    expect(damaged.ok ? '' : damaged.problem.reason).to.match(/^line \d+: is no group code$/);
    const kind = (text: string) => {
      const read = readDxfBytes(Buffer.from(text, 'latin1'));
      return read.ok ? 'read' : [read.problem.code, read.problem.kindFound].filter(Boolean).join(' ');
    };
    expect(kind('AC1032\0\0\0')).to.equal('drawing-kind DWG');
    expect(kind('SomeProgram Binary DXF\r\n\u001a\0')).to.equal('drawing-kind binary DXF');
    expect(kind('')).to.equal('file-empty');
    expect(kind('hello\nworld\n')).to.equal('dxf-damaged');
  });

  it('names layers and blocks like the insides of the program, and they are names', () => {
    const drawing = must(
      dxf([
        ...line('__proto__', 0, 0, 5, 5),
        ...line('constructor', 0, 0, 5, 5),
        0,
        'INSERT',
        8,
        'toString',
        2,
        'hasOwnProperty',
        10,
        0,
        20,
        0,
        0,
        '__PROTO__',
        8,
        'x',
      ]),
    );
    expect(drawing.layers.map(({ name }) => name)).to.include.members(['__proto__', 'constructor']);
    expect(drawing.problems.map(({ name }) => name)).to.include('hasOwnProperty');
  });
});
