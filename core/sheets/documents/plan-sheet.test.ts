import { expect } from 'chai';
import { boundsOf, type Point2, pointInPolygon } from '../../math/index.ts';
import { deviceNumber } from '../../devices/index.ts';
import { planRuns } from '../../runs/index.ts';
import { newOpening, newRoom, type ProjectDocument } from '../../model/index.ts';
import { countedIds, PLACE_WORDS, smallHouse, withDevices } from '../../testing/index.ts';
import { planList } from './plan-list.ts';
import type { SheetMark } from './plan-marks.ts';
import { NOTE_MM, shortRunNumbers } from './plan-notes.ts';
import { planSheet, type SheetPaper } from './plan-sheet.ts';

const { project, devices } = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [1, 0.1], heightM: 0.4 },
    { typeId: 'network-drop', at: [7, 0.1] },
    { typeId: 'access-point', at: [2.5, 2] },
    { typeId: 'camera', at: [6, -0.1], heightM: 2.7 },
  ],
  countedIds(),
);
const sheetOf = (house: ProjectDocument, paper: SheetPaper = 'A3') => {
  const sheet = planSheet(house, 'm', paper, planRuns(house));
  if (!sheet.ok) throw new Error(sheet.problem.code);
  return sheet.value;
};
const of = <K extends SheetMark['kind']>(marks: readonly SheetMark[], kind: K) =>
  marks.filter((mark): mark is Extract<SheetMark, { kind: K }> => mark.kind === kind);

describe('the plan of a level on paper', () => {
  const sheet = sheetOf(project);

  it('has beside each device its number, its height and its runs', () => {
    const notes = of(sheet.marks, 'note').map(({ lines }) => lines);
    // Walls are numbered from the upper left: the west wall is W3, the south wall of the first room W6.
    expect(notes).to.deep.include(['AA-01 · 0.40 m', 'M-AA-01.1 .2', 'W3 0.94 m']);
    expect(notes).to.deep.include(['AA-02', 'M-AA-02.1', 'W6 1.94 m  W3 2.44 m']);
    expect(notes).to.deep.include(['EX-01 · 2.70 m', 'M-EX-01.1']);
    expect(sheet.withoutNote).to.equal(0);
  });

  it('says how large the house is outside, and each room from face to face', () => {
    // 10.2 x 4.1 m between center lines, walls of 0.12 m; a room is 5.1 x 4.1 less one wall each way.
    expect(of(sheet.marks, 'dimension').map(({ text }) => text)).to.deep.equal(['10.32 m', '4.22 m']);
    expect(of(sheet.marks, 'room').map(({ clear }) => clear)).to.deep.equal(['4.98 m × 3.98 m', '4.98 m × 3.98 m']);
    const corner = newRoom({ ...project.rooms.a, polygon: [...project.rooms.a.polygon.slice(0, 3), [1, 4.1], [0, 3]] });
    const cut = sheetOf({ ...project, rooms: { ...project.rooms, a: corner } });
    expect(of(cut.marks, 'room').map(({ clear }) => clear)).to.deep.equal(['', '4.98 m × 3.98 m']);
  });

  it('numbers every wall on the wall, and says which of the plans of the house it is', () => {
    const tags = of(sheet.marks, 'wall-number');
    expect(tags.map(({ number }) => number).sort()).to.deep.equal(['W1', 'W2', 'W3', 'W4', 'W5', 'W6', 'W7']);
    const walls = of(sheet.marks, 'wall').map(({ points }) => boundsOf(points)!);
    for (const { at } of tags)
      expect(walls.some((box) => at[0] > box.minX && at[0] < box.maxX && at[1] > box.minY && at[1] < box.maxY)).to.equal(true);
    expect(sheet.number).to.deep.equal({ sheet: 1, sheets: 1 });
    const key = planSheet(project, 'm', 'A4', null);
    if (!key.ok) throw new Error(key.problem.code);
    expect(of(key.value.marks, 'device')).to.deep.equal([]);
    expect(of(key.value.marks, 'corner')).to.have.length(4);
    expect(key.value.key).to.deep.equal([]);
  });

  it('draws doors open as they swing, from the face that they open towards, and windows without a leaf', () => {
    const opening = (id: string, more: object) =>
      newOpening({
        id,
        wallId: 'middle',
        kind: 'door',
        offsetM: 1,
        widthM: 0.8,
        sillM: 0,
        headM: 2,
        hinge: 'start',
        swing: 'left',
        ...more,
      });
    const leaves = (...openings: ReturnType<typeof opening>[]) => {
      const { marks, scale } = sheetOf(smallHouse({ openings }));
      const [origin] = of(marks, 'wall').map(({ points }) => boundsOf(points)!);
      expect(origin.minX).to.be.a('number');
      return of(marks, 'leaf').map(({ points: [hinge, open, shut] }) => {
        const m = ([x, y]: Point2, [u, v]: Point2) =>
          [((x - u) * scale) / 1000, ((y - v) * scale) / 1000].map((n) => Math.round(n * 1000) / 1000 + 0);
        return [m(open, hinge), m(shut, hinge)];
      });
    };
    // The wall runs up the sheet: left of it is towards smaller x.
    expect(leaves(opening('d', {}))).to.deep.equal([
      [
        [-0.8, 0],
        [0, 0.8],
      ],
    ]);
    expect(leaves(opening('d', { hinge: 'end', swing: 'right' }))).to.deep.equal([
      [
        [0.8, 0],
        [0, -0.8],
      ],
    ]);
    expect(leaves(opening('w', { kind: 'window', hinge: null, swing: null, sillM: 0.9 }))).to.deep.equal([]);
  });

  it('tells what each mark means and how many there are', () => {
    expect(sheet.key.map(({ code, count }) => [code, count])).to.deep.equal([
      ['AP', 1],
      ['CM', 1],
      ['ND', 2],
    ]);
  });

  it('keeps everything inside its frame, and names in their rooms, with fifty devices in a room and a name of many words', () => {
    const crowd = Array.from({ length: 50 }, (_, i) => ({
      typeId: 'ceiling-speaker',
      at: [0.4 + (i % 10) * 0.45, 0.4 + Math.floor(i / 10) * 0.8] as [number, number],
    }));
    const made = withDevices(smallHouse(), crowd, countedIds()).project;
    const name = 'Drawing room with the gallery above it and a view of the tidal creek';
    const full = { ...made, rooms: { ...made.rooms, a: { ...made.rooms.a, name } } };
    for (const paper of ['A4', 'A3', 'Tabloid'] as const) {
      const { marks, widthMm, heightMm, marginMm, titleBlockMm, keyMm, withoutNote } = sheetOf(full, paper);
      const points = marks.flatMap((mark): Point2[] => {
        if ('points' in mark) return [...mark.points];
        if (mark.kind !== 'note') return [mark.at];
        const width = Math.max(...mark.lines.map((line) => line.length)) * NOTE_MM.perLetter;
        return [mark.at, [mark.at[0] + width, mark.at[1] - mark.lines.length * NOTE_MM.line]];
      });
      const box = boundsOf(points)!;
      expect(box.minX, paper).to.be.greaterThan(marginMm);
      expect(box.maxX, paper).to.be.lessThan(widthMm - marginMm - keyMm);
      expect(box.minY, paper).to.be.greaterThan(marginMm + titleBlockMm);
      expect(box.maxY, paper).to.be.lessThan(heightMm - marginMm);
      for (const room of of(marks, 'room')) expect(pointInPolygon(room.at, room.outline), `${paper} ${room.code}`).to.equal(true);
      // One note is the rack's.
      expect(of(marks, 'note').length - 1 + withoutNote).to.equal(50);
      expect(of(marks, 'room')[0].lines.join(' ')).to.equal(name);
    }
  });

  it('lists every device behind it, also one that found no place for its number', () => {
    const [list, key] = planList(project, 'm', planRuns(project), {
      outdoors: 'Outdoors',
      atCeiling: 'at the ceiling',
      place: PLACE_WORDS,
    });
    expect(list.rows.map(([number]) => number)).to.deep.equal(['AA-01', 'AA-02', 'BB-01', 'EX-01']);
    expect(list.rows[0].slice(2, 4)).to.deep.equal(['Room AA lower, 0.94 m left', '0.40 m']);
    expect(list.rows[0][4]).to.match(/^M-AA-01\.1 Category 6 \d+(\.\d)? m, M-AA-01\.2/);
    expect(list.rows[3][2]).to.equal('Outdoors, outside lower, 4.26 m right corner');
    expect(key.rows.map(([mark]) => mark)).to.deep.equal(['AP', 'CM', 'ND']);
  });
});

describe('numbers on the plan', () => {
  it('name the room, or the outdoors', () => {
    expect(devices.map((device) => deviceNumber(project, device))).to.deep.equal(['AA-01', 'BB-01', 'AA-02', 'EX-01']);
  });

  it('say once what the runs of a device share', () => {
    expect(shortRunNumbers([])).to.equal('');
    expect(shortRunNumbers(['M-KT-02.1'])).to.equal('M-KT-02.1');
    expect(shortRunNumbers(['M-KT-02.1', 'M-KT-02.2', 'M-KT-02.10'])).to.equal('M-KT-02.1 .2 .10');
    expect(shortRunNumbers(['A001', 'A002'])).to.equal('A001 A002');
  });
});
