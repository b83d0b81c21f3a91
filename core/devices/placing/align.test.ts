import { expect } from 'chai';
import { applyChange, type ProjectDocument } from '../../model/index.ts';
import { countingIds, smallHouse } from '../../testing/index.ts';
import { alignDevices } from './align.ts';
import { placeDevice } from './place.ts';

function withSpeakers(...at: [number, number][]): { house: ProjectDocument; ids: string[] } {
  const next = countingIds();
  let house = smallHouse();
  const ids: string[] = [];
  for (const place of at) {
    const placed = placeDevice(house, { typeId: 'ceiling-speaker', levelId: 'm', at: place }, next());
    if (!placed.ok) throw new Error(placed.problem.code);
    const applied = applyChange(house, { operations: placed.value.operations });
    if (!applied.ok) throw new Error(applied.problem.code);
    house = applied.value;
    ids.push(placed.value.device.id);
  }
  return { house, ids };
}
const places = ({ house, ids }: { house: ProjectDocument; ids: string[] }, how: Parameters<typeof alignDevices>[2]) => {
  const aligned = alignDevices(house, ids, how);
  if (!aligned.ok) throw new Error(aligned.problem.code);
  const applied = applyChange(house, { operations: aligned.value });
  if (!applied.ok) throw new Error(applied.problem.code);
  return ids.map((id) => [applied.value.devices[id].x, applied.value.devices[id].y]);
};

describe('devices', () => {
  const drawn = withSpeakers([1, 1], [2, 1.4], [4.4, 2]);
  it('are lined up in the middle of the outermost', () => {
    expect(places(drawn, 'row')).to.deep.equal([
      [1, 1.5],
      [2, 1.5],
      [4.4, 1.5],
    ]);
    expect(places(drawn, 'column').map(([x]) => x)).to.deep.equal([2.7, 2.7, 2.7]);
  });
  it('are spread equally between the outermost, which stay', () => {
    expect(places(drawn, 'spread-x')).to.deep.equal([
      [1, 1],
      [2.7, 1.4],
      [4.4, 2],
    ]);
    expect(places(drawn, 'spread-y').map(([, y]) => y)).to.deep.equal([1, 1.5, 2]);
  });
  it('take a number in the room that they come into, and none that is gone is asked for', () => {
    const pair = withSpeakers([4.8, 1], [6, 2]);
    const moved = alignDevices(pair.house, [...pair.ids, 'gone'], 'column');
    expect(moved.ok).to.equal(true);
    const applied = applyChange(pair.house, { operations: moved.ok ? moved.value : [] });
    expect(applied.ok && applied.value.devices[pair.ids[0]].roomId).to.equal('b');
  });
});
