import { expect } from 'chai';
import { withoutRecords } from '../derive/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { plannedRun } from '../runs/index.ts';
import { countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { bondPaths } from './bond-paths.ts';

const at = (typeId: string, x: number, y = 0.05) => ({ typeId, at: [x, y] as [number, number] });
const house = withDevices(
  smallHouse(),
  [at('bonding-bar', 9), at('building-electrode', 8.4), at('aerial', 2, -0.1), at('dish', 4, -0.1)],
  countedIds(),
).project;
const bondOf = (project: ProjectDocument, typeId: string) =>
  Object.values(project.runs).find(
    (run) => project.devices[run.deviceId].typeId === typeId && project.cableTypes[run.cableTypeId].family === 'bond',
  )!;

describe('bond paths', () => {
  it('lead from each antenna over the bar to the electrode, conductor by conductor', () => {
    const paths = bondPaths(house);
    expect(paths.map(({ steps, isWhole }) => [steps.length, isWhole])).to.deep.equal([
      [2, true],
      [2, true],
    ]);
    const [aerial] = paths.filter(({ deviceId }) => house.devices[deviceId].typeId === 'aerial');
    expect(aerial.steps.map(({ toDeviceId }) => house.devices[toDeviceId].typeId)).to.deep.equal([
      'bonding-bar',
      'building-electrode',
    ]);
    const metres = aerial.steps.map(({ runId }) => {
      const { cutLengthM, allowanceM } = plannedRun(house, runId).length!;
      return cutLengthM - allowanceM;
    });
    expect(aerial.lengthM).to.be.closeTo(metres[0] + metres[1], 1e-9);
  });

  it('end where the next conductor is missing', () => {
    const cut = withoutRecords(house, 'runs', [bondOf(house, 'building-electrode').id]);
    for (const { steps, isWhole } of bondPaths(cut)) expect([steps.length, isWhole]).to.deep.equal([1, false]);
    const [alone] = bondPaths(withoutRecords(cut, 'runs', [bondOf(house, 'aerial').id])).filter(
      ({ steps }) => steps.length === 0,
    );
    expect([house.devices[alone.deviceId].typeId, alone.isWhole]).to.deep.equal(['aerial', false]);
  });
});
