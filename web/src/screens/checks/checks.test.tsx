import '../../testing/dom.ts';
import { CALCULATORS } from '@dusky-spool/core/calculators';
import { CHECKS } from '@dusky-spool/core/rules';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { fakeServer } from '../../testing/fake-server.ts';
import { choose, enter, press } from '../../testing/fields.ts';
import { closePage, renderInProject, signInAs } from '../../testing/render.tsx';
import { Calculators } from './Calculators.tsx';
import { FindingList } from './FindingList.tsx';
import { RuleTable } from './RuleTable.tsx';

const { project: house } = withDevices(
  smallHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'network-drop', at: [3, 0.05] },
    { typeId: 'display', at: [2, 0.05] },
  ],
  countedIds(),
);

describe('the list of findings', () => {
  afterEach(closePage);
  const open = () => {
    signInAs('planner');
    const page = renderInProject(<FindingList projectId="demo" />, house);
    return { ...page, cards: () => [...page.container.querySelectorAll('.finding')] };
  };

  it('shows what is open, the parts with errors first', () => {
    const { container, cards } = open();
    expect(cards().length).to.be.greaterThan(0);
    expect(cards().every((card) => !card.classList.contains('fine'))).to.equal(true);
    const hasStop = [...container.querySelectorAll('section')].map((section) => section.querySelector('.finding.stop') !== null);
    expect(hasStop).to.deep.equal([...hasStop].sort((a, b) => Number(b) - Number(a)));
  });

  it('is narrowed by room and by system', async () => {
    const page = open();
    await choose(page, 'Room', 'BB · Room BB');
    expect(page.cards()).to.have.length(0);
    await choose(page, 'Room', 'All rooms');
    const all = page.cards().length;
    await choose(page, 'System', 'Audio');
    expect(page.cards().length).to.be.lessThan(all);
  });

  it('takes an acceptance with a name and a reason, and withdraws it', async () => {
    const page = open();
    const before = page.cards().length;
    const first = page.container.querySelector('.finding .checks__finding-foot button[aria-expanded]')!;
    await page.user.click(first);
    await press(page, 'Accept');
    expect(page.getByRole('alert').textContent).to.not.equal('');
    expect(page.project().findingMarks).to.deep.equal({});
    await enter(page, 'Why', 'agreed with the client');
    await press(page, 'Accept');
    const [mark] = Object.values(page.project().findingMarks);
    expect(mark).to.deep.include({ acceptedBy: 'Ada Fenn', why: 'agreed with the client' });
    expect(page.cards().length).to.equal(before - 1);
    await choose(page, 'Show findings', /^Accepted/);
    expect(page.cards()).to.have.length(1);
    await press(page, 'Withdraw acceptance');
    expect(Object.values(page.project().findingMarks).filter(({ acceptedBy }) => acceptedBy !== '')).to.deep.equal([]);
  });

  it('assigns one to somebody', async () => {
    const page = open();
    await page.user.click(page.container.querySelector('.finding .checks__finding-foot button[aria-expanded]')!);
    await enter(page, 'Assign to', 'Bo of the framers');
    expect(Object.values(page.project().findingMarks)[0].assignedTo).to.equal('Bo of the framers');
    await choose(page, 'Show findings', /^Assigned/);
    expect(page.cards()).to.have.length(1);
  });

  it('leads to the place of a finding', async () => {
    const page = open();
    await page.user.click(page.container.querySelector('.finding .ui__finding-run')!);
    expect(page.address()).to.match(/^\/p\/demo\/(devices|cabling|survey)\?/);
  });
});

describe('the table of rules', () => {
  let server: ReturnType<typeof fakeServer>;
  let firm: unknown[];
  beforeEach(() => {
    signInAs('planner');
    firm = [];
    server = fakeServer({
      'GET /library/rules': () => ({ rules: firm }),
      'PUT /library/rules': ({ body }) => {
        firm = (body as { rules: unknown[] }).rules;
        return { rules: firm };
      },
    });
  });
  afterEach(() => {
    server.stop();
    closePage();
  });

  it('has every rule, and switches one off only with a reason', async () => {
    const page = renderInProject(<RuleTable />, house);
    const switches = page.getAllByRole('switch');
    expect(switches).to.have.length(CHECKS.length);
    await page.user.click(switches[0]);
    const [setting] = Object.values(page.project().ruleSettings);
    // A rule that is lowered asks for the reason beside it.
    if (setting) expect(setting.off).to.equal(true);
    else expect(page.getByRole('alert').textContent).to.not.equal('');
  });

  it('gives the settings to the firm', async () => {
    const page = renderInProject(<RuleTable />, house);
    const save = page.getByRole('button', { name: 'Save for the firm' }) as HTMLButtonElement;
    await waitFor(() => expect(save.disabled).to.equal(false));
    await page.user.click(save);
    await waitFor(() => expect(server.sent('PUT', '/library/rules')).to.deep.equal([{ rules: [] }]));
  });
});

describe('the calculators', () => {
  afterEach(closePage);
  const open = (name: string, run = '') =>
    renderInProject(<Calculators />, house, { at: `/p/demo/inspect?view=calculators&calc=${name}${run && `&run=${run}`}` });

  it('are found by their name, and opened by a click', async () => {
    const page = open('speaker-cable-loss');
    await page.user.type(page.getByLabelText('Find a calculator'), 'fill');
    const names = [...page.container.querySelectorAll('.checks__calc-name')].map(({ textContent }) => textContent);
    expect(names.length).to.be.within(1, 20);
    await page.user.click(page.container.querySelector('.checks__calc-name')!);
    expect(page.getByRole('article').getAttribute('aria-label')).to.equal(names[0]);
  });

  it('have a field for each input, and answer as figures are typed', async () => {
    const page = open('speaker-cable-loss');
    const answer = () => page.getByRole('status').textContent;
    const before = answer();
    const [number] = [...page.container.querySelectorAll<HTMLInputElement>('.checks__calc-input input[role=spinbutton]')];
    await page.user.clear(number);
    await page.user.type(number, '42');
    await page.user.tab();
    expect(answer()).to.not.equal(before);
  });

  it('are filled in from a run, and their answer is kept with it', async () => {
    const runId = Object.keys(house.runs)[0];
    signInAs('planner');
    const page = open('speaker-cable-loss', runId);
    await press(page, /^Save with/);
    const [kept] = Object.values(page.project().keptCalculations);
    expect(kept).to.deep.include({ runId, calculator: 'speaker-cable-loss', by: 'Ada Fenn' });
    expect(page.container.querySelectorAll('.checks__calc-kept li')).to.have.length(1);
    await page.user.click(page.container.querySelector('.checks__calc-kept button')!);
    expect(page.project().keptCalculations).to.deep.equal({});
  });

  it('of every topic open, each with its formula, its source and what it is valid for', () => {
    const oneOfEach = new Map(CALCULATORS.map((calculator) => [calculator.topic, calculator]));
    for (const { name, title, formulas } of oneOfEach.values()) {
      const page = open(name);
      expect(page.getByRole('article').getAttribute('aria-label'), name).to.equal(title);
      expect(page.container.querySelectorAll('.checks__calc-source code').length, name).to.equal(formulas.length);
      expect(page.container.querySelectorAll('.checks__calc-input .field').length, name).to.be.greaterThan(0);
      closePage();
    }
  });

  it('say which figure is missing, or wrong, by its name', async () => {
    const page = open('speaker-cable-loss');
    const words = () => page.getByRole('status').textContent ?? '';
    expect(words()).to.match(/ is missing\. /);
    const first = words().split(' is missing')[0];
    await page.user.type(page.getByRole('spinbutton', { name: new RegExp(`^${first.replace(/[()]/g, '.')}`) }), '-99');
    await page.user.tab();
    expect(words().startsWith(`${first} is missing`)).to.equal(false);
    expect(page.container.querySelector('.checks__calc-answer dl')).to.equal(null);
  });
});
