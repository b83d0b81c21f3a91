import { expect } from 'chai';
import { edited, listOf } from '../derive/index.ts';
import { wallNumbers } from '../house/index.ts';
import { twoStoreyHouse } from '../testing/index.ts';
import { guessLengthColumns, isLengthTable, lengthsFromTable, lengthsOfTable } from './length-table.ts';
import { type HouseTable, readHouseTable } from './house-table.ts';

const house = twoStoreyHouse();
const [room] = listOf(house, 'rooms').filter(({ levelId }) => levelId === 'm');
const [wallId] = [...wallNumbers(house)].find(([id, number]) => number === 'W1' && house.walls[id].levelId === 'm')!;
const table = (csv: string): HouseTable => {
  const read = readHouseTable(csv);
  if (!read.ok) throw new Error(read.problem.code);
  return read.value;
};
const read = (csv: string) => {
  const given = table(csv);
  return lengthsOfTable(house, 'm', given, guessLengthColumns(given.head), 'm', { who: 'Ida Marsh', today: '2026-12-01' });
};

describe('a table of measured lengths', () => {
  it('is known by its columns, and writes each value with who measured it and when', () => {
    const csv = `Room;What;Length;By;Date\n${room.name};Ceiling height;2,655;Tove Reed;30.11.2026\nW1;Cavity;0,09;;\n`;
    expect(isLengthTable(table(csv).head)).to.equal(true);
    expect(isLengthTable(['Name', 'Width', 'Depth'])).to.equal(false);
    const found = read(csv);
    expect(found.problems).to.deep.equal([]);
    let count = 0;
    const made = lengthsFromTable(house, found, () => `fact${++count}`);
    const after = edited(house, made.ok ? made.value : []);
    if (!after.ok) throw new Error(after.problem.code);
    expect(after.value.rooms[room.id].ceilingHeightM).to.be.closeTo(2.655, 1e-9);
    expect(after.value.walls[wallId].cavityDepthM).to.be.closeTo(0.09, 1e-9);
    expect(
      listOf(after.value, 'facts').map(({ subject, field, state, by, on }) => [subject, field, state, by, on].join(' ')),
    ).to.deep.equal(['rooms ceilingHeightM measured Tove Reed 2026-11-30', 'walls cavityDepthM measured Ida Marsh 2026-12-01']);
  });

  it('reports each row that cannot be imported by line and field, and imports the others', () => {
    const found = read(
      [
        'Place,What,Length',
        `${room.name},Ceiling height,2.6`,
        'Boat shed,Ceiling height,2.6',
        `${room.name},Color,2.6`,
        `${room.name},Ceiling height,high`,
        `${room.name},Ceiling height,260`,
        ',Ceiling height,2.6',
      ].join('\n'),
    );
    expect(found.lengths.map(({ lengthM }) => lengthM)).to.deep.equal([2.6]);
    expect(found.problems.map(({ line, problem }) => [line, problem.code, problem.field])).to.deep.equal([
      [3, 'length-place', 'place'],
      [4, 'length-what', 'what'],
      [5, 'table-cell', 'length'],
      [6, 'record-invalid', 'length'],
      [7, 'length-place', 'place'],
    ]);
  });

  it('takes the later of two rows for one thing', () => {
    const found = read(`Place,What,Length\n${room.name},Height,2.5\n${room.code},Ceiling,2.7\n`);
    const made = lengthsFromTable(house, found, () => 'fact1');
    const after = edited(house, made.ok ? made.value : []);
    expect(after.ok && after.value.rooms[room.id].ceilingHeightM).to.equal(2.7);
  });
});
