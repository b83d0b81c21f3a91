import { expect } from 'chai';
import { create, type Feature, newFeature, type ProjectHeader } from '../model/index.ts';
import { applied, checked, countedIds, smallHouse, withDevices } from '../testing/index.ts';

/** A speaker whose cable runs at y = 2 above the ceiling, 2.6 m up, from x = 1 to x = 10.2. */
const start = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 2] }], countedIds()).project;
const findings = (points: Feature['points'], more: Partial<Feature> = {}, jurisdiction: ProjectHeader['jurisdiction'] = 'NA') => {
  const mains = newFeature({
    id: 'mains',
    levelId: 'm',
    kind: 'mains-route',
    name: 'Kitchen ring',
    points,
    bottomM: 2.59,
    topM: 2.61,
    ...more,
  });
  // Routes that do not go around mains by themselves.
  const house = { ...start, project: { ...start.project, jurisdiction, routeWeights: { besideMains: 0 } } };
  return checked(applied(house, [create('features', mains)])).filter(({ check }) => check === 'clear-of-mains');
};

describe('a cable beside mains', () => {
  it('is named with its length where it runs parallel within the distance for more than 2 m, and not on a twin that keeps it', () => {
    const [found] = findings([
      [3, 2.2],
      [8, 2.2],
    ]);
    // 5 m beside it, and a little at its ends: within 0.3 m of the end points at 0.2 m aside is 0.22 m more at each.
    expect(found.code).to.equal('mains-parallel');
    expect(found.measured).to.be.closeTo(5 + 2 * Math.sqrt(0.3 ** 2 - 0.2 ** 2), 0.06);
    expect(found.figures.leastM).to.be.closeTo(0.2, 0.01);
    expect(found.subjects).to.deep.include({ in: 'features', id: 'mains' });
    expect(
      findings([
        [3, 2.35],
        [8, 2.35],
      ]),
    ).to.deep.equal([]);
    expect(
      findings([
        [3, 2.2],
        [4, 2.2],
      ]),
    ).to.deep.equal([]);
  });

  it('is stopped where it lies against it', () => {
    const [found] = findings([
      [3, 2.03],
      [8, 2.03],
    ]);
    expect([found.code, found.rank]).to.deep.equal(['mains-touching', 'stop']);
  });

  it('is fine where it crosses squarely, and is told where it crosses aslant', () => {
    expect(
      findings([
        [5, 0.5],
        [5, 3.5],
      ]),
    ).to.deep.equal([]);
    const [found] = findings([
      [5, 1.5],
      [6, 2.5],
    ]);
    expect([found.code, found.figures.angleDeg]).to.deep.equal(['mains-skewed', 45]);
  });

  it('keeps the distance that was entered, and counts height', () => {
    expect(
      findings(
        [
          [3, 2.2],
          [8, 2.2],
        ],
        { clearanceM: 0.1 },
      ),
    ).to.deep.equal([]);
    expect(
      findings(
        [
          [3, 2],
          [8, 2],
        ],
        { bottomM: 0.3, topM: 0.35 },
      ),
    ).to.deep.equal([]);
  });

  it('keeps what the table of its region says: less in the EU beside one circuit, more beside many', () => {
    const beside = (y: number, circuits: number) =>
      findings(
        [
          [3, y],
          [8, y],
        ],
        { circuits },
        'EU',
      ).map(({ figures }) => figures.keepM);
    // Class a: 300 mm x 0.2 for up to 3 circuits, x 1.0 for 13 to 15.
    expect(beside(2.2, 1)).to.deep.equal([]);
    expect(beside(2.2, 14)).to.deep.equal([0.3]);
    expect(beside(2.058, 2)).to.deep.equal([0.06]);
  });
});
