import { expect } from 'chai';
import { edited } from '../derive/index.ts';
import { polygonArea } from '../math/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { mutated, smallHouse } from '../testing/index.ts';
import { guessColumns, guessTableUnit, houseFromTable, readHouseTable, tableHouse, type TableUnit } from './house-table.ts';

const empty = (): ProjectDocument => ({ ...smallHouse(), rooms: {}, walls: {}, openings: {}, racks: {}, devices: {}, runs: {} });

function must(text: string) {
  const table = readHouseTable(text);
  if (!table.ok) throw new Error(table.problem.code);
  return table.value;
}
function read(text: string, unit: TableUnit = 'm', project = empty()) {
  const table = must(text);
  return tableHouse(project, 'm', table, guessColumns(table.head), unit);
}
const codeOf = (text: string) => {
  const table = readHouseTable(text);
  return table.ok ? 'read' : table.problem.code;
};

describe('a table of rooms', () => {
  it('is read whatever separates its cells, with its columns known by their names and its unit by their brackets', () => {
    const plain = must('Room,Level,Width [m],Length [m],Ceiling\nHall,Main,4.2,3.1,2.7\n');
    expect(guessColumns(plain.head)).to.deep.equal({ name: 0, level: 1, width: 2, depth: 3, height: 4 });
    expect(guessTableUnit(plain.head)).to.equal('m');
    expect(guessTableUnit(must('name,width,depth\na,1,1').head)).to.equal(null);
    const german = must('\uFEFFRaum;Geschoss;Breite (cm);Länge (cm);Höhe (cm)\r\n"Küche; Essen";Main;420,5;310;270\r\n');
    expect(guessColumns(german.head)).to.deep.equal({ name: 0, level: 1, width: 2, depth: 3, height: 4 });
    expect(tableHouse(empty(), 'm', german, guessColumns(german.head), 'cm').rooms).to.deep.equal([
      { name: 'Küche; Essen', levelId: 'm', widthM: 4.205, depthM: 3.1, heightM: 2.7 },
    ]);
  });

  it('becomes rooms of these clear sizes beside each other, with their names and heights', () => {
    const found = read(`name,width,depth,height\nHall,4.2,3.1,2.7\nBath,2,2.5,\nHall,13' 9",10',8'`);
    expect(found.problems).to.deep.equal([]);
    let n = 0;
    const project = empty();
    const made = houseFromTable(project, found, (kind) => `${kind}_${++n}`);
    if (!made.ok) throw new Error(made.problem.code);
    const house = edited(project, made.value);
    if (!house.ok) throw new Error(house.problem.code);
    const rooms = Object.values(house.value.rooms);
    expect(rooms.map(({ name, ceilingHeightM }) => [name, ceilingHeightM]).sort()).to.deep.equal([
      ['Bath', null],
      ['Hall', 2.4384],
      ['Hall', 2.7],
    ]);
    // Outlines follow the middles of walls 115 mm thick about the clear size.
    const areas = rooms.map(({ polygon }) => Math.round(Math.abs(polygonArea(polygon as [number, number][])) * 1e4) / 1e4);
    const clear = (w: number, d: number) => Math.round((w + 0.115) * (d + 0.115) * 1e4) / 1e4;
    expect(areas.sort()).to.deep.equal([clear(2, 2.5), clear(4.191, 3.048), clear(4.2, 3.1)].sort());
    expect(Object.values(house.value.walls)).to.have.length(12);
    expect(new Set(rooms.map(({ code }) => code)).size).to.equal(3);
  });

  it('reports by line and field what cannot be imported, and imports the rest', () => {
    const { rooms, problems } = read('name,level,width,depth\nA,,4,3\nB,,wide,3\nC,,4000,3\nD,cellar,4,3\nE,,,3\nF,MAIN,5,4');
    expect(rooms.map(({ name }) => name)).to.deep.equal(['A', 'F']);
    expect(problems.map(({ line, problem: { code, field } }) => [line, code, field])).to.deep.equal([
      [3, 'table-cell', 'width'],
      [4, 'table-range', 'width'],
      [5, 'table-level', 'level'],
      [6, 'table-cell', 'width'],
    ]);
    expect(read('name,width\nA,4').problems[0].problem).to.include({ code: 'table-column-missing', field: 'depth' });
  });

  it('of walls by their ends becomes walls, and what they close a room', () => {
    const text = 'x1;y1;x2;y2;thickness\n0;0;500;0;20\n500;0;500;400;20\n500;400;0;400;20\n0;400;0;0;20\n1;1;1;1;20';
    const found = read(text, 'cm');
    expect(found.walls).to.have.length(4);
    expect(found.problems.map(({ line, problem }) => [line, problem.code])).to.deep.equal([[6, 'table-range']]);
    let n = 0;
    const made = houseFromTable(empty(), found, (kind) => `${kind}_${++n}`);
    const rooms = made.ok ? made.value.filter((operation) => operation.op === 'create' && operation.in === 'rooms') : [];
    expect(rooms).to.have.length(1);
  });

  it('that is empty, torn or endless is refused', () => {
    expect(['', '\n\n', 'name,width,depth', 'a,"b\nc'].map(codeOf)).to.deep.equal([
      'table-empty',
      'table-empty',
      'table-empty',
      'table-damaged',
    ]);
    expect(codeOf('a,b\n' + '1,2\n'.repeat(3000))).to.equal('table-too-large');
    expect(codeOf('x'.repeat(5_000_000))).to.equal('table-too-large');
    for (const cell of ['1e999', '=1+1', '__proto__', 'NaN', '-5', '\u0000'])
      expect(read(`name,width,depth\nA,"${cell}",3`).rooms, cell).to.deep.equal([]);
  });

  it('that was damaged is read or refused, and no row of it is taken that has no size', () => {
    const whole = Buffer.from(
      `Room;Width (cm);Depth (cm)\n${Array.from({ length: 40 }, (_, n) => `"Room ${n}";${300 + n};250,5`).join('\n')}`,
    );
    const kinds = new Set<string>();
    for (let seed = 0; seed < Number(process.env.MUTATED_FILES ?? 30); seed++) {
      const table = readHouseTable(Buffer.from(mutated(whole, seed)).toString('utf8'));
      kinds.add(table.ok ? 'read' : table.problem.code);
      if (!table.ok) continue;
      const { rooms } = tableHouse(empty(), 'm', table.value, guessColumns(table.value.head), 'm');
      for (const { widthM, depthM } of rooms)
        expect(widthM >= 0.3 && depthM >= 0.3 && widthM <= 100, `seed ${seed}`).to.equal(true);
    }
    expect([...kinds]).to.include('read');
  });
});
