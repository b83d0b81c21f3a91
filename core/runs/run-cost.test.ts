import { expect } from 'chai';
import { runHours } from '../calculators/index.ts';
import { create, newFeature, type ProjectDocument, update } from '../model/index.ts';
import { checked, countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { applied } from '../testing/steps.ts';
import { countsBySystem } from '../sheets/index.ts';
import { cutFromSpool, runCost } from './run-cost.ts';
import { holesOfRun, planRuns } from './plan-runs.ts';

const drop = (typeId = 'network-drop'): ProjectDocument => {
  const { project } = withDevices(smallHouse(), [{ typeId, at: [1, 0.05] }], countedIds());
  return applied(project, [
    create(
      'features',
      newFeature({
        id: 'old',
        levelId: 'm',
        kind: 'existing-wiring',
        tested: 'measured',
        points: [
          [1, 1],
          [9, 1],
        ],
      }),
    ),
  ]);
};
const withHeader = (project: ProjectDocument, more: Partial<ProjectDocument['project']>): ProjectDocument => ({
  ...project,
  project: { ...project.project, ...more },
});
const existing = (project: ProjectDocument): ProjectDocument =>
  applied(
    project,
    Object.values(project.runs).flatMap((run) => update('runs', run, { foundId: 'old' }) ?? []),
  );

describe('the cost of a run', () => {
  it('is its cable as cut and its hours', () => {
    const project = drop();
    const [planned] = planRuns(project);
    const { pricePerM, family } = project.cableTypes[planned.run.cableTypeId];
    const byHand = planned.length!.cutLengthM * pricePerM + runHours({ family }, 'new') * project.project.labourRate;
    expect(runCost(project, planned).cost).to.be.closeTo(byHand, 1e-9);
  });

  it('is a flat price where the run, its outlet or its window has one; an outlet counts once, however many cables it has', () => {
    const outlet = withHeader(drop(), { outletPrice: 140 });
    expect(planRuns(outlet).map((planned) => runCost(outlet, planned).cost)).to.deep.equal([140, 0]);
    const window = withHeader(drop('shade'), { windowPrice: 90, outletPrice: 140 });
    expect(planRuns(window).map((planned) => runCost(window, planned).cost)).to.deep.equal([90]);
    const [first] = Object.values(outlet.runs);
    const own = applied(outlet, [update('runs', first, { price: 55 })!]);
    expect(planRuns(own).map((planned) => runCost(own, planned).cost)).to.deep.equal([55, 140]);
    // The counts say the same.
    const cable = (project: ProjectDocument) => countsBySystem(project, planRuns(project))[0].cost;
    const { price, hours } = outlet.deviceTypes['network-drop'];
    expect(cable(outlet)).to.be.closeTo(140 + price + hours * outlet.project.labourRate, 1e-9);
  });

  it('of a cable that is there already is its ends and labels: nothing is cut, pulled or bored', () => {
    const project = existing(drop());
    const [planned] = planRuns(project);
    expect(cutFromSpool(planned)).to.equal(0);
    // By hand: two category ends of 0.2 h and labels of 0.03 h, at 65.
    expect(runCost(project, planned).cost).to.be.closeTo((2 * 0.2 + 0.03) * 65, 1e-9);
    expect(holesOfRun(project, planned)).to.deep.equal([]);
    expect(countsBySystem(project, planRuns(project))[0].cableM).to.equal(0);
  });

  it('such a cable is not checked for how it is pulled, but for what it carries', () => {
    const long = drop();
    const slack = (project: ProjectDocument) => checked(project).filter(({ check }) => check === 'slack-enough').length;
    const bare = applied(
      long,
      Object.values(long.runs).flatMap((run) => update('runs', run, { deviceSlackM: 0, rackSlackM: 0 }) ?? []),
    );
    expect(slack(bare)).to.be.greaterThan(0);
    expect(slack(existing(bare))).to.equal(0);
    const speaker = existing(
      applied(
        bare,
        Object.values(bare.runs).flatMap((run) => update('runs', run, { cableTypeId: 'spk_16_2' }) ?? []),
      ),
    );
    expect(checked(speaker).some(({ check }) => check === 'cable-as-type')).to.equal(true);
  });
});
