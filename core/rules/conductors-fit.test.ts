import { expect } from 'chai';
import type { ProjectDocument } from '../model/index.ts';
import { applied, checked, countedIds, smallHouse, withDevices } from '../testing/index.ts';

const placed = (...wanted: Parameters<typeof withDevices>[1]) => withDevices(smallHouse(), wanted, countedIds());
const of = (project: ProjectDocument, check: string) => checked(project).filter((finding) => finding.check === check);

describe('conductors', () => {
  it('that a map uses and the cable has not are a stop, and the cure clears it', () => {
    const { project } = placed({ typeId: 'ceiling-speaker', at: [2, 2] });
    expect(of(project, 'conductors-fit')).to.deep.equal([]);
    const [run] = Object.values(project.runs);
    const wrong = { ...project, runs: { [run.id]: { ...run, mapId: 'speaker_4' } } };
    const [finding] = of(wrong, 'conductors-fit');
    expect(finding).to.deep.include({ rank: 'stop', code: 'conductors-short', measured: 4, allowed: 2 });
    expect(of(applied(wrong, finding.cures[0].operations), 'conductors-fit')).to.deep.equal([]);
  });
});

describe('thermostats', () => {
  it('are one for each room: a second one is looked at, one in the next room is not', () => {
    const apart = placed({ typeId: 'thermostat', at: [5.05, 3] }, { typeId: 'thermostat', at: [5.15, 1] });
    expect(of(apart.project, 'one-thermostat')).to.deep.equal([]);
    const twice = placed({ typeId: 'thermostat', at: [5.05, 3] }, { typeId: 'thermostat', at: [0.5, 4.05] });
    const [finding] = of(twice.project, 'one-thermostat');
    expect(finding).to.deep.include({ rank: 'look', code: 'climate-twice', measured: 2 });
    expect(finding.subjects.map(({ id }) => id)).to.have.members(twice.devices.map(({ id }) => id));
  });
});
