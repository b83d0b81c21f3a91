import { expect } from 'chai';
import { placeDevice } from '../devices/index.ts';
import { applyChange, newFeature, type ProjectDocument, update } from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
import { checked, countingIds, smallHouse } from '../testing/index.ts';

/** A drop at the gate, led through a duct in the ground to the south wall. */
function house(lengthM: number, cableTypeId = 'cat6_utp', x = 2, rackY = 2): ProjectDocument {
  const { racks, ...others } = smallHouse();
  const start: ProjectDocument = {
    ...others,
    racks: { rack: { ...racks.rack, y: rackY } },
    features: {
      u: newFeature({
        id: 'u',
        levelId: 'm',
        kind: 'underground-way',
        points: [
          [x, -lengthM],
          [x, 0],
        ],
        widthM: 0.05,
        bottomM: -0.6,
        topM: -0.55,
        insideDiameterM: 0.05,
      }),
    },
  };
  const placed = placeDevice(start, { typeId: 'garden-speaker', levelId: 'm', at: [x, -lengthM] }, countingIds()());
  if (!placed.ok) throw new Error('refused');
  const first = placed.value.runs[0];
  const change = update('runs', first, { cableTypeId });
  const applied = applyChange(start, { operations: [...placed.value.operations, ...(change ? [change] : [])] });
  if (!applied.ok) throw new Error('refused');
  return applied.value;
}
const found = (project: ProjectDocument) =>
  checked(project).filter(({ check, subjects }) => check === 'jackets-fit' && subjects[0].id === 'r1x1');

describe('the jacket of a cable', () => {
  it('in the ground has to be an outdoor one; the cure takes one of its family', () => {
    const project = house(6);
    expect(planRuns(project)[0].media).to.include('underground');
    const [finding] = found(project);
    expect(finding).to.include({ code: 'jacket-not-outdoor', rank: 'look' });
    const cured = applyChange(project, { operations: finding.cures[0].operations });
    if (!cured.ok) throw new Error('refused');
    expect(cured.value.runs.r1x1.cableTypeId).to.equal('cat6_outdoor');
    expect(found(cured.value)).to.deep.equal([]);
  });

  it('of outdoor cable goes no farther into the house than 15 m', () => {
    const project = house(6, 'cat6_outdoor');
    expect(found(project)).to.deep.equal([]);
    // From the other end of the house: 2.6 up, 9.7 and 3.9 along, 0.6 down and the depth of the duct.
    const [finding] = found(house(6, 'cat6_outdoor', 0.5, 3.9));
    expect(finding).to.include({ code: 'jacket-outdoor-inside', rank: 'look', allowed: 15 });
    expect(finding.measured).to.be.within(15.01, 18);
  });

  it('inside the house is not asked about', () => {
    const start = smallHouse();
    const placed = placeDevice(start, { typeId: 'network-drop', levelId: 'm', at: [2, 0.05] }, countingIds()());
    if (!placed.ok) throw new Error('refused');
    const applied = applyChange(start, { operations: placed.value.operations });
    if (!applied.ok) throw new Error('refused');
    expect(found(applied.value)).to.deep.equal([]);
  });

  it('that is rated for weather and for risers at once may lie in both, and goes on through the house', () => {
    const plain = house(6, 'cat6_outdoor', 2);
    const rated = (project: ProjectDocument, more: object) => ({
      ...project,
      cableTypes: { ...project.cableTypes, cat6_utp: { ...project.cableTypes.cat6_utp, ...more } },
    });
    const wet = house(6);
    expect(found(wet).map(({ code }) => code)).to.deep.equal(['jacket-not-outdoor']);
    expect(found(rated(wet, { alsoRated: ['outdoor', 'riser'] }))).to.deep.equal([]);
    // The cure takes a cable by any of its ratings.
    const other = {
      ...plain.cableTypes.cat6_utp,
      id: 'both',
      name: 'Both',
      rating: 'riser' as const,
      alsoRated: ['outdoor' as const],
    };
    const { cat6_outdoor: _, ...cableTypes } = wet.cableTypes;
    const [cure] = found({ ...wet, cableTypes: { ...cableTypes, both: other } })[0].cures;
    expect(cure.figures).to.deep.equal({ name: 'Both' });
  });
});
