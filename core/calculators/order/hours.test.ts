import { expect } from 'chai';
import { costAfterClosing } from '../../rules/index.ts';
import { countsBySystem } from '../../sheets/index.ts';
import { planRuns } from '../../runs/index.ts';
import { countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { HOURS, hoursBand, runHours } from './hours.ts';
import { labourHours } from './labour-hours.ts';

describe('hours of work', () => {
  it('of a run are its pull, holes, crossings, box, both ends and labels', () => {
    // By hand from the table: 0.30 + 3 · 0.03 + 1 · 0.15 + 0.10 + 2 · 0.20 + 0.03.
    expect(runHours({ family: 'cat', holes: 3, floors: 1, boxes: 1 }, 'new')).to.be.closeTo(1.07, 1e-12);
    // Behind finished walls, another cable of the same path: 0.25 + 3 · 0.12 + 2 · 0.10 + 0.03.
    expect(runHours({ family: 'coax', additional: true, holes: 3 }, 'retrofit')).to.be.closeTo(0.84, 1e-12);
  });

  it('are the same in the calculator as for a run', () => {
    const answer = labourHours.run({
      ...labourHours.input.parse({}),
      construction: 'retrofit',
      pulls: 1,
      holes: 2,
      boxes: 1,
      catEnds: 2,
      labels: 1,
    });
    expect(answer.ok && answer.value.hours).to.be.closeTo(runHours({ family: 'cat', holes: 2, boxes: 1 }, 'retrofit'), 1e-12);
    expect(hoursBand(2)).to.deep.equal({ leastHours: 1.2, mostHours: 2.8 });
  });

  it('stand in what the plan counts and in what a repair costs later', () => {
    const { project: house } = withDevices(smallHouse(), [{ typeId: 'network-drop', at: [1, 0.05] }], countedIds());
    const priced = { ...house, project: { ...house.project, labourRate: house.project.labourRate + 10 } };
    const runs = planRuns(priced);
    const [planned] = runs;
    const cable = priced.cableTypes[planned.run.cableTypeId];
    const costOf = (project: typeof house) => countsBySystem(project, [planned])[0].cost;
    const deviceHours = priced.deviceTypes[planned.device.typeId].hours;
    expect((costOf(priced) - costOf(house)) / 10).to.be.closeTo(runHours({ family: cable.family }, 'new') + deviceHours, 1e-9);
    const moved = costAfterClosing(priced, { subjects: [{ in: 'devices', id: planned.device.id }] }, new Map());
    expect(moved!.hours).to.equal(HOURS.deviceMoved.retrofit);
  });
});
