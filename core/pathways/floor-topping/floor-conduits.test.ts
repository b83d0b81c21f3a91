import { expect } from 'chai';
import type { Outcome } from '../../math/index.ts';
import { applyChange, checkIntegrity, type Feature, newFeature, type ProjectDocument, update } from '../../model/index.ts';
import { moveFeatures } from '../../survey/index.ts';
import { checked, smallHouse } from '../../testing/index.ts';
import { floorConduits, signFloorConduit } from './floor-conduits.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const duct = (more: Partial<Feature> = {}): Feature =>
  newFeature({
    id: 'd',
    levelId: 'm',
    kind: 'screed-way',
    name: 'To the television',
    points: [
      [1.07, 0.31],
      [1.07, 2],
      [9.9, 2],
    ],
    widthM: 0.025,
    bottomM: -0.095,
    topM: -0.07,
    ...more,
  });
const pipe = (bottomM: number, topM: number): Feature =>
  newFeature({
    id: 'p',
    levelId: 'm',
    kind: 'pipe',
    name: 'Heating flow',
    points: [
      [3, 0],
      [3, 4],
    ],
    widthM: 0.02,
    bottomM,
    topM,
  });
const house = (features: Feature[]): ProjectDocument => ({
  ...smallHouse(),
  features: Object.fromEntries(features.map((feature) => [feature.id, feature])),
});
const given = { by: 'Kim', on: '2026-11-26', photo: 'IMG-0041', note: '' };
const codes = (project: ProjectDocument) =>
  checked(project)
    .filter(({ check }) => check === 'screed-sound')
    .map(({ code, rank }) => `${rank} ${code}`);

describe('a way in the screed', () => {
  it('has its length, its cover and where it comes up, square from two walls to 20 mm (by hand)', () => {
    const [route] = floorConduits(house([duct()]));
    expect(route.lengthM).to.be.closeTo(1.69 + 8.83, 1e-9);
    expect(route.coverM).to.be.closeTo(0.07, 1e-9);
    // 0.31 from the centre line of a wall of 0.12: 0.25 from its face, so 0.26 (or 0.24); 1.07 - 0.06 = 1.01, so 1.00 or 1.02.
    const [south, west] = route.stubUps[0].fromWalls;
    expect([south.wallId, west.wallId]).to.deep.equal(['south1', 'west']);
    for (const [{ distanceM }, exactM] of [
      [south, 0.25],
      [west, 1.01],
    ] as const) {
      expect(Math.abs(distanceM - exactM)).to.be.at.most(0.01 + 1e-9);
      expect(Math.abs(distanceM / 0.02 - Math.round(distanceM / 0.02))).to.be.lessThan(1e-6);
    }
  });

  it('crosses a heating pipe: over or under it is fine, at its height it is told', () => {
    const [crossing] = floorConduits(house([duct(), pipe(-0.05, -0.03)]))[0].crossings;
    expect(crossing.at.map((value) => Number(value.toFixed(6)))).to.deep.equal([3, 2]);
    expect(crossing.angleRad).to.be.closeTo(Math.PI / 2, 1e-9);
    expect(crossing.gapM).to.be.closeTo(0.02, 1e-9);
    expect(codes(house([duct(), pipe(-0.05, -0.03)]))).to.deep.equal(['look screed-unsigned']);
    expect(codes(house([duct(), pipe(-0.09, -0.06)]))).to.have.members(['look screed-crossing', 'look screed-unsigned']);
  });

  it('with too little over it is a stop', () => {
    expect(codes(house([duct({ topM: -0.02 })]))).to.include('stop screed-cover');
  });

  it('signed before the pour is locked: moved, it is a stop whose cure puts it back; it cannot be taken away', () => {
    const signed = must(applyChange(house([duct()]), { operations: must(signFloorConduit(house([duct()]), 'd', given, 's1')) }));
    expect(codes(signed)).to.deep.equal([]);
    const moved = must(
      applyChange(signed, {
        operations: [
          update('features', signed.features.d, {
            points: [
              [1.07, 0.31],
              [1.07, 2.4],
              [9.9, 2],
            ],
          })!,
        ],
      }),
    );
    const finding = checked(moved).find(({ code }) => code === 'screed-moved')!;
    expect(finding).to.include({ rank: 'stop', allowed: 0.02 });
    expect(finding.measured).to.be.closeTo(0.4, 1e-9);
    const cured = must(applyChange(moved, { operations: finding.cures[0].operations }));
    expect(codes(cured)).to.deep.equal([]);
    const { d, ...others } = signed.features;
    expect(d.id).to.equal('d');
    expect(checkIntegrity({ ...signed, features: others })).to.have.nested.property('problem.code', 'reference-missing');
    // In the survey it does not move with others.
    expect(moveFeatures(signed, ['d'], [0.1, 0])).to.deep.equal([]);
    expect(moveFeatures(house([duct()]), ['d'], [0.1, 0])).to.have.length(1);
    const again = must(signFloorConduit(moved, 'd', { ...given, photo: 'IMG-0042' }, 's2'));
    expect(codes(must(applyChange(moved, { operations: again })))).to.deep.equal([]);
  });

  it('is not signed without a name, a photograph, or anything over it', () => {
    const problem = (project: ProjectDocument, more: Partial<typeof given>) => {
      const outcome = signFloorConduit(project, 'd', { ...given, ...more }, 's');
      return outcome.ok ? null : [outcome.problem.code, outcome.problem.field];
    };
    expect(problem(house([duct()]), { by: ' ' })).to.deep.equal(['sign-no-name', 'by']);
    expect(problem(house([duct()]), { photo: '' })).to.deep.equal(['sign-no-photo', 'photo']);
    expect(problem(house([duct({ bottomM: 0, topM: 0.02 })]), {})).to.deep.equal(['screed-no-cover', 'topM']);
    expect(problem(house([]), {})).to.deep.equal(['record-gone', undefined]);
  });
});
