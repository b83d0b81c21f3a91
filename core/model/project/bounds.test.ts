import { expect } from 'chai';
import { smallHouse } from '../../testing/index.ts';
import {
  boundsProblem,
  checkBounds,
  countProblem,
  LEVEL_SPAN_M,
  MAX_RECORDS,
  MAX_ROOM_AREA_M2,
  mayBreakBounds,
} from './bounds.ts';
import { CLEAN_TEXT, cleanText, textProblem } from './text-rules.ts';
import { COLLECTIONS } from './collections.ts';
import { create, update } from './operations.ts';
import { newRoom, newWall } from './defaults.ts';
import type { ProjectDocument } from './project-document.ts';

type Corners = [number, number][];
const square = (x: number, sideM: number): Corners => [
  [x, 0],
  [x + sideM, 0],
  [x + sideM, sideM],
  [x, sideM],
];
const withRooms = (...polygons: Corners[]): ProjectDocument => ({
  ...smallHouse(),
  rooms: Object.fromEntries(
    polygons.map((polygon, n) => [
      `r${n}`,
      newRoom({ id: `r${n}`, levelId: 'm', code: `R${n}`, name: `Room ${n}`, use: '', polygon }),
    ]),
  ),
});

describe('the bounds of a house', () => {
  it('hold for an ordinary one', () => {
    expect(checkBounds(smallHouse()).ok).to.equal(true);
  });

  it('are as wide as they say, and no wider', () => {
    const side = Math.sqrt(MAX_ROOM_AREA_M2);
    expect(boundsProblem(withRooms(square(0, side - 0.01)))).to.equal(null);
    expect(boundsProblem(withRooms(square(0, side + 0.01)))).to.include({ code: 'room-too-large', field: 'rooms.r0.polygon' });
    const { walls } = smallHouse();
    const reach = Math.max(...Object.values(walls).flatMap(({ a, b }) => [a[0], b[0]]));
    const min = Math.min(...Object.values(walls).flatMap(({ a, b }) => [a[0], b[0]]));
    expect(boundsProblem(withRooms(square(min + LEVEL_SPAN_M - 5, 5)))).to.equal(null);
    expect(boundsProblem(withRooms(square(min + LEVEL_SPAN_M - 4.9, 5)))).to.include({
      code: 'level-spans-too-far',
      field: 'levels.m',
    });
    expect(reach).to.be.lessThan(LEVEL_SPAN_M);
    const many = Array.from({ length: 11 }, (_, n) => square((n % 4) * 70, 69));
    expect(boundsProblem(withRooms(...many))).to.include({ code: 'floors-too-large' });
  });

  it('count every list', () => {
    for (const name of Object.keys(COLLECTIONS) as (keyof typeof COLLECTIONS)[]) {
      expect(countProblem(name, MAX_RECORDS[name]), name).to.equal(null);
      expect(countProblem(name, MAX_RECORDS[name] + 1), name).to.include({ code: 'too-many-records', field: name });
    }
  });

  it('are checked again where something is drawn or moved, not where it is renamed or deleted', () => {
    const house = smallHouse();
    const [wall] = Object.values(house.walls);
    const [room] = Object.values(house.rooms);
    expect(mayBreakBounds([create('walls', newWall({ ...wall, id: 'new' }))])).to.equal(true);
    expect(mayBreakBounds([update('walls', wall, { b: [9, 9] })!])).to.equal(true);
    expect(mayBreakBounds([update('rooms', room, { name: 'Den' })!])).to.equal(false);
    expect(mayBreakBounds([{ op: 'delete', in: 'walls', id: wall.id, record: wall as never }])).to.equal(false);
  });
});

describe('texts', () => {
  it('hold no control character, no half of a pair and nothing invisible; other scripts and signs are welcome', () => {
    for (const text of ['Crèche 🦀', '日本語', 'עברית', 'a\tb\nc', 'नमस्ते', '👩‍🔧 fitter'])
      expect(CLEAN_TEXT.test(text), text).to.equal(true);
    for (const text of ['\u0000', '\u001b[0m', '\ud83e', '\udd80', '\u200b', '\u202e', '\u2028', '\ufeff', '\u0085'])
      expect(CLEAN_TEXT.test(`a${text}b`), JSON.stringify(text)).to.equal(false);
    expect(cleanText('a\u200bb\u0007c \ud83e')).to.equal('abc ');
  });

  it('are found wherever they stand in a value, and nesting has an end', () => {
    expect(textProblem({ a: [{ b: 'x' }, { b: 'y\u0001' }] })).to.include({ field: 'a[1].b' });
    expect(textProblem({ 'k\u0000': 1 })).to.include({ code: 'record-invalid' });
    let deep: unknown = 'end';
    for (let n = 0; n < 100_000; n++) deep = [deep];
    expect(textProblem(deep)).to.include({ code: 'nested-too-deep' });
    expect(textProblem({ a: 'fine', b: [1, null, true] })).to.equal(null);
  });
});
