import { expect } from 'chai';
import { create, newFeature, type ProjectDocument } from '../model/index.ts';
import { clashesOf } from '../devices/index.ts';
import { countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { applied } from '../testing/steps.ts';
import { holeSchedule } from '../pathways/index.ts';
import { holesOfRun, planRuns } from '../runs/index.ts';

/** A speaker in the west room, the rack on the east wall, and a beam across the whole house between them in the ceiling. */
function house(boreLeave: string): ProjectDocument {
  const { project } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [2, 2] }], countedIds());
  const beam = newFeature({
    id: 'beam',
    levelId: 'm',
    kind: 'beam',
    name: 'Ridge beam',
    points: [
      [4, -0.5],
      [4, 4.6],
    ],
    widthM: 0.2,
    bottomM: 2.5,
    topM: 2.8,
    boreLeave,
  });
  return applied(project, [create('features', beam)]);
}

describe('a beam in the ceiling', () => {
  it('is passed by no cable, unless the engineer allows holes in it; then it is bored by leave', () => {
    const [barred] = planRuns(house(''));
    // Round it, or not at all: no point of the route lies on the beam at its height.
    const isOn = ([x, , z]: readonly number[]) => Math.abs(x - 4) < 0.099 && z > 2.5 && z < 2.8;
    expect(barred.points.some(isOn)).to.equal(false);
    expect(holesOfRun(house(''), barred).some(({ member }) => member === 'beam')).to.equal(false);

    const allowed = house('Engineer, middle third, 50 mm');
    const [planned] = planRuns(allowed);
    expect(planned.length).to.not.equal(null);
    const bored = holesOfRun(allowed, planned).filter(({ member }) => member === 'beam');
    expect(bored).to.have.length(1);
    expect(bored[0].at[0]).to.be.closeTo(4, 1e-6);
    // The hole schedule sends it to the engineer.
    expect(
      holeSchedule(allowed, [planned])
        .filter(({ member }) => member === 'beam')
        .map(({ ask }) => ask),
    ).to.deep.equal(['engineer']);
  });
});

describe('a coffer in the ceiling', () => {
  it('holds a device inside or outside, not across its edge; inside it the ceiling is higher', () => {
    const coffer = newFeature({
      id: 'coffer',
      levelId: 'm',
      kind: 'coffer',
      area: true,
      points: [
        [1, 1],
        [3, 1],
        [3, 3],
        [1, 3],
      ],
      bottomM: 2.5,
      topM: 2.65,
    });
    const codesAt = (at: [number, number], heightM: number | null = null) => {
      const { project } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at }], countedIds());
      const device = { ...Object.values(project.devices)[0], x: at[0], y: at[1], heightM };
      const there = applied({ ...project, devices: { [device.id]: device } }, [create('features', coffer)]);
      return clashesOf(there, device).map(({ code }) => code);
    };
    expect(codesAt([2.2, 2.2])).to.not.include('mount-in-thing');
    expect(codesAt([3.05, 2.2])).to.include('mount-in-thing');
    expect(codesAt([2.2, 2.2], 2.65)).to.not.include('mount-above-ceiling');
    expect(codesAt([4.5, 2.2], 2.65)).to.include('mount-above-ceiling');
  });
});
