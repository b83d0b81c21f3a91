import '../../testing/dom.ts';
import { BRIEF_TOPICS, create, type ProjectDocument } from '@dusky-spool/core/model';
import { notDiscussed } from '@dusky-spool/core/brief';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { act, fireEvent, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject, signInAs } from '../../testing/render.tsx';
import { addDecision } from '../../commands/add-decision.ts';
import { BriefScreen } from './BriefScreen.tsx';
import { Decisions } from './Decisions.tsx';
import { PlaceCard } from './PlaceCard.tsx';

const cellOf = (project: ProjectDocument, topic: string) =>
  Object.values(project.briefCells).find((cell) => cell.topic === topic);

describe('the answers of a room', () => {
  afterEach(closePage);

  function open(project = smallHouse(), topic: (typeof BRIEF_TOPICS)[number] = BRIEF_TOPICS[0]) {
    const asked: string[] = [];
    const filled: string[] = [];
    const page = renderInProject(
      <PlaceCard
        at={{ placeId: 'a', topic }}
        onAt={({ topic: next }) => asked.push(next)}
        onFill={(placeId) => filled.push(placeId)}
        onCopy={() => undefined}
      />,
      project,
    );
    const answers = () =>
      [...page.getByRole('group', { name: 'Answer' }).querySelectorAll('button')].map((button) => ({
        button,
        isChosen: button.getAttribute('aria-pressed') === 'true',
        words: button.textContent ?? '',
      }));
    return { ...page, asked, filled, answers };
  }

  it('is set by a press, changed by another, and withdrawn by the same', async () => {
    const page = open();
    const topic = BRIEF_TOPICS[0];
    await page.user.click(page.answers()[0].button);
    const first = cellOf(page.project(), topic)!.answer;
    expect(
      page
        .answers()
        .map(({ isChosen }) => isChosen)
        .indexOf(true),
    ).to.equal(0);
    await page.user.click(page.answers()[1].button);
    expect(cellOf(page.project(), topic)!.answer).to.not.equal(first);
    await page.user.click(page.answers()[1].button);
    expect(cellOf(page.project(), topic)).to.equal(undefined);
    expect(page.edits).to.have.length(3);
  });

  it('asks how many, which and how, where something is wanted', async () => {
    const page = open();
    expect(page.queryByLabelText('How many')).to.equal(null);
    await page.user.click(page.answers()[0].button);
    await enter(page, 'How many', '3');
    await enter(page, 'Note', 'over the island');
    expect(cellOf(page.project(), BRIEF_TOPICS[0])).to.deep.include({ count: 3, note: 'over the island' });
    expect(page.container.querySelectorAll('.brief__cost-lines dd')).to.have.length(2);
  });

  it('costs more after drywall than now', async () => {
    const page = open();
    await page.user.click(page.answers()[0].button);
    const [now, later] = [...page.container.querySelectorAll('.brief__cost-lines dd')].map(({ textContent }) =>
      Number((textContent ?? '').replace(/[^\d.]/g, '')),
    );
    expect(later).to.be.greaterThan(now);
  });

  it('can be signed only when every topic was discussed', async () => {
    const page = open();
    const button = () => page.container.querySelector<HTMLButtonElement>('.brief__brief-card > .ant-btn-primary')!;
    expect(button().disabled).to.equal(true);
    closePage();
    const all = BRIEF_TOPICS.map((topic, i) =>
      create('briefCells', {
        id: `c${i}`,
        roomId: 'a',
        topic,
        answer: 'nothing',
        count: 1,
        threshold: 0,
        typeId: null,
        phaseId: null,
        note: '',
      } as never),
    );
    signInAs('planner');
    const done = applied(smallHouse(), all);
    expect(notDiscussed(done, 'a')).to.deep.equal([]);
    const ready = open(done);
    const sign = ready.container.querySelector<HTMLButtonElement>('.brief__brief-card > .ant-btn-primary')!;
    expect(sign.disabled).to.equal(false);
    await ready.user.click(sign);
    const [brief] = Object.values(ready.project().roomBriefs);
    expect(brief.signedOn).to.match(/^\d{4}-\d{2}-\d{2}$/);
    await press(ready, 'Withdraw signature');
    await press(ready, 'Change and withdraw');
    expect(Object.values(ready.project().roomBriefs)[0].signedOn).to.equal('');
    expect(ready.getByText('Signed earlier')).to.not.equal(null);
  });

  it('asks before an edit takes a signature back, and leaves all as it is where that is not wanted', async () => {
    const signed = applied(smallHouse(), [
      create('roomBriefs', {
        ...{ id: 'rb', roomId: 'a', areaId: null, who: '', used: '', noise: '', overflowSeats: 0, useGroups: [], walkOrder: 0 },
        ...{ signedBy: 'the client', signedOn: '2026-10-01', asksToSign: '', alsoSignedOn: '', pastSignatures: [] },
      }),
    ]);
    const page = open(signed);
    await page.user.click(page.answers()[0].button);
    expect((await page.findByRole('dialog')).textContent).to.include('signed by the client on 2026-10-01');
    await press(page, 'Cancel');
    expect(page.edits).to.deep.equal([]);
    await page.user.click(page.answers()[0].button);
    await press(page, 'Change and withdraw');
    expect(page.project().roomBriefs.rb.pastSignatures).to.deep.equal([{ by: 'the client', on: '2026-10-01' }]);
    await enter(page, 'Also asked to sign', 'her brother');
    expect(page.project().roomBriefs.rb.asksToSign).to.equal('her brother');
  });

  it('takes what is on the plan as the answer, at one press', async () => {
    const { project } = withDevices(smallHouse(), [{ typeId: 'access-point', at: [1, 1] }], countedIds());
    const page = open(project, 'wifi');
    await press(page, 'Take into the brief');
    expect(cellOf(page.project(), 'wifi')).to.include({ answer: 'wanted', count: 1, typeId: 'access-point' });
    expect(page.queryByRole('button', { name: 'Take into the brief' })).to.equal(null);
  });

  it('keeps how a room is used', async () => {
    const page = open();
    await enter(page, /Who/, 'the family');
    await enter(page, /seats/i, '4');
    expect(Object.values(page.project().roomBriefs)[0]).to.deep.include({ who: 'the family', overflowSeats: 4 });
  });

  it('becomes a template with its devices', async () => {
    const { project } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 1] }], countedIds());
    const page = open(project);
    await press(page, /template/i);
    const [template] = Object.values(page.project().roomTemplates);
    expect(template.devices.map(({ typeId }) => typeId)).to.deep.equal(['ceiling-speaker']);
  });

  it('offers to fill in what was not discussed', async () => {
    const page = open();
    await press(page, /rest|not discussed/i);
    expect(page.filled).to.deep.equal(['a']);
  });
});

describe('open decisions', () => {
  afterEach(closePage);

  it('are added, named, given options, decided and opened again', async () => {
    const page = renderInProject(<Decisions />, smallHouse());
    await press(page, /^Add/);
    const [decision] = Object.values(page.project().decisions);
    expect(page.container.querySelectorAll('.brief__decision')).to.have.length(1);
    await enter(page, /what|subject/i, 'Screen or display');
    expect(Object.values(page.project().decisions)[0].subject).to.equal('Screen or display');
    expect(decision.chosen).to.equal('');
    await press(page, 'Remove');
    expect(page.project().decisions).to.deep.equal({});
  });

  it('shows which cables keep every option, and what was decided', async () => {
    const added = applied(smallHouse(), addDecision(smallHouse(), { id: 'd1', subject: 'Screen or display' }));
    const options = [
      { name: 'Projector', typeId: 'projector' },
      { name: 'Display', typeId: 'display' },
    ];
    const decision = { ...added.decisions.d1, options };
    const page = renderInProject(<Decisions />, { ...added, decisions: { d1: decision } });
    const superset = page.container.querySelector('.brief__superset')!.textContent!;
    expect(superset)
      .to.match(/\d × Category 6A?/)
      .and.match(/\d × .*optical/i);
    await press(page, /Projector$/);
    expect(page.project().decisions.d1).to.deep.include({ chosen: 'Projector' });
    expect(page.container.querySelector('.brief__decided')!.textContent).to.include('Projector');
    await press(page, 'Open it again');
    expect(page.project().decisions.d1.chosen).to.equal('');
  });
});

describe('the answers of all rooms', () => {
  afterEach(closePage);

  it('are given by keys: a letter answers, a digit after it says how many of that answer', async () => {
    const page = renderInProject(<BriefScreen />, smallHouse(), { at: '/p/p1/brief' });
    const cell = (topic: string) => page.container.querySelector<HTMLElement>(`[data-cell="a/${topic}"]`)!;
    const key = (name: string) => act(() => void fireEvent.keyDown(document.activeElement!, { key: name }));
    act(() => cell('sound').focus());
    key('w');
    await waitFor(() => expect(document.activeElement).to.equal(cell('surround')));
    key('1');
    key('2');
    expect(cellOf(page.project(), 'sound')).to.include({ answer: 'wanted', count: 12 });
    expect(cellOf(page.project(), 'surround')).to.equal(undefined);
    // After a move a digit is for the cell under the cursor.
    key('ArrowRight');
    await waitFor(() => expect(document.activeElement).to.equal(cell('display')));
    key('3');
    expect(cellOf(page.project(), 'display')).to.include({ answer: 'wanted', count: 3 });
    expect(cellOf(page.project(), 'sound')!.count).to.equal(12);
  });

  it('show what is on the plan and not in the brief, and take all of it at once', async () => {
    const { project } = withDevices(
      smallHouse(),
      [
        { typeId: 'access-point', at: [1, 1] },
        { typeId: 'keypad', at: [8, 0.05] },
      ],
      countedIds(),
    );
    const page = renderInProject(<BriefScreen />, project, { at: '/p/p1/brief' });
    expect(page.container.querySelectorAll('.brief__on-plan')).to.have.length(2);
    await press(page, 'Take all into the brief');
    expect(Object.values(page.project().briefCells).map(({ roomId, topic }) => [roomId, topic])).to.have.deep.members([
      ['a', 'wifi'],
      ['b', 'keypad'],
    ]);
    expect(page.container.querySelectorAll('.brief__on-plan')).to.have.length(0);
  });
});
