import { expect } from 'chai';
import { tidyM } from '../../math/index.ts';
import { create, newFeature, type ProjectDocument } from '../../model/index.ts';
import { planRuns } from '../../runs/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { belongingsOf, missingRuns, moveRack, placeRack, rackPlace } from './racks.ts';

const counted = () => {
  let n = 0;
  return () => `new${++n}`;
};
const rackless = (): ProjectDocument => ({ ...smallHouse(), racks: {} });
const at = { id: 'k1', levelId: 'm', at: [9.7, 2] as const, name: 'Rack A' };

describe('a rack', () => {
  it('stands with its back to the wall that is near, and free where none is', () => {
    const house = smallHouse();
    const { thicknessM } = house.walls.east;
    expect(rackPlace(house, 'm', [9.8, 2])).to.deep.include({ x: tidyM(10.2 - thicknessM / 2 - 0.3), y: 2 });
    expect(Math.abs(rackPlace(house, 'm', [9.8, 2]).facingRad)).to.be.closeTo(Math.PI, 1e-9);
    expect(rackPlace(house, 'm', [7.5, 2])).to.deep.include({ x: 7.5, y: 2, facingRad: -Math.PI / 2 });
  });

  it('gives devices that were placed before it their runs, numbered and bundled as if it had been there', () => {
    const wanted = [
      { typeId: 'network-drop', at: [1, 0.05] as const },
      { typeId: 'ceiling-speaker', at: [2, 2] as const },
      { typeId: 'ceiling-speaker', at: [7, 2] as const },
    ];
    const { project: before } = withDevices(rackless(), wanted, countedIds());
    expect(Object.keys(before.runs)).to.deep.equal([]);
    const after = applied(before, placeRack(before, at, counted()));
    const { project: usual } = withDevices(applied(rackless(), placeRack(rackless(), at, counted())), wanted, countedIds());
    const said = (project: ProjectDocument) =>
      Object.values(project.runs)
        .map(({ number, bundle, cableTypeId, rackSlackM }) => [number, bundle, cableTypeId, rackSlackM].join(' '))
        .sort();
    expect(said(after)).to.deep.equal(said(usual));
    expect(planRuns(after).every(({ proposedRoute }) => proposedRoute.ok)).to.equal(true);
    expect(missingRuns(after, counted())).to.deep.equal([]);
  });

  it('beside another one takes the next code, and no run changes', () => {
    const { project } = withDevices(smallHouse(), [{ typeId: 'network-drop', at: [1, 0.05] }], countedIds());
    const operations = placeRack(project, { ...at, id: 'k2' }, counted());
    expect(operations).to.have.length(1);
    expect(applied(project, operations).racks.k2.code).to.equal('B');
  });

  it('takes the ends of conduits that end at it along, and leaves their other ends', () => {
    const house = smallHouse();
    const { rack } = house.racks;
    const conduit = newFeature({
      ...{ id: 'c1', levelId: 'm', kind: 'conduit' },
      points: [
        [1, 1],
        [rack.x, rack.y + 0.2],
      ],
    });
    const far = { ...conduit, id: 'c2', points: [[1, 1] as [number, number], [3, 1] as [number, number]] };
    const project = applied(house, [create('features', conduit), create('features', far)]);
    expect(belongingsOf(project, rack).features.map(({ feature, points }) => [feature.id, points])).to.deep.equal([['c1', [1]]]);
    const after = applied(project, moveRack(project, 'rack', [7.5, 2]));
    expect(after.racks.rack).to.include({ x: 7.5, y: 2 });
    expect(after.features.c1.points).to.deep.equal([
      [1, 1],
      [7.5, 2.2],
    ]);
    expect(after.features.c2).to.deep.equal(far);
  });
});
