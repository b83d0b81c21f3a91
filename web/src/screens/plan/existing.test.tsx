import '../../testing/dom.ts';
import { create, newFeature, type ProjectDocument } from '@dusky-spool/core/model';
import { planRuns } from '@dusky-spool/core/runs';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { fireEvent } from '@testing-library/react';
import { expect } from 'chai';
import { choose, enter, flip, press } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { FoundUses } from '../survey/FoundUses.tsx';
import { DeviceFacts } from './DeviceFacts.tsx';
import { RunSupply } from './RunSupply.tsx';

const wire = newFeature({
  id: 'wire',
  levelId: 'm',
  kind: 'existing-wiring',
  name: 'Old lead',
  points: [
    [1, 1],
    [3, 1],
  ],
});
const house = (typeId: string, at: [number, number] = [1, 0.05]): ProjectDocument =>
  applied(withDevices(smallHouse(), [{ typeId, at }], countedIds()).project, [
    create('features', wire),
    create(
      'features',
      newFeature({ id: 'bracket', levelId: 'm', kind: 'existing-bracket', name: 'Old bracket', points: [[1, 0]] }),
    ),
    create(
      'features',
      newFeature({
        id: 'ter',
        levelId: 'm',
        kind: 'terrace',
        name: 'Terrace',
        area: true,
        points: [
          [0, -4],
          [4, -4],
          [4, -1],
          [0, -1],
        ],
      }),
    ),
    create(
      'features',
      newFeature({
        id: 'front',
        levelId: 'm',
        kind: 'facade',
        name: 'Front facade',
        points: [
          [0, -0.2],
          [10, -0.2],
        ],
      }),
    ),
  ]);
const first = <T,>(table: Readonly<Record<string, T>>): T => Object.values(table)[0];

describe('existing wiring on screen', () => {
  afterEach(closePage);

  it('carries a run instead of a new cable, and a pulled one can be stored', async () => {
    const project = house('network-drop');
    const [{ run }] = planRuns(project);
    const page = renderInProject(<RunSupply run={{ ...run, state: 'pulled' }} />, applied(project, []));
    await choose(page, 'Cable is', 'existing: Old lead, Main');
    expect(page.project().runs[run.id].foundId).to.equal('wire');
    await flip(page, 'Stored in the wall for later');
    expect(page.project().runs[run.id].stored).to.equal(true);
  });

  it('is made a run of a device where it is found', async () => {
    const project = house('network-drop');
    const before = Object.keys(project.runs).length;
    const page = renderInProject(<FoundUses feature={wire} />, project);
    await choose(page, 'Kind of cable', 'Coax RG6');
    fireEvent.keyDown(document.activeElement!, { key: 'Escape' });
    await choose(page, 'Device', /Network drop/);
    await press(page, 'Make it a run');
    const added = Object.values(page.project().runs).filter(({ foundId }) => foundId === 'wire');
    expect(added.map(({ cableTypeId }) => cableTypeId)).to.deep.equal(['rg6']);
    expect(Object.keys(page.project().runs)).to.have.length(before + 1);
    expect(page.container.textContent).to.include('Used by');
  });
});

describe('the fields that a device has by its kind', () => {
  afterEach(closePage);
  const open = (project: ProjectDocument) => {
    const device = first(project.devices);
    const changes: object[] = [];
    const page = renderInProject(<DeviceFacts device={device} onChange={(_title, after) => changes.push(after)} />, project);
    return { page, changes };
  };

  it('are its outdoor area, by its place or chosen', async () => {
    const { page, changes } = open(house('camera', [8, -0.15]));
    expect(page.container.textContent).to.include('By its place: Front facade');
    await choose(page, 'Outdoor area', 'Terrace');
    expect(changes).to.deep.equal([{ areaId: 'ter' }]);
  });

  it('are the bracket that it uses, and its channel', async () => {
    const { page, changes } = open(house('wall-speaker'));
    await choose(page, 'Uses what exists', 'Old bracket');
    await choose(page, 'Surround channel', 'Surround left');
    expect(changes).to.deep.equal([{ foundId: 'bracket' }, { channel: 'surround-left' }]);
  });

  it('are what the electrician is asked for at an outlet', async () => {
    const { page, changes } = open(house('mains-outlet'));
    await enter(page, 'Amperage, A', '20');
    await flip(page, 'Dedicated circuit');
    const usual = { amperageA: 16, voltageV: 230, switched: false, surge: false, dedicated: false };
    expect(changes).to.deep.equal([{ outlet: { ...usual, amperageA: 20 } }, { outlet: { ...usual, dedicated: true } }]);
  });
});
