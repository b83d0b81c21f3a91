import { expect } from 'chai';
import { placeDevice } from '../devices/index.ts';
import { applyChange, type ProjectDocument, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { checked, countingIds, smallHouse } from '../testing/index.ts';

/** So many network drops in one bundle, fed as a device of a PoE class. */
function bundled(count: number, poeClass: number, jurisdiction: 'NA' | 'EU' = 'EU'): ProjectDocument {
  const ids = countingIds();
  let project: ProjectDocument = smallHouse();
  const type = { ...project.deviceTypes['network-drop'], poeClass };
  project = {
    ...project,
    project: { ...project.project, jurisdiction },
    deviceTypes: { ...project.deviceTypes, [type.id]: type },
  };
  for (let n = 0; Object.keys(project.runs).length < count; n++) {
    const placed = placeDevice(
      project,
      { typeId: type.id, levelId: 'm', at: [0.4 + (n % 12) * 0.4, n < 12 ? 0.05 : 4.05] },
      ids(),
    );
    if (!placed.ok) throw new Error('refused');
    const applied = applyChange(project, { operations: placed.value.operations });
    if (!applied.ok) throw new Error('refused');
    project = applied.value;
  }
  const all = listOf(project, 'runs').flatMap((run, n) => update('runs', run, { bundle: n < count ? 'B-01' : 'B-09' }) ?? []);
  const applied = applyChange(project, { operations: all });
  if (!applied.ok) throw new Error('refused');
  return applied.value;
}
const found = (project: ProjectDocument) => checked(project).filter(({ check }) => check === 'bundles-sound');

describe('bundles that carry power', () => {
  it('of class 5 and more hold 24 cables; one more is a stop whose cure splits them', () => {
    expect(found(bundled(24, 6))).to.deep.equal([]);
    const [finding] = found(bundled(25, 6));
    expect(finding).to.include({ rank: 'stop', code: 'bundle-too-warm', measured: 25, allowed: 24 });
    const cured = applyChange(bundled(25, 6), { operations: finding.cures[0].operations });
    if (!cured.ok) throw new Error('refused');
    expect(found(cured.value)).to.deep.equal([]);
    expect(new Set(listOf(cured.value, 'runs').map(({ bundle }) => bundle)).size).to.be.greaterThan(1);
  });

  it('of lesser classes may be larger', () => {
    expect(found(bundled(30, 3))).to.deep.equal([]);
  });

  it('above 60 W a cable defer to the ampacity tables in North America only', () => {
    expect(found(bundled(6, 8, 'NA')).map(({ code, rank }) => `${rank} ${code}`)).to.deep.equal(['look bundle-ampacity']);
    expect(found(bundled(6, 8, 'EU'))).to.deep.equal([]);
  });
});
