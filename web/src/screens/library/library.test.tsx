import '../../testing/dom.ts';
import type { DeviceType, ProjectDocument } from '@dusky-spool/core/model';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { fireEvent, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { useProject } from '../../state/open-project.ts';
import { fakeServer, Refusal } from '../../testing/fake-server.ts';
import { choose, enter, press, valueIn } from '../../testing/fields.ts';
import { closePage, renderInProject, signInAs } from '../../testing/render.tsx';
import { CableTypes } from './CableTypes.tsx';
import { LibraryScreen } from './LibraryScreen.tsx';
import { TypeCard } from './TypeCard.tsx';

const { project: house } = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [1, 0.05] },
    { typeId: 'network-drop', at: [3, 0.05] },
  ],
  countedIds(),
);

/** The card of a type as the project has it now. */
function Card({ typeId, used, onKeep }: { readonly typeId: string; readonly used: number; readonly onKeep: () => void }) {
  const type = useProject().deviceTypes[typeId];
  return type ? <TypeCard type={type} firm={undefined} used={used} onKeep={onKeep} /> : null;
}
function open(typeId: string, { used = 0, project = house } = {}) {
  let kept = 0;
  const page = renderInProject(<Card typeId={typeId} used={used} onKeep={() => kept++} />, project);
  return { ...page, type: () => page.project().deviceTypes[typeId], kept: () => kept };
}
const runsOf = (project: ProjectDocument) =>
  Object.values(project.runs).map(({ purpose, cableTypeId }) => `${cableTypeId} ${purpose}`);

describe('the card of a device type', () => {
  afterEach(closePage);

  it('writes its name, its code in capitals, and what it weighs and costs', async () => {
    const page = open('network-drop');
    await enter(page, 'Name', 'Data outlet');
    await enter(page, 'Code, two letters', 'do');
    await enter(page, 'Weight, kg', '0.4');
    await enter(page, 'Price', '35');
    expect(page.type()).to.deep.include({ name: 'Data outlet', code: 'DO', weightKg: 0.4, price: 35 });
  });

  it('does not take a code that is none, nor an empty name', async () => {
    const page = open('network-drop');
    const { name, code } = page.type();
    await enter(page, 'Code, two letters', '!');
    await enter(page, 'Name', '');
    expect(page.type()).to.deep.include({ name, code });
    expect(valueIn(page, 'Code, two letters')).to.equal(code);
  });

  it('keeps a round hole round', async () => {
    const page = open('ceiling-speaker');
    await enter(page, 'Cut-out diameter', '21 cm');
    expect(page.type().cutOut).to.deep.include({ shape: 'round', widthM: 0.21, heightM: 0.21 });
  });

  it('is deleted only where no device is of it, and is kept for the firm', async () => {
    const page = open('network-drop', { used: 2 });
    expect((page.getByRole('button', { name: 'Used by 2 devices' }) as HTMLButtonElement).disabled).to.equal(true);
    await press(page, 'Keep in the firm’s library');
    expect(page.kept()).to.equal(1);
    closePage();
    const free = open('doorbell-none');
    expect(free.container.querySelector('.library__library-card')).to.equal(null);
    closePage();
    const unused = Object.values(house.deviceTypes).find(
      ({ id, part }) => part === 'device' && !Object.values(house.devices).some(({ typeId }) => typeId === id),
    )!;
    const other = open(unused.id);
    const remove = other.getAllByRole('button', { name: /^(Remove|Delete)$/ }).at(-1)!;
    await other.user.click(remove);
    expect(other.type()).to.equal(undefined);
  });
});

describe('the cables of a device type', () => {
  afterEach(closePage);

  it('show what a change does to placed devices before it is made', async () => {
    const page = open('network-drop', { used: 2 });
    const before = runsOf(page.project());
    await press(page, 'Add a cable');
    const words = page.getByRole('status').textContent!;
    expect(words).to.match(/Adds 2 runs: /);
    expect(runsOf(page.project())).to.deep.equal(before);
    await press(page, 'Apply');
    expect(runsOf(page.project())).to.have.length(before.length + 2);
    expect(page.edits).to.have.length(1);
    expect(page.queryByRole('status')).to.equal(null);
  });

  it('are left as they were where the change is not applied', async () => {
    const page = open('network-drop', { used: 2 });
    const before = page.type().cables;
    await choose(page, 'Cable 1', 'Category 5e');
    expect(page.getByRole('status').textContent).to.match(/Changes 2 runs/);
    await press(page, 'Cancel');
    expect(page.queryByRole('status')).to.equal(null);
    expect(page.type().cables).to.equal(before);
  });

  it('take runs away with a cable that is removed', async () => {
    const page = open('network-drop', { used: 2 });
    const before = Object.keys(page.project().runs).length;
    const legs = page.container.querySelectorAll('.library__recipe-leg').length;
    await page.user.click(page.container.querySelector('.library__recipe-leg > button:last-of-type')!);
    expect(page.getByRole('status').textContent).to.match(/Removes 2 runs/);
    await press(page, 'Apply');
    expect(page.container.querySelectorAll('.library__recipe-leg')).to.have.length(legs - 1);
    expect(Object.keys(page.project().runs).length).to.equal(before - 2);
  });
});

describe('the library', () => {
  let server: ReturnType<typeof fakeServer>;
  let firm: DeviceType[];
  let refuse: Refusal | null;
  beforeEach(() => {
    signInAs('planner');
    refuse = null;
    firm = [];
    server = fakeServer({
      'GET /library': () => ({ types: firm }),
      'PUT /library': ({ body }) => {
        if (refuse) return refuse;
        const types = (body as { types: DeviceType[] }).types.map((type) => ({ ...type, version: type.version + 1 }));
        firm = [...firm.filter(({ id }) => !types.some((type) => type.id === id)), ...types];
        return { types };
      },
    });
  });
  afterEach(() => {
    server.stop();
    closePage();
  });
  const names = (page: { container: HTMLElement }) =>
    [...page.container.querySelectorAll('tbody tr')].map(({ textContent }) => textContent ?? '');

  it('is narrowed by words and by system', async () => {
    const page = renderInProject(<LibraryScreen onBack={() => undefined} />, house);
    const all = names(page).length;
    await page.user.type(page.getByLabelText('Find a device type'), 'network');
    expect(names(page).length).to.be.within(1, all - 1);
    expect(names(page).every((words) => /network/i.test(words))).to.equal(true);
    await choose(page, 'System', 'Coax');
    expect(names(page).some((words) => /network/i.test(words))).to.equal(false);
  });

  const chooseType = async (page: ReturnType<typeof renderInProject>, name: string) => {
    await page.user.type(page.getByLabelText('Find a device type'), name);
    const row = [...page.container.querySelectorAll('tbody button')].find(({ textContent }) => textContent?.endsWith(name));
    await page.user.click(row!);
  };
  const drop = house.deviceTypes['network-drop'];

  it('copies the chosen type, and shows the copy', async () => {
    const page = renderInProject(<LibraryScreen onBack={() => undefined} />, house);
    await chooseType(page, drop.name);
    await press(page, 'Add a type like this');
    const made = Object.values(page.project().deviceTypes).filter(({ id }) => !house.deviceTypes[id]);
    expect(made).to.have.length(1);
    expect(made[0].cables).to.deep.equal(drop.cables);
    expect(valueIn(page, 'Name')).to.equal(made[0].name);
  });

  it('gives a type to the firm, and takes the version that the firm has then', async () => {
    const page = renderInProject(<LibraryScreen onBack={() => undefined} />, house);
    await chooseType(page, drop.name);
    await press(page, 'Keep in the firm’s library');
    await waitFor(() => expect(page.project().deviceTypes['network-drop'].version).to.equal(drop.version + 1));
    expect(server.sent('PUT', '/library')).to.deep.equal([{ types: [drop] }]);
    expect(await page.findByText('1 type kept in the firm’s library')).to.not.equal(null);
  });

  it('changes nothing where the firm’s library refuses it, and says why', async () => {
    refuse = new Refusal(403, { code: 'forbidden' });
    const page = renderInProject(<LibraryScreen onBack={() => undefined} />, house);
    await chooseType(page, drop.name);
    await press(page, 'Keep in the firm’s library');
    await waitFor(() => expect(document.querySelector('.ant-message-notice, .ant-message')?.textContent ?? '').to.not.equal(''));
    expect(page.project().deviceTypes['network-drop']).to.deep.equal(drop);
  });

  it('offers what the firm has newer, and takes it in one edit', async () => {
    firm = [
      { ...drop, version: drop.version + 3, price: drop.price + 5 },
      { ...drop, id: 'firm-only', name: 'Floor outlet', version: 1 },
    ];
    const page = renderInProject(<LibraryScreen onBack={() => undefined} />, house);
    await press(page, 'Take 2 newer types from the firm');
    expect(page.edits).to.have.length(1);
    expect(page.project().deviceTypes['network-drop'].price).to.equal(drop.price + 5);
    expect(page.project().deviceTypes['firm-only'].name).to.equal('Floor outlet');
    expect(page.queryByRole('button', { name: /newer/i })).to.equal(null);
  });
});

describe('the cables', () => {
  afterEach(closePage);
  const open = () => renderInProject(<CableTypes find="" />, smallHouse());

  it('are added as a copy, with construction, jackets, price and spool of one’s own stock', async () => {
    const page = open();
    await page.user.click(page.getByRole('button', { name: 'Category 6' }));
    await press(page, 'Add a cable like this');
    await enter(page, 'Name', 'House cable, two ratings');
    await enter(page, 'Gauge, AWG', '22');
    await enter(page, 'Outside diameter', '7 mm');
    await enter(page, 'Spool or box', '500 m');
    await choose(page, 'Jacket rating', 'Riser');
    // The list of the first choice is still in the page: the last one is this field's.
    const also = page.getByLabelText('Also rated for', { selector: 'input' });
    fireEvent.mouseDown(also.closest('.ant-select')!);
    const options = [...document.querySelectorAll('.ant-select-item-option')];
    await page.user.click(options.findLast(({ textContent }) => textContent === 'Weather and ground')!);
    const made = Object.values(page.project().cableTypes).find(({ name }) => name === 'House cable, two ratings')!;
    expect(made).to.deep.include({ family: 'cat', gaugeAwg: 22, outsideDiameterM: 0.007, spoolM: 500 });
    expect(made).to.deep.include({ rating: 'riser', alsoRated: ['outdoor'] });
    expect(page.project().cableTypes.cat6_utp).to.deep.equal(smallHouse().cableTypes.cat6_utp);
    await press(page, 'Remove House cable, two ratings');
    expect(page.project().cableTypes).to.not.have.property(made.id);
  });

  it('are not removed while a recipe or a run has them', async () => {
    const page = open();
    await page.user.click(page.getByRole('button', { name: 'Category 6' }));
    expect(page.queryByRole('button', { name: /^Remove/ })).to.equal(null);
  });
});
