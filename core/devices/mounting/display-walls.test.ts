import { expect } from 'chai';
import { newFeature, type Opening, type ProjectDocument } from '../../model/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { displayWalls } from './display-walls.ts';

const opening = (more: Partial<Opening> & Pick<Opening, 'id' | 'wallId'>): Opening => ({
  kind: 'window',
  offsetM: 2.5,
  widthM: 1.8,
  sillM: 0.9,
  headM: 2.1,
  hinge: null,
  swing: null,
  casingWidthM: 0.07,
  casingDepthM: 0,
  pocket: false,
  hardware: '',
  ...more,
});
const ranked = (project: ProjectDocument) =>
  displayWalls(project, 'a', project.deviceTypes.display, 1.35).map(({ wall, reasons }) => [wall.id, ...reasons]);

describe('where a display can go', () => {
  it('is where it fits between openings, away from a fireplace, on the axis of the seats', () => {
    const seated = (project: ProjectDocument): ProjectDocument => ({
      ...project,
      features: {
        s: newFeature({ id: 's', levelId: 'm', kind: 'sofa', points: [[2.55, 1]], widthM: 2.1, depthM: 0.9, topM: 0.85 }),
        ...project.features,
      },
    });
    const [first] = displayWalls(seated(smallHouse()), 'a', smallHouse().deviceTypes.display, 1.35);
    // The sofa stands 1 m from the south wall: 3.1 m from the north one, 1.86 diagonals of 1.67 m.
    expect(first.wall.id).to.equal('north1');
    expect(first.at[0]).to.be.closeTo(2.55, 1e-6);
    expect(first.reasons).to.deep.equal([]);
    expect(first.offAxisRad).to.be.closeTo(Math.atan(0.7 / 3.1), 1e-3);
    const fire = newFeature({
      id: 'f',
      levelId: 'm',
      kind: 'fireplace',
      points: [[2.55, 3.9]],
      widthM: 1.2,
      depthM: 0.5,
      topM: 1.2,
    });
    const warm = seated(smallHouse());
    expect(ranked({ ...warm, features: { ...warm.features, f: fire } }).find(([id]) => id === 'north1')).to.include('fireplace');
  });

  it('leaves out walls on which it does not fit, and says where a window shines at it or beside it', () => {
    const windows = smallHouse({
      openings: [
        opening({ id: 'n', wallId: 'north1' }),
        opening({ id: 'd', wallId: 'west', kind: 'door', sillM: 0, headM: 2.05, offsetM: 2.05, widthM: 1.4 }),
      ],
    });
    // West: 4.1 m with a door in its middle leaves 1.22 m to each side, less than 1.45 + 0.2 m.
    expect(ranked(windows).map(([id]) => id)).to.have.members(['south1', 'middle']);
    expect(ranked(windows).find(([id]) => id === 'south1')).to.include('window-opposite');
    expect(ranked(windows)[0][0]).to.equal('middle');
    expect(displayWalls(windows, 'a', windows.deviceTypes.display, 2.3)).to.deep.equal([]);
  });
});
