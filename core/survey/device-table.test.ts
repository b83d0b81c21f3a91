import { expect } from 'chai';
import { applied, smallHouse } from '../testing/index.ts';
import { type DeviceTable, devicesFromTable, devicesOfTable, guessDeviceColumns, isDeviceTable } from './device-table.ts';
import { readHouseTable } from './house-table.ts';

const house = smallHouse();
const [room] = Object.values(house.rooms);
const read = (text: string): DeviceTable => {
  const table = readHouseTable(text);
  if (!table.ok) throw new Error(table.problem.code);
  return devicesOfTable(house, room.levelId, table.value, guessDeviceColumns(table.value.head), 'm');
};
const made = (text: string) => {
  let count = 0;
  const operations = devicesFromTable(house, read(text), { device: () => `d${++count}`, run: () => `r${++count}` });
  if (!operations.ok) throw new Error(operations.problem.code);
  return applied(house, operations.value);
};

describe('a table of devices', () => {
  it('places each by its room or its place, with its name, height and runs', () => {
    const project = made(`Type;Name;Room;x;y;Height\nCeiling speaker;Left;${room.name};;;\nNetwork drop;Desk;;3,00;0,05;0,45\n`);
    const [speaker, drop] = Object.values(project.devices);
    expect([speaker.name, speaker.roomId]).to.deep.equal(['Left', room.id]);
    expect([drop.name, drop.heightM]).to.deep.equal(['Desk', 0.45]);
    expect(drop.x).to.be.closeTo(3, 0.3);
    expect(new Set(Object.values(project.runs).map(({ deviceId }) => deviceId))).to.deep.equal(new Set([speaker.id, drop.id]));
  });

  it('spreads devices of one room, and numbers them apart', () => {
    const project = made(`type,room\n${`ceiling-speaker,${room.code}\n`.repeat(9)}`);
    const places = Object.values(project.devices).map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`);
    expect(new Set(places).size).to.equal(9);
    expect(new Set(Object.values(project.devices).map(({ number }) => number)).size).to.equal(9);
  });

  it('reports each row that cannot be imported by line and field, and keeps the others', () => {
    const { devices, problems } = read(
      `device,room,x,y,height\nCeiling speaker,${room.name},,,\nWarp drive,${room.name},,,\nKeypad,Ballroom,,,\nKeypad,,,,\nKeypad,,a lot,2,\nKeypad,,9999,2,\nKeypad,${room.name},,,99\n`,
    );
    expect(devices.map(({ line }) => line)).to.deep.equal([2]);
    expect(problems.map(({ line, problem }) => [line, problem.code, problem.field])).to.deep.equal([
      [3, 'table-type', 'type'],
      [4, 'table-room', 'room'],
      [5, 'table-place', 'room'],
      [6, 'table-cell', 'x'],
      [7, 'table-range', 'x'],
      [8, 'table-range', 'height'],
    ]);
  });

  it('is distinguished from a table of rooms', () => {
    expect([isDeviceTable(['Type', 'Room', 'x', 'y']), isDeviceTable(['Room', 'Width', 'Depth'])]).to.deep.equal([true, false]);
    const missing = devicesOfTable(
      house,
      room.levelId,
      { head: ['a'], rows: [{ line: 2, cells: ['x'] }], hasDecimalComma: false },
      {},
      'm',
    );
    expect(missing.problems[0].problem.code).to.equal('table-column-missing');
  });
});
