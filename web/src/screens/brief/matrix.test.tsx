import '../../testing/dom.ts';
import { topicsAsked } from '@dusky-spool/core/brief';
import { BRIEF_TOPICS, type ProjectDocument, SITE_TOPICS } from '@dusky-spool/core/model';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { act, fireEvent, waitFor, within } from '@testing-library/react';
import { expect } from 'chai';
import { enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject, signInAs } from '../../testing/render.tsx';
import { BriefScreen } from './BriefScreen.tsx';

const [first, second] = BRIEF_TOPICS;
const cellOf = (project: ProjectDocument, topic: string, roomId = 'a') =>
  Object.values(project.briefCells).find((cell) => cell.topic === topic && cell.roomId === roomId);

/** Topics of a house without outdoor areas. */
const ROOM_TOPICS = BRIEF_TOPICS.filter((topic) => !SITE_TOPICS.includes(topic));

function open(view?: string, project = smallHouse()) {
  signInAs('planner');
  const page = renderInProject(<BriefScreen />, project, { at: `/p/p1/brief${view ? `?view=${view}` : ''}` });
  const cell = (topic: string, roomId = 'a') => page.container.querySelector<HTMLElement>(`[data-cell="${roomId}/${topic}"]`)!;
  /** Presses a key on the cell that has the focus. */
  const key = (name: string) => fireEvent.keyDown(document.activeElement!, { key: name });
  const focus = (topic: string, roomId?: string) => act(() => cell(topic, roomId).focus());
  /** The focus goes to the next cell in the next picture. */
  const settled = () => act(() => new Promise<void>((done) => requestAnimationFrame(() => done())));
  return { ...page, cell, key, focus, settled };
}

describe('the brief by rooms and topics', () => {
  afterEach(closePage);

  it('asks about the outdoors too: the usual areas by one press, each with the topics of the site', async () => {
    const page = open();
    expect(page.cell('generator')).to.equal(null);
    await press(page, 'Add terrace, drive, garden and facades');
    const areas = Object.values(page.project().features);
    expect(areas.map(({ kind, name }) => [kind, name])).to.deep.equal([
      ['terrace', 'Terrace'],
      ['drive', 'Drive'],
      ['garden', 'Garden'],
      ['facade', 'Front facade'],
      ['facade', 'Right facade'],
      ['facade', 'Back facade'],
      ['facade', 'Left facade'],
    ]);
    const [terrace] = areas;
    await page.settled();
    page.focus('heating', terrace.id);
    page.key('w');
    expect(Object.values(page.project().briefCells)[0]).to.include({ areaId: terrace.id, roomId: null, answer: 'wanted' });
    // The card says its name, which can be changed.
    page.focus('heating', terrace.id);
    await enter(page, 'Name of the area', 'Creek terrace');
    expect(page.project().features[terrace.id].name).to.equal('Creek terrace');
  });

  it('is one stop for the tab key, whose cell the arrows move', async () => {
    const { container, cell, focus, key } = open();
    expect(container.querySelectorAll('[data-cell][tabindex="0"]')).to.have.length(1);
    focus(first);
    key('ArrowRight');
    await waitFor(() => expect(document.activeElement).to.equal(cell(second)));
    key('ArrowLeft');
    await waitFor(() => expect(document.activeElement).to.equal(cell(first)));
    key('ArrowDown');
    await waitFor(() => expect(document.activeElement!.getAttribute('data-cell')).to.match(/^b\//));
    expect(container.querySelectorAll('[data-cell][tabindex="0"]')).to.have.length(1);
  });

  it('goes round from the last topic of a room to the first of the next', async () => {
    const { cell, focus, key } = open();
    focus(ROOM_TOPICS.at(-1)!);
    key('ArrowRight');
    await waitFor(() => expect(document.activeElement).to.equal(cell(first, 'b')));
  });

  it('takes an answer by one letter and goes on; a digit says how many; X withdraws it', async () => {
    const { cell, focus, key, project } = open();
    focus(first);
    key('w');
    expect(cellOf(project(), first)).to.include({ answer: 'wanted' });
    await waitFor(() => expect(document.activeElement).to.equal(cell(second)));
    // W 3: the digit is of the answer that was just given.
    key('3');
    expect(cellOf(project(), first)).to.include({ answer: 'wanted', count: 3 });
    expect(cellOf(project(), second)).to.equal(undefined);
    focus(first);
    key('x');
    expect(cellOf(project(), first)).to.equal(undefined);
  });

  it('has a letter for each answer', async () => {
    const { cell, focus, key, project } = open();
    for (const [letter, answer] of [
      ['p', 'prepared'],
      ['l', 'later'],
      ['n', 'nothing'],
    ]) {
      focus(first);
      key(letter);
      expect(cellOf(project(), first)!.answer).to.equal(answer);
      await waitFor(() => expect(document.activeElement).to.equal(cell(second)));
    }
  });

  it('fills what such a room is not even asked about with “Not required”, in one edit', async () => {
    const { focus, key, settled, project, edits } = open();
    focus(first);
    key('w');
    await settled();
    focus(second);
    key('f');
    expect(edits).to.have.length(2);
    const asked = new Set<string>(topicsAsked(project().rooms.a.use));
    for (const topic of ROOM_TOPICS.filter((one) => one !== first))
      expect(cellOf(project(), topic)?.answer, topic).to.equal(asked.has(topic) ? undefined : 'nothing');
    expect(BRIEF_TOPICS.some((topic) => cellOf(project(), topic, 'b'))).to.equal(false);
  });

  it('leads from a cell to its card by Enter', async () => {
    const { container, focus, key } = open();
    focus(first);
    key('Enter');
    await waitFor(() => expect(container.querySelector('.brief__brief-card')!.contains(document.activeElement)).to.equal(true));
  });

  it('says each cell in words', () => {
    const { cell, focus, key } = open();
    focus(first);
    expect(cell(first).getAttribute('aria-label')).to.match(/^Room AA, .+: Not discussed$/);
    key('w');
    expect(cell(first).getAttribute('aria-label')).to.match(/: Wanted(, \d+)?$/);
  });

  it('copies the answers of a room to others, and keeps what those have', async () => {
    const page = open();
    for (const [topic, roomId, letter] of [
      [first, 'a', 'w'],
      [first, 'b', 'n'],
      [second, 'a', 'l'],
    ]) {
      page.focus(topic, roomId);
      page.key(letter);
      await page.settled();
    }
    page.focus(second);
    await press(page, 'Copy answers to other places');
    const dialog = await page.findByRole('dialog');
    for (const box of within(dialog).getAllByRole('checkbox').slice(0, -1))
      if (!(box as HTMLInputElement).checked) await page.user.click(box);
    await page.user.click(within(dialog).getByRole('button', { name: /^Copy/ }));
    expect(cellOf(page.project(), second, 'b')!.answer).to.equal('later');
    expect(cellOf(page.project(), first, 'b')!.answer).to.equal('nothing');
    await waitFor(() => expect(page.queryByRole('dialog')).to.equal(null));
  });
});

describe('compromises', () => {
  afterEach(closePage);

  it('are signed only when they say what the client accepts, and who', async () => {
    const page = open('compromises');
    await press(page, 'Add a compromise');
    const sign = () => page.getByRole('button', { name: /^Signed today/ }) as HTMLButtonElement;
    expect(sign().disabled).to.equal(true);
    await enter(page, 'Effect', 'less bass in the bay');
    await enter(page, 'Accepted by', 'the client');
    expect(sign().disabled).to.equal(false);
    await page.user.click(sign());
    const [one] = Object.values(page.project().compromises);
    expect(one).to.include({ effect: 'less bass in the bay', acceptedBy: 'the client' });
    expect(one.signedOn).to.match(/^\d{4}-\d{2}-\d{2}$/);
    expect(page.container.querySelector('.chip')!.textContent).to.include('the client');
  });

  it('are removed', async () => {
    const page = open('compromises');
    await press(page, 'Add a compromise');
    await press(page, 'Remove');
    expect(page.project().compromises).to.deep.equal({});
  });
});

describe('the builder’s package', () => {
  afterEach(closePage);

  it('is read line by line, compared with the brief, and what is unclear is asked', async () => {
    const page = open();
    page.focus('network');
    page.key('2');
    await page.user.click(page.getByText(/^Builder’s package/, { selector: '.ant-segmented-item-label' }));
    await page.user.click(page.getByLabelText('Lines of the builder’s package'));
    await page.user.paste('2 data outlets in Room AA\nsomething that nobody understands\n');
    await press(page, 'Read these lines');
    const lines = Object.values(page.project().packageLines);
    expect(lines).to.have.length(2);
    expect(lines.some(({ topic }) => topic === 'network')).to.equal(true);
    expect(lines.some(({ topic }) => topic === null)).to.equal(true);
    expect(page.container.querySelector('.finding.look')!.textContent).to.match(/1/);
    await page.user.click(page.getAllByRole('button', { name: 'Remove' })[0]);
    expect(Object.values(page.project().packageLines)).to.have.length(1);
  });
});

describe('the walk through the brief', () => {
  afterEach(closePage);
  const { project: house } = withDevices(smallHouse(), [{ typeId: 'network-drop', at: [3, 0.05] }], countedIds());

  it('goes from room to room, and lists what differs from the brief', async () => {
    const page = open(undefined, house);
    page.focus('network');
    page.key('w');
    await page.user.click(page.getByText(/^Walk/, { selector: '.ant-segmented-item-label' }));
    const names: string[] = [];
    const heading = () => page.container.querySelector('.walk-card h1')!.textContent!;
    for (let n = 0; n < 3; n++) {
      names.push(heading());
      if (heading() === house.rooms.a.name) {
        await page.user.click(page.container.querySelectorAll('.brief__walk-three button')[1]);
        expect(page.container.querySelectorAll('.walk-list li').length).to.be.at.least(1);
        const [result] = Object.values(page.project().walkResults);
        expect(result).to.include({ walk: 'first', roomId: 'a', topic: 'network', by: 'Ada Fenn' });
      }
      const next = page.getByRole('button', { name: 'Next' }) as HTMLButtonElement;
      if (!next.disabled) await page.user.click(next);
    }
    const rooms = Object.values(house.rooms).map(({ name }) => name);
    expect([...names].sort()).to.deep.equal([...rooms, 'Outdoors'].sort());
    expect(names.at(-1)).to.equal('Outdoors');
    // One tap adds what nobody asked for before; the last walk is kept apart.
    const before = Object.keys(page.project().devices).length;
    await page.user.click(page.getByRole('button', { name: '+ Camera' }));
    expect(Object.keys(page.project().devices)).to.have.length(before + 1);
    expect(page.getByText(/Differences: 2/)).to.not.equal(null);
    await page.user.click(page.getByText('Last walk', { selector: '.ant-segmented-item-label' }));
    expect(page.getByText(/Differences: 0/)).to.not.equal(null);
  });
});
