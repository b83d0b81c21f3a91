import { expect } from 'chai';
import type { ProjectDocument } from '../../model/index.ts';
import { applied, countedIds, smallHouse, twoStoreyHouse, withDevices } from '../../testing/index.ts';
import { clipOfDevices, type CopyPlace, deviceIdsIn, deviceIdsOn, pasteDevices } from './copies.ts';

const ids = countedIds();
const furnished = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [1, 0.1], heightM: 0.45, name: 'desk', more: { finish: 'black' } },
    { typeId: 'network-drop', at: [2.5, 0.1], heightM: 1.2 },
    { typeId: 'ceiling-speaker', at: [1.5, 2], more: { note: 'was moved for a joist' } },
  ],
  ids,
);
const { project } = furnished;
const [desk, , speaker] = furnished.devices.map(({ id }) => id);

function pasted(house: ProjectDocument, deviceIds: readonly string[], to: CopyPlace) {
  const found = pasteDevices(house, clipOfDevices(house, deviceIds), to, ids);
  if (!found.ok) throw new Error(found.problem.code);
  const after = applied(house, found.value.operations);
  return { after, copies: found.value.devices.map(({ id }) => after.devices[id]) };
}

describe('copies of devices', () => {
  it('keep height, name and finish, and get a number and runs of their own', () => {
    const { after, copies } = pasted(project, [desk], { kind: 'at', levelId: 'm', at: [4, 0.1] });
    expect(copies[0]).to.include({ x: 4, y: 0, heightM: 0.45, name: 'desk', finish: 'black', roomId: 'a' });
    expect(copies[0].number).to.not.equal(project.devices[desk].number);
    const numbers = Object.values(after.runs).map(({ number }) => number);
    expect(new Set(numbers).size).to.equal(numbers.length);
    const legsOf = (id: string) => Object.values(after.runs).flatMap(({ deviceId, leg }) => (deviceId === id ? [leg] : []));
    expect(legsOf(copies[0].id)).to.deep.equal(legsOf(desk));
    // A remark was made about the first one.
    expect(pasted(project, [speaker], { kind: 'at', levelId: 'm', at: [4, 3] }).copies[0].note).to.equal('');
  });

  it('keep the cable of each leg and the legs that there were, but are drafted and without printed labels', () => {
    const run = Object.values(project.runs).find(({ deviceId }) => deviceId === desk)!;
    const changed = applied(project, [
      {
        ...{ op: 'update', in: 'runs', id: run.id },
        before: { cableTypeId: run.cableTypeId, deviceSlackM: run.deviceSlackM, state: run.state, printedOn: run.printedOn },
        after: { cableTypeId: 'cat6a', deviceSlackM: 1.25, state: 'drafted', printedOn: '2026-11-01' },
      },
    ]);
    const { after, copies } = pasted(changed, [desk], { kind: 'at', levelId: 'm', at: [4, 0.1] });
    const copy = Object.values(after.runs).find(({ deviceId }) => deviceId === copies[0].id);
    expect(copy).to.include({ cableTypeId: 'cat6a', deviceSlackM: 1.25, state: 'drafted', printedOn: '' });
    const { [run.id]: _gone, ...runs } = project.runs;
    const fewer = pasted({ ...project, runs }, [desk], { kind: 'at', levelId: 'm', at: [4, 0.1] });
    const legs = Object.values(fewer.after.runs).flatMap(({ deviceId, leg }) => (deviceId === fewer.copies[0].id ? [leg] : []));
    expect(legs).to.not.include(run.leg);
  });

  it('keep their distance from one another', () => {
    const { copies } = pasted(
      project,
      furnished.devices.map(({ id }) => id),
      { kind: 'at', levelId: 'm', at: [7.5, 1] },
    );
    // Box of the three: x 1 to 2.5, y 0 to 2; its middle goes from (1.75, 1) to (7.5, 1).
    expect(copies.map(({ x, y, roomId }) => [x, y, roomId])).to.deep.equal([
      [6.75, 0, 'b'],
      [8.25, 0, 'b'],
      [7.25, 2, 'b'],
    ]);
  });

  it('of a room go to the same share of another room, and face it', () => {
    const house = applied(project, [
      { op: 'update', in: 'walls', id: 'middle', before: { finishLeft: '' }, after: { finishLeft: 'x' } },
    ]);
    const { copies } = pasted(house, deviceIdsIn(house, house.rooms.a), { kind: 'room', roomId: 'b' });
    expect(copies.map(({ roomId }) => roomId)).to.deep.equal(['b', 'b', 'b']);
    // 1 m of 5.1 m, then 2 % towards the middle at 7.65 m.
    expect(copies[0].x).to.be.closeTo(6.1 + 0.02 * (7.65 - 6.1), 0.002);
    expect(copies[0].y).to.equal(0);
    expect(copies[0].facingRad).to.be.closeTo(Math.PI / 2, 1e-9);
  });

  it('of a level stand straight above, in the rooms there', () => {
    const house = twoStoreyHouse();
    const below = withDevices(house, [{ typeId: 'access-point', at: [2, 2] }], ids).project;
    const other = Object.keys(below.levels).find((id) => id !== 'm')!;
    const { copies } = pasted(below, deviceIdsOn(below, 'm'), { kind: 'level', levelId: other });
    expect(copies.map(({ x, y, levelId }) => [x, y, levelId])).to.deep.equal([[2, 2, other]]);
  });

  it('are refused where their type, room or level is gone', () => {
    const clip = clipOfDevices(project, [desk]);
    const { 'network-drop': _type, ...deviceTypes } = project.deviceTypes;
    expect(pasteDevices({ ...project, deviceTypes }, clip, { kind: 'level', levelId: 'm' }, ids)).to.nested.include({
      'problem.code': 'type-missing',
    });
    expect(pasteDevices(project, clip, { kind: 'level', levelId: 'x' }, ids)).to.nested.include({
      'problem.code': 'level-missing',
    });
    expect(pasteDevices(project, clip, { kind: 'room', roomId: 'x' }, ids)).to.nested.include({ 'problem.code': 'record-gone' });
  });
});
