import { expect } from 'chai';
import { create, type ProjectDocument, THEATRE_DEFAULTS, update } from '../../model/index.ts';
import { countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { applied } from '../../testing/steps.ts';
import { houseFromTemplate, houseOptions } from './house-template.ts';

/** A house with a drop that everybody gets and a speaker that is an option. */
function template(): ProjectDocument {
  const { project } = withDevices(
    smallHouse(),
    [
      { typeId: 'network-drop', at: [1, 0.05] },
      { typeId: 'ceiling-speaker', at: [2, 2] },
    ],
    countedIds(),
  );
  const speaker = Object.values(project.devices).find(({ typeId }) => typeId === 'ceiling-speaker')!;
  return applied({ ...project, project: { ...project.project, client: 'The first client', address: 'Lot 1' } }, [
    create('groups', { id: 'opt', kind: 'option', name: 'Music in the living room' }),
    create('groups', { id: 'zone', kind: 'audio', name: 'Zone' }),
    create('groupMembers', { id: 'gm', groupId: 'opt', deviceId: speaker.id }),
    create('theatres', {
      ...{ ...THEATRE_DEFAULTS, id: 'th', roomId: 'a', layout: '5.1' },
      measured: [{ deviceId: speaker.id, stage: 'after', delayMs: 1, levelDb: 75, on: '2026-11-01', by: 'crew', note: '' }],
    }),
    create('facts', {
      id: 'f',
      subject: 'rooms',
      subjectId: 'a',
      field: 'ceilingHeightM',
      state: 'measured',
      by: 'crew',
      on: '2026-11-01',
      note: '',
    }),
    ...Object.values(project.runs).flatMap((run) => update('runs', run, { state: 'pulled', printedOn: '2026-11-02' }) ?? []),
  ]);
}
const built = (without: string[]) => {
  const result = houseFromTemplate(template(), { name: 'Lot 2', shortId: 'AAAAA', without });
  if (!result.ok) throw new Error(result.problem.code);
  return result.value;
};

describe('a house from a template', () => {
  it('has the plan and the standard rough-in, and nothing that belongs to the first house', () => {
    const house = built([]);
    expect(house.project).to.include({ name: 'Lot 2', shortId: 'AAAAA', client: '', address: '' });
    expect(Object.keys(house.devices)).to.deep.equal(Object.keys(template().devices));
    expect(new Set(Object.values(house.runs).map(({ state, printedOn }) => `${state}${printedOn}`))).to.deep.equal(
      new Set(['drafted']),
    );
    expect(house.facts).to.deep.equal({});
    expect(house.theatres.th).to.deep.include({ layout: '5.1', measured: [] });
  });

  it('leaves out the devices of options that it does not take, with their runs', () => {
    expect(houseOptions(template()).map(({ name }) => name)).to.deep.equal(['Music in the living room']);
    const house = built(['opt']);
    expect(Object.values(house.devices).map(({ typeId }) => typeId)).to.deep.equal(['network-drop']);
    expect(Object.values(house.runs).every(({ deviceId }) => house.devices[deviceId])).to.equal(true);
    expect(house.spentNumbers).to.deep.equal({});
  });
});
