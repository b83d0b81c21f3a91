import { expect } from 'chai';
import { placeDevice } from '../../devices/index.ts';
import { applyChange, create, newFeature } from '../project/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { readProjectFile, writeProjectFile } from './project-file.ts';

type Records = Record<string, unknown>[];
const ADDED: Readonly<Record<string, readonly string[]>> = {
  levels: ['floorBuildUpM', 'benchmarkM'],
  rooms: ['joistDepthM', 'joistOffsetM', 'floorM', 'ceilingKind', 'slope'],
  walls: [
    'heightM',
    'studMaterial',
    'studSpacingM',
    'studOffsetM',
    'studWidthM',
    'topPlates',
    'finishLeft',
    'finishLeftM',
    'finishRight',
    'finishRightM',
  ],
  racks: ['kind'],
};

/** The small house as version 1 wrote it. */
function versionOne(): Record<string, unknown> {
  const house = smallHouse({
    walls: { west: { kind: 'masonry', cableMayRun: false, studMaterial: 'none', studSpacingM: 0, studWidthM: 0, topPlates: 0 } },
  });
  const file = JSON.parse(writeProjectFile({ project: house, pictures: [] })) as Record<string, unknown>;
  for (const list of ['features', 'framingMembers', 'facts', 'dimensions', 'referencePoints']) delete file[list];
  for (const [list, fields] of Object.entries(ADDED))
    for (const record of file[list] as Records) for (const field of fields) delete record[field];
  return { ...file, version: 1 };
}

/** A house with a keypad and a bed as version 2 wrote it. */
function versionTwo(): Record<string, unknown> {
  const house = smallHouse();
  const placed = placeDevice(house, { typeId: 'keypad', levelId: 'm', at: [5, 2] }, { device: 'kp', run: (leg) => `r${leg}` });
  if (!placed.ok) throw new Error(placed.problem.code);
  const bed = create('features', newFeature({ id: 'bed', levelId: 'm', kind: 'bed', points: [[1, 1]] }));
  const applied = applyChange(house, { operations: [...placed.value.operations, bed] });
  if (!applied.ok) throw new Error(applied.problem.code);
  const file = JSON.parse(writeProjectFile({ project: applied.value, pictures: [] })) as Record<string, unknown>;
  for (const record of file.devices as Records) delete record.belongsTo;
  for (const record of file.features as Records)
    for (const field of ['markedAt', 'substrate', 'condition', 'neutral', 'partners']) delete record[field];
  return { ...file, version: 2 };
}

describe('a project file of version 5', () => {
  it('is read with usual lengths, unprinted labels and nothing reserved', () => {
    const house = smallHouse();
    const placed = placeDevice(house, { typeId: 'keypad', levelId: 'm', at: [5, 2] }, { device: 'kp', run: (leg) => `r${leg}` });
    if (!placed.ok) throw new Error(placed.problem.code);
    const bed = create('features', newFeature({ id: 'bed', levelId: 'm', kind: 'bed', points: [[1, 1]] }));
    const applied = applyChange(house, { operations: [...placed.value.operations, bed] });
    if (!applied.ok) throw new Error(applied.problem.code);
    const file = JSON.parse(writeProjectFile({ project: applied.value, pictures: [] })) as Record<string, unknown>;
    const added: Readonly<Record<string, readonly string[]>> = {
      racks: ['slackStyle'],
      cableTypes: ['jacketColour', 'rating'],
      features: ['reserved'],
      runs: ['slackStyle', 'printedOn'],
    };
    for (const [list, fields] of Object.entries(added))
      for (const record of file[list] as Records) for (const field of fields) delete record[field];
    for (const list of ['seals', 'spentNumbers', 'numberBlocks', 'waySigns']) delete file[list];
    const header = file.project as Record<string, unknown>;
    for (const field of ['tracedFactor', 'reserveM', 'slackStyle', 'siteRates']) delete header[field];
    const read = readProjectFile(JSON.stringify({ ...file, version: 5 }));
    if (!read.ok) throw new Error(JSON.stringify(read.problem));
    const { project } = read.value;
    expect(project.project).to.include({ tracedFactor: 1.03, reserveM: 0, slackStyle: 'figure-eight' });
    expect(project.racks.rack.slackStyle).to.equal('to-unit');
    expect(project.runs.r1).to.include({ slackStyle: null, printedOn: '' });
    expect(project.features.bed.reserved).to.equal(false);
    expect([project.seals, project.spentNumbers, project.numberBlocks, project.waySigns]).to.deep.equal([{}, {}, {}, {}]);
  });
});

describe('a project file of version 6', () => {
  it('is read with rules as they come, nothing accepted, and channels as the wall', () => {
    const file = JSON.parse(writeProjectFile({ project: smallHouse(), pictures: [] })) as Record<string, unknown>;
    for (const list of ['ruleSettings', 'findingMarks', 'keptCalculations']) delete file[list];
    delete (file.project as Record<string, unknown>).channelColour;
    const read = readProjectFile(JSON.stringify({ ...file, version: 6 }));
    if (!read.ok) throw new Error(JSON.stringify(read.problem));
    const { project } = read.value;
    expect(project.project.channelColour).to.equal('white, painted as the wall');
    expect([project.ruleSettings, project.findingMarks, project.keptCalculations]).to.deep.equal([{}, {}, {}]);
  });
});

describe('a project file of version 2', () => {
  it('is read with devices that go with nothing, and things of which nothing more is known', () => {
    const read = readProjectFile(JSON.stringify(versionTwo()));
    if (!read.ok) throw new Error(JSON.stringify(read.problem));
    expect(read.value.project.devices.kp.belongsTo).to.equal(null);
    expect(read.value.project.features.bed).to.include({ markedAt: null, substrate: null, partners: '' });
  });
});

describe('a project file of version 1', () => {
  it('is read as the same house, with what version 2 assumes', () => {
    const read = readProjectFile(JSON.stringify(versionOne()));
    if (!read.ok) throw new Error(JSON.stringify(read.problem));
    const { walls, rooms, facts } = read.value.project;
    expect(walls.west).to.include({ studMaterial: 'none', topPlates: 0, heightM: null });
    expect(walls.east).to.include({ studMaterial: 'wood', studSpacingM: 0.4, topPlates: 2 });
    expect(rooms.a).to.include({ ceilingKind: 'flat', joistOffsetM: 0 });
    expect(facts).to.deep.equal({});
    expect(writeProjectFile(read.value)).to.equal(writeProjectFile({ project: read.value.project, pictures: [] }));
  });

  it('with something wrong in it is refused by the field of the file, not by what was added', () => {
    const file = versionOne();
    (file.walls as Records)[2].thicknessM = -1;
    const read = readProjectFile(JSON.stringify(file));
    expect(!read.ok && read.problem.field).to.equal('walls[2].thicknessM');
    const odd = readProjectFile(JSON.stringify({ ...versionOne(), walls: 'none' }));
    expect(!odd.ok && odd.problem.field).to.equal('walls');
  });
});
