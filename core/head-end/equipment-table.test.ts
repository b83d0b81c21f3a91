import { expect } from 'chai';
import { edited, listOf } from '../derive/index.ts';
import { smallHouse } from '../testing/index.ts';
import { readHouseTable } from '../survey/index.ts';
import { equipmentFromTable, equipmentOfTable, guessEquipmentColumns, isEquipmentTable } from './equipment-table.ts';

const house = smallHouse();
const [rack] = listOf(house, 'racks');
const read = (csv: string) => {
  const table = readHouseTable(csv);
  if (!table.ok) throw new Error(table.problem.code);
  let count = 0;
  return equipmentOfTable(house, table.value, guessEquipmentColumns(table.value.head), 'm', () => `eq${++count}`);
};

describe('a table of equipment', () => {
  it('is known by its columns, apart from one of devices', () => {
    expect(isEquipmentTable(['Type', 'Rack', 'Watts'])).to.equal(true);
    expect(isEquipmentTable(['Type', 'Room', 'Height'])).to.equal(false);
  });

  it('puts generic equipment into a head end with what differs from its type', () => {
    const found = read(
      `Type;Name;Rack;Units;Depth (m);Weight;Watts;Serial\nRouter;Edge router;${rack.code};2;0,31;4,5;38 W;SN-1\n`,
    );
    expect(found.problems).to.deep.equal([]);
    const after = edited(house, equipmentFromTable(found));
    if (!after.ok) throw new Error(after.problem.code);
    expect(
      listOf(after.value, 'equipment').map((one) => [
        one.name,
        one.rackId,
        one.units,
        one.depthM,
        one.weightKg,
        one.powerW,
        one.serial,
      ]),
    ).to.deep.equal([['Edge router', rack.id, 2, 0.31, 4.5, 38, 'SN-1']]);
    // What the table does not say is as the type has it.
    expect(listOf(after.value, 'equipment')[0].ports).to.have.length.above(0);
  });

  it('reports each row that cannot be imported by line and field, and imports the others', () => {
    const found = read(
      ['Type,Rack,Units,Weight', 'Router,,,', 'Toaster,,,', 'Router,Z9,,', 'Router,,,-4', 'Router,,,heavy', 'Router,,1.5,'].join(
        '\n',
      ),
    );
    expect(found.equipment).to.have.length(1);
    expect(found.problems.map(({ line, problem }) => [line, problem.code, problem.field])).to.deep.equal([
      [3, 'equipment-type', 'type'],
      [4, 'equipment-head-end', 'headEnd'],
      [5, 'record-invalid', 'weight'],
      [6, 'equipment-figure', 'weight'],
      [7, 'record-invalid', 'units'],
    ]);
  });
});
