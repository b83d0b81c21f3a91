import '../../testing/dom.ts';
import { FEATURE_MAKES, surveyQuestions } from '@dusky-spool/core/house';
import { OPENING_KINDS, WALL_KINDS } from '@dusky-spool/core/model';
import { smallHouse } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { useState } from 'react';
import { SELECT, type SurveyTool } from '../../canvas/tools/survey-tool.ts';
import { fakeServer, Refusal } from '../../testing/fake-server.ts';
import { enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject, renderPage, signInAs } from '../../testing/render.tsx';
import { ArrayDialog, KeyboardSheet } from './dialogs.tsx';
import { NameDialog } from './NameDialog.tsx';
import { SurveyFoot } from './SurveyFoot.tsx';
import { ToolBar } from './ToolBar.tsx';
import { useSurveyView } from './useSurveyView.ts';
import { Walk } from './Walk.tsx';

describe('the tools of the survey', () => {
  const view = useSurveyView.getState();
  afterEach(() => {
    closePage();
    useSurveyView.setState(view, true);
  });
  function open() {
    let now: SurveyTool = SELECT;
    function Held() {
      const [tool, setTool] = useState<SurveyTool>(SELECT);
      now = tool;
      return <ToolBar levelId="m" tool={tool} onTool={setTool} />;
    }
    const page = renderInProject(<Held />, smallHouse());
    return { ...page, tool: () => now };
  }

  it('say their keys, and which one is taken up', async () => {
    const page = open();
    expect(page.getByRole('button', { name: /Select/ }).getAttribute('aria-pressed')).to.equal('true');
    await press(page, /Walls/);
    expect(page.tool().kind).to.equal('walls');
    expect(page.getByRole('button', { name: /Walls/ }).getAttribute('aria-pressed')).to.equal('true');
    expect(page.getByRole('button', { name: /Walls/ }).querySelector('kbd')!.textContent).to.equal('W');
  });

  it('draw walls of a kind with its usual thickness, which can be typed', async () => {
    const page = open();
    await press(page, /Walls/);
    const kinds = page.getAllByRole('radio');
    expect(kinds).to.have.length(WALL_KINDS.length);
    await page.user.click(kinds[WALL_KINDS.indexOf('masonry')]);
    const masonry = page.tool();
    expect(masonry.kind === 'walls' && masonry.make.kind).to.equal('masonry');
    await enter(page, 'Thickness', '0.24');
    const thick = page.tool();
    expect(thick.kind === 'walls' && thick.make.thicknessM).to.equal(0.24);
    await enter(page, 'Thickness', 'a brick');
    expect(page.getByRole('alert').textContent).to.match(/length/);
    const still = page.tool();
    expect(still.kind === 'walls' && still.make.thicknessM).to.equal(0.24);
  });

  it('place an opening of a kind', async () => {
    const page = open();
    await press(page, /Openings/);
    expect(page.tool()).to.deep.equal({ kind: 'opening', opening: 'door', typed: '' });
    const options = [...page.container.querySelectorAll('.ant-segmented-item-label')];
    expect(options).to.have.length(OPENING_KINDS.length);
    await page.user.click(options[OPENING_KINDS.indexOf('window')]);
    expect(page.tool()).to.deep.equal({ kind: 'opening', opening: 'window', typed: '' });
  });

  it('find a thing by its name in every group', async () => {
    const page = open();
    await press(page, /Things/);
    const group = page.container.querySelectorAll('.survey__thing').length;
    expect(group).to.be.lessThan(FEATURE_MAKES.length);
    await page.user.type(page.getByLabelText('Find a thing'), 'conduit');
    const found = [...page.container.querySelectorAll('.survey__thing')];
    expect(found.length).to.be.at.least(1);
    for (const one of found) expect(one.textContent).to.match(/conduit/i);
    await page.user.click(found[0]);
    const tool = page.tool();
    expect(tool.kind === 'feature' && tool.make.kind).to.match(/conduit|screed/);
    expect(found[0].getAttribute('aria-pressed')).to.equal('true');
  });

  it('find the rack and the riser by their names, too', async () => {
    const page = open();
    await press(page, /Things/);
    for (const kind of ['rack', 'riser'] as const) {
      await page.user.clear(page.getByLabelText('Find a thing'));
      await page.user.type(page.getByLabelText('Find a thing'), kind.toUpperCase());
      await press(page, new RegExp(`^${kind}$`, 'i'));
      expect(page.tool().kind).to.equal(kind);
    }
  });

  it('hide and lock what is in the way', async () => {
    const page = open();
    await press(page, 'View, lock, grid');
    const boxes = await page.findAllByRole('checkbox', { name: /^Walls / });
    await page.user.click(boxes[0]);
    expect(useSurveyView.getState().locked.has('wall')).to.equal(true);
    await page.user.click(boxes[0]);
    expect(useSurveyView.getState().locked.has('wall')).to.equal(false);
  });
});

describe('the walk through a house', () => {
  let server: ReturnType<typeof fakeServer> | undefined;
  afterEach(() => {
    closePage();
    server?.stop();
    server = undefined;
  });
  const open = () => {
    signInAs('planner');
    const page = renderInProject(<Walk onBack={() => undefined} />, smallHouse());
    const question = () => page.container.querySelector('.survey__walk-question')!.textContent!;
    const left = () => Number(/\d+/.exec(page.container.querySelector('.chip')!.textContent!)![0]);
    return { ...page, question, left };
  };
  const type = async (page: ReturnType<typeof open>, words: string) => {
    const field = page.container.querySelector<HTMLInputElement>('.survey__walk-field')!;
    await page.user.clear(field);
    await page.user.type(field, words);
    return field;
  };

  it('asks one thing at a time, and writes down who measured it', async () => {
    const page = open();
    const before = page.left();
    expect(before).to.equal(surveyQuestions(smallHouse()).length);
    await type(page, '2.61');
    await press(page, 'Measured');
    expect(page.left()).to.equal(before - 1);
    const [fact] = Object.values(page.project().facts);
    expect(fact).to.include({ state: 'measured', by: 'Ada Fenn' });
    expect(page.getByRole('progressbar').getAttribute('aria-valuenow')).to.equal('1');
  });

  it('keeps what is no length, and says why', async () => {
    const page = open();
    const asked = page.question();
    const field = await type(page, 'two paces{Enter}');
    expect(page.getByRole('alert').textContent).to.match(/length/);
    expect(field.value).to.equal('two paces');
    expect(page.question()).to.equal(asked);
    expect(page.edits).to.deep.equal([]);
  });

  it('leaves for later what is asked again at the end, and what is unknown stays unknown', async () => {
    const page = open();
    const total = page.left();
    await press(page, 'Later');
    await press(page, 'Unknown');
    expect(page.left()).to.equal(total - 2);
    while (page.queryByRole('button', { name: 'Later' })) await press(page, 'Later');
    expect(page.container.querySelector('.walk-card')!.textContent).to.match(/1/);
    await press(page, /again|Ask/);
    expect(page.left()).to.equal(total - 1);
  });

  it('keeps an assumed value as measured when somebody says so', async () => {
    const page = open();
    while (!page.queryByRole('button', { name: 'Keep assumed value' })) await press(page, 'Later');
    await press(page, 'Keep assumed value');
    expect(Object.values(page.project().facts)[0].state).to.equal('measured');
  });

  it('takes a length from the laser meter, and says when it does not answer', async () => {
    let isThere = false;
    server = fakeServer({
      'POST /bridge/laser/measure': () =>
        isThere ? { lengthM: 2.587 } : new Refusal(502, { code: 'instrument-away', field: 'laser', instrument: 'laser meter' }),
    });
    const page = open();
    await press(page, 'Laser meter');
    expect((await page.findByRole('alert')).textContent).to.match(/laser meter does not answer/);
    isThere = true;
    await press(page, 'Laser meter');
    const field = page.container.querySelector<HTMLInputElement>('.survey__walk-field')!;
    await page.findByDisplayValue(/2\.59|2\.587/);
    expect(field.value).to.match(/m$/);
  });

  it('is offered with how much is not known', async () => {
    let walks = 0;
    const page = renderInProject(<SurveyFoot onWalk={() => walks++} onKeys={() => undefined} />, smallHouse());
    expect(page.container.textContent).to.include(String(surveyQuestions(smallHouse()).length));
    await press(page, 'Walk the house');
    expect(walks).to.equal(1);
  });
});

describe('dialogs of the survey', () => {
  afterEach(closePage);

  it('copy in rows and columns, at least two and no more than 400', async () => {
    const made: number[][] = [];
    const page = renderPage(<ArrayDialog units="metric" onMake={(...all) => made.push(all)} onCancel={() => undefined} />);
    const create = () => page.getByRole('button', { name: 'Create' }) as HTMLButtonElement;
    await enter(page, 'Across', '1');
    expect(create().disabled).to.equal(true);
    await enter(page, 'Across', '21');
    await enter(page, 'Up', '20');
    expect(create().disabled).to.equal(true);
    await enter(page, 'Up', '2');
    await enter(page, 'Step across', '0.5 m');
    await page.user.click(create());
    expect(made[0].slice(0, 3)).to.deep.equal([21, 2, 0.5]);
  });

  it('name a shared point, or take the name that another level has', async () => {
    const names: string[] = [];
    const page = renderPage(<NameDialog known={['Chimney']} onName={(name) => names.push(name)} onCancel={() => undefined} />);
    expect((page.getByRole('button', { name: 'Apply' }) as HTMLButtonElement).disabled).to.equal(true);
    await press(page, 'Chimney');
    await press(page, 'Apply');
    await page.user.clear(page.getByLabelText('Name'));
    await page.user.type(page.getByLabelText('Name'), ' Stair corner {Enter}');
    expect(names).to.deep.equal(['Chimney', 'Stair corner']);
  });

  it('show every key on one sheet', () => {
    const page = renderPage(<KeyboardSheet onClose={() => undefined} />);
    expect(page.baseElement.querySelectorAll('dt').length).to.be.greaterThan(10);
    for (const words of page.baseElement.querySelectorAll('dd')) expect(words.textContent).to.match(/\w/);
  });
});
