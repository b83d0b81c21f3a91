import '../../testing/dom.ts';
import { answerCell } from '@dusky-spool/core/brief';
import { create, type OpenDecision, type ProjectDocument, update } from '@dusky-spool/core/model';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { choose, enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject, signInAs } from '../../testing/render.tsx';
import { BuildersPackage } from './BuildersPackage.tsx';
import { ChannelList } from './ChannelList.tsx';
import { Decisions } from './Decisions.tsx';

const decision: OpenDecision = {
  id: 'x',
  roomId: 'a',
  areaId: null,
  subject: 'Keypad or touch panel',
  options: [
    { name: 'Keypad', typeId: 'keypad' },
    { name: 'Touch panel', typeId: 'touch-panel' },
  ],
  gate: 'board',
  leadDays: 10,
  owner: 'the client',
  chosen: '',
  decidedOn: '',
  note: '',
};
const devicesIn = (project: ProjectDocument) => Object.values(project.devices);

describe('an open decision on screen', () => {
  afterEach(closePage);

  it('is prepared by one press, decided by another, and opened again with its cables', async () => {
    signInAs('planner');
    const page = renderInProject(<Decisions />, applied(smallHouse(), [create('decisions', decision)]));
    await press(page, /^Prepare \d+ cables? on the plan$/);
    const [device] = devicesIn(page.project());
    expect(device).to.include({ decisionId: 'x', fitting: 'prepared' });
    expect(page.container.textContent).to.match(/Prepared on the plan: \d+ cables? at /);
    expect(page.queryByRole('button', { name: /^Prepare/ })).to.equal(null);
    const prepared = Object.keys(page.project().runs).length;
    await press(page, 'Decide: Keypad');
    expect(devicesIn(page.project())[0]).to.include({ typeId: 'keypad', fitting: 'fitted' });
    expect(page.project().decisions.x.chosen).to.equal('Keypad');
    await press(page, 'Open it again');
    expect(Object.keys(page.project().runs)).to.have.length(prepared);
    expect(page.edits).to.have.length(3);
  });

  it('says what is missing where it has no room yet, and changes nothing', async () => {
    signInAs('planner');
    const page = renderInProject(<Decisions />, applied(smallHouse(), [create('decisions', { ...decision, roomId: null })]));
    await press(page, /^Prepare/);
    expect(devicesIn(page.project())).to.deep.equal([]);
    expect(page.edits).to.deep.equal([]);
  });
});

describe('a surround layout on screen', () => {
  afterEach(closePage);

  it('names its open channels, and takes a speaker for one of them', async () => {
    const { project } = withDevices(
      smallHouse(),
      [
        { typeId: 'in-wall-front', at: [1, 0.05] },
        { typeId: 'wall-speaker', at: [3, 0.05] },
      ],
      countedIds(),
    );
    const asked = applied(
      project,
      answerCell(project, 'a', 'surround', 'wanted', () => 'cell', { layout: '5.1' }),
    );
    const page = renderInProject(<ChannelList cell={asked.briefCells.cell} />, asked);
    expect(page.container.textContent).to.include('No speaker yet: center, surround left, surround right, subwoofer.');
    const surround = devicesIn(asked).find(({ typeId }) => typeId === 'wall-speaker')!;
    await choose(page, 'Surround left', 'Wall speaker');
    expect(page.project().devices[surround.id].channel).to.equal('surround-left');
    expect(page.container.textContent).to.include('No speaker yet: front right, center, surround right, subwoofer.');
  });
});

describe('a builder’s package on screen', () => {
  afterEach(closePage);

  it('lists what is missing by place and part and whose work is left, to sign, and says what changed after', async () => {
    const base = smallHouse();
    const wanted = applied(
      base,
      answerCell(base, 'a', 'keypad', 'wanted', () => 'cell', { count: 2 }),
    );
    const line = {
      id: 'l',
      roomId: 'a',
      areaId: null,
      topic: 'keypad' as const,
      count: 2,
      part: 'cable' as const,
      suppliedBy: 'builder' as const,
      fittedBy: 'integrator' as const,
      programmedBy: 'nobody' as const,
      words: 'Two keypad cables',
    };
    const page = renderInProject(<BuildersPackage />, applied(wanted, [create('packageLines', line)]));
    await enter(page, 'Signed by', 'Site manager');
    await press(page, 'Sign the list');
    const [signature] = Object.values(page.project().packageSignatures);
    expect([signature.signedBy, signature.lines]).to.deep.equal([
      'Site manager',
      [
        'Room AA: Keypad (box), 2 wanted, 0 included',
        'Room AA: Keypad (plate), 2 wanted, 0 included',
        'Room AA: Keypad (device), 2 wanted, 0 included',
        'Two keypad cables: fit by integrator',
      ],
    ]);
    expect(page.container.textContent).to.match(
      /Room AA Keypad \(box\) 0 of 2; Keypad \(plate\) 0 of 2; Keypad \(device\) 0 of 2/,
    );
    expect(page.container.textContent).to.include('Two keypad cables Fit: integrator');
    await choose(page, 'Fitted by', 'Builder');
    expect(page.project().packageLines.l.fittedBy).to.equal('builder');
    page.getByText('Since then 0 added, 1 settled.');
    expect(update('packageLines', page.project().packageLines.l, { fittedBy: 'builder' })).to.equal(null);
  });
});
