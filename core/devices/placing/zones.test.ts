import { expect } from 'chai';
import { applyChange, create, type ProjectDocument } from '../../model/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { placeAll } from './placing.ts';
import { zonesOn } from './zones.ts';

describe('zones on the plan', () => {
  let count = 0;
  const ids = { device: () => `d${++count}`, run: () => `r${++count}` };
  const house = smallHouse();
  const placed = placeAll(
    house,
    'm',
    (
      [
        [1, 1],
        [4, 1],
        [4, 3],
        [1, 3],
        [2.5, 2],
        [7, 2],
      ] as const
    ).map((at) => ({ typeId: 'ceiling-speaker', at })),
    ids,
  );
  if (!placed.ok) throw new Error(placed.problem.code);
  const devices = placed.value.devices.map(({ id }) => id);
  const zones = [
    ...placed.value.operations,
    create('groups', { id: 'z1', kind: 'audio', name: 'West' }),
    create('groups', { id: 'z2', kind: 'light', name: 'All' }),
    ...devices.map((deviceId, i) => create('groupMembers', { id: `m${i}`, groupId: 'z1', deviceId })),
    create('groupMembers', { id: 'x', groupId: 'z2', deviceId: devices[0] }),
  ];
  const applied = applyChange(house, { operations: zones });
  const project = (applied.ok ? applied.value : house) as ProjectDocument;

  it('are outlined room by room around their devices, those of one kind at a time', () => {
    const parts = zonesOn(project, 'm', 'audio');
    expect(parts.map(({ group, roomId, devices: n, outline }) => [group.name, roomId, n, outline.length])).to.deep.equal([
      ['West', 'a', 5, 4],
      ['West', 'b', 1, 1],
    ]);
    expect(parts[0].outline).to.not.deep.include([2.5, 2]);
    expect(zonesOn(project, 'm', 'light')).to.have.length(1);
    expect(zonesOn(project, 'm', 'shade')).to.deep.equal([]);
    expect(zonesOn(project, 'attic', 'audio')).to.deep.equal([]);
  });
});
