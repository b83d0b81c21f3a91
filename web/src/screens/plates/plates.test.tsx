import '../../testing/dom.ts';
import { composePlate } from '@dusky-spool/core/devices';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { useProject } from '../../state/open-project.ts';
import { choose, enter, flip, press } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { PlateCard } from './PlateCard.tsx';

const { project: bare, devices } = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [2, 0.05] },
    { typeId: 'network-drop', at: [2.05, 0.05] },
  ],
  countedIds(),
);
const composed = composePlate(
  bare,
  devices.map(({ id }) => id),
  'p1',
);
const house = composed.ok ? applied(bare, composed.value.operations) : bare;

function Card() {
  const plate = useProject().plates.p1;
  return plate ? <PlateCard plate={plate} findings={[]} onWall={() => undefined} /> : <p>gone</p>;
}

describe('the card of a plate', () => {
  afterEach(closePage);
  const open = () => {
    const page = renderInProject(<Card />, house);
    return { ...page, plate: () => page.project().plates.p1 };
  };

  it('has an insert of each device that shares it', () => {
    const { plate, container } = open();
    expect(plate().inserts.map(({ deviceId }) => deviceId)).to.include.members(devices.map(({ id }) => id));
    expect(container.querySelectorAll('.plates__insert-list li').length).to.be.greaterThan(0);
  });

  it('gets inserts by hand, and loses them again', async () => {
    const page = open();
    const before = page.plate().inserts.length;
    await choose(page, 'Add an insert', 'blank');
    expect(page.plate().inserts).to.have.length(before + 1);
    const takeOut = page.getAllByRole('button', { name: /blank/i });
    await page.user.click(takeOut.at(-1)!);
    expect(page.plate().inserts).to.have.length(before);
  });

  it('sets its gangs, its box and its divider', async () => {
    const page = open();
    await enter(page, 'Gangs', '3');
    await flip(page, /divider/i);
    expect(page.plate()).to.deep.include({ gangs: 3 });
    expect(page.edits).to.have.length(2);
  });

  it('goes up with its devices', async () => {
    const page = open();
    await enter(page, 'Center AFF', '1.2 m');
    expect(page.plate().heightM).to.be.closeTo(1.2, 1e-9);
    for (const { id } of devices) expect(page.project().devices[id].heightM).to.be.closeTo(1.2, 1e-9);
  });

  it('warns of mains beside low voltage', async () => {
    const page = open();
    await enter(page, 'Of them mains', '1');
    expect(page.container.querySelector('.caution')!.textContent).to.match(/mains|electrician/i);
  });

  it('is removed, and its devices stay', async () => {
    const page = open();
    await press(page, 'Remove plate');
    expect(page.plate()).to.equal(undefined);
    expect(Object.keys(page.project().devices)).to.have.length(2);
    expect(page.getByText('gone')).to.not.equal(null);
  });
});
