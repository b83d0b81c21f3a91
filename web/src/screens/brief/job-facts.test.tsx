import '../../testing/dom.ts';
import { create } from '@dusky-spool/core/model';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { fireEvent } from '@testing-library/react';
import { expect } from 'chai';
import { choose, enter, press, valueIn } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { JobFacts } from './JobFacts.tsx';

const house = smallHouse();
function open(project = house) {
  const page = renderInProject(<JobFacts />, project);
  return { ...page, facts: () => page.project().project };
}
const setDay = (page: ReturnType<typeof open>, label: string, value: string) =>
  fireEvent.change(page.getByLabelText(label, { selector: 'input' }), { target: { value } });

describe('the facts of a job', () => {
  afterEach(closePage);

  it('are who it is for and where, each one an edit', async () => {
    const page = open();
    await enter(page, 'House', 'Mill end');
    await enter(page, 'Client', 'A. Client');
    await enter(page, 'Address', '1 Quay');
    await enter(page, 'Description', 'Two rooms');
    expect(page.facts()).to.include({ name: 'Mill end', client: 'A. Client', address: '1 Quay', description: 'Two rooms' });
    expect(page.edits).to.have.length(4);
  });

  it('do not lose the name of the house or its currency where a field is emptied', async () => {
    const page = open();
    await enter(page, 'House', '');
    await enter(page, 'Currency', '');
    expect(page.facts()).to.include({ name: house.project.name, currency: house.project.currency });
    expect(page.getAllByRole('alert').map(({ textContent }) => textContent)).to.deep.equal([
      'House is missing.',
      'Currency is missing.',
    ]);
    expect(page.edits).to.have.length(0);
  });

  it('show lengths in feet as soon as the project is in feet', async () => {
    const page = open();
    expect(valueIn(page, 'Reserve on every cut length')).to.match(/ m$/);
    await page.user.click(page.getByText(/feet/i));
    expect(page.facts().units).to.equal('imperial');
    expect(valueIn(page, 'Reserve on every cut length')).to.match(/['"′″]/);
    await enter(page, 'Reserve on every cut length', `5'`);
    expect(page.facts().reserveM).to.be.closeTo(1.524, 1e-9);
  });

  it('take a length factor from one to one and a half, and no other', async () => {
    const page = open();
    await enter(page, 'Length factor, estimated routes', '1.2');
    expect(page.facts().wasteFactor).to.equal(1.2);
    await enter(page, 'Length factor, measured routes', '9');
    expect(page.facts().tracedFactor).to.be.at.most(1.5);
    await enter(page, 'Length factor, estimated routes', '');
    expect(page.facts().wasteFactor).to.equal(1.2);
  });

  it('are of a region, with its prices for work on surfaces', async () => {
    const page = open();
    await choose(page, 'Region of the code', 'North America');
    await enter(page, 'Surface raceway, per meter installed', '31.5');
    expect(page.facts().jurisdiction).to.equal('NA');
    expect(page.facts().siteRates).to.deep.equal({ ...house.project.siteRates, channelPerM: 31.5 });
  });

  it('give the slack at a rack to new runs, and a temperature to cavities', async () => {
    const page = open();
    await enter(page, 'Slack at the rack for new runs', '2.5 m');
    await enter(page, 'Temperature in the cavities, °C', '45');
    await choose(page, 'Slack at devices is left as', /.+/);
    expect(page.facts()).to.include({ rackSlackM: 2.5, ambientC: 45 });
  });

  it('turn round the conductors of every speaker cable with the convention', async () => {
    const { project } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 1] }], countedIds());
    const page = open(project);
    await choose(page, 'Four-conductor speaker cable', 'Red and black left, white and green right');
    expect(page.facts().speakerColours).to.equal('red-black-first');
    const pins = (from: typeof project) => JSON.stringify(Object.values(from.conductorMaps));
    expect(pins(page.project())).to.not.equal(pins(project));
    expect(page.edits).to.have.length(1);
  });

  it('warn of old materials in a house that was built before', () => {
    const old = { ...house, project: { ...house.project, construction: 'heritage' as const } };
    const cautions = (project: typeof house) => {
      const page = open(project);
      const words = page.container.querySelector('[class*="caution"]')?.textContent ?? '';
      closePage();
      return words;
    };
    const [always, more] = [cautions(house), cautions(old)];
    expect(always).to.not.equal('');
    expect(more).to.contain(always);
    expect(more.length).to.be.greaterThan(always.length);
  });
});

describe('the phases of a job', () => {
  afterEach(closePage);

  it('are added in order, named, dated and removed with what was planned for them', async () => {
    const page = open();
    await press(page, 'Add a later phase');
    await press(page, 'Add a later phase');
    const phases = () => Object.values(page.project().phases).toSorted((a, b) => a.order - b.order);
    expect(phases().map(({ name }) => name)).to.deep.equal(['Phase 2', 'Phase 3']);
    const [name] = page.getAllByLabelText('Phase', { selector: 'input' });
    await page.user.clear(name);
    await page.user.type(name, 'Loft');
    await page.user.tab();
    expect(phases()[0].name).to.equal('Loft');
    await page.user.click(page.getAllByRole('button', { name: /^(Remove|Delete)$/ })[0]);
    expect(phases().map(({ name: left }) => left)).to.deep.equal(['Phase 3']);
  });

  it('leave their devices in the job when they are removed', async () => {
    const { project, devices } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 1] }], countedIds());
    const later = applied(project, [create('phases', { id: 'p2', order: 0, name: 'Loft', on: '' })]);
    const [{ id }] = devices;
    const page = open({ ...later, devices: { ...later.devices, [id]: { ...later.devices[id], phaseId: 'p2' } } });
    await page.user.click(page.getAllByRole('button', { name: /^(Remove|Delete)$/ })[0]);
    expect(page.project().phases).to.deep.equal({});
    expect(page.project().devices[id].phaseId).to.equal(null);
  });
});

describe('the dates of the trades', () => {
  afterEach(closePage);

  it('are one record a gate, changed and not added when they move', () => {
    const page = open();
    const label = page.container.querySelectorAll('input[type="date"]')[0].getAttribute('aria-label')!;
    setDay(page, label, '2027-02-01');
    setDay(page, label, '2027-02-08');
    const dates = Object.values(page.project().tradeDates);
    expect(dates).to.have.length(1);
    expect(dates[0].on).to.equal('2027-02-08');
    expect(page.edits).to.have.length(2);
  });
});
