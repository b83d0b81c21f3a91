import { expect } from 'chai';
import type { ProjectDocument, ProjectHeader } from '../../model/index.ts';
import { checked, countedIds, smallHouse, withDevices } from '../../testing/index.ts';

const house = (settings: Partial<ProjectHeader> = {}, use = 'bedroom'): ProjectDocument => {
  const base = smallHouse({ rooms: [{ use }] });
  const usual = { dataCable: 'cat6', roomDataCables: 1, deskDataCables: 2 } as const;
  return { ...base, project: { ...base.project, ...usual, ...settings } };
};
const cablesOf = (project: ProjectDocument, typeId: string) => {
  const placed = withDevices(project, [{ typeId, at: [1, 0.05] }], countedIds()).project;
  return { placed, cables: Object.values(placed.runs).map(({ cableTypeId }) => cableTypeId) };
};
const data = (list: string[]) => list.filter((id) => id.startsWith('cat'));

describe('data drops by the settings of the project', () => {
  it('have one Category 6 cable in a bedroom, two at a desk and at a display', () => {
    expect(cablesOf(house(), 'network-drop').cables).to.deep.equal(['cat6_utp']);
    expect(cablesOf(house(), 'desk-drop').cables).to.deep.equal(['cat6_utp', 'cat6_utp']);
    expect(cablesOf(house({}, 'study'), 'network-drop').cables).to.deep.equal(['cat6_utp', 'cat6_utp']);
    expect(data(cablesOf(house(), 'bedroom-display').cables)).to.have.length(2);
  });

  it('follow the other schools: two cables at every drop, Category 6A', () => {
    const two = house({ roomDataCables: 2, deskDataCables: 4, dataCable: 'cat6a' });
    expect(cablesOf(two, 'network-drop').cables).to.deep.equal(['cat6a_utp', 'cat6a_utp']);
    expect(cablesOf(two, 'desk-drop').cables).to.have.length(4);
    // More than the recipe has: another cable of the same kind, which is no leg of it.
    const three = cablesOf(house({ roomDataCables: 3 }), 'network-drop').placed;
    expect(Object.values(three.runs).map(({ recipeLeg }) => recipeLeg)).to.deep.equal([1, 2, null]);
  });

  it('leave what feeds something else alone, and raise no finding', () => {
    expect(cablesOf(house(), 'access-point').cables).to.deep.equal(cablesOf(smallHouse(), 'access-point').cables);
    const { placed } = cablesOf(house(), 'desk-drop');
    expect(Object.values(placed.devices)[0].leftOut).to.deep.equal([3, 4]);
    expect(checked(placed).filter(({ check }) => check === 'legs-complete' || check === 'cable-as-type')).to.deep.equal([]);
  });
});
