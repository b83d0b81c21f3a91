import '../../testing/dom.ts';
import { create, type Device, newFeature } from '@dusky-spool/core/model';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { tidyM } from '@dusky-spool/core/math';
import { expect } from 'chai';
import { useProject } from '../../state/open-project.ts';
import { choose, enter, press, valueIn } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { MountingFields } from './MountingFields.tsx';
import { PlaceFields } from './PlaceFields.tsx';

const seat = newFeature({ id: 's1', levelId: 'm', kind: 'sofa', widthM: 2, points: [[2.5, 3]] });
const { project: house, devices } = withDevices(
  applied(smallHouse(), [create('features', seat)]),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'display', at: [2.5, 0.05] },
    { typeId: 'network-drop', at: [4, 0.05] },
  ],
  countedIds(),
);
const [speaker, display, drop] = devices.map(({ id }) => id);

/** The fields of a device as the project has it now. */
function Fields({ id }: { readonly id: string }) {
  const device = useProject().devices[id];
  return (
    <>
      <PlaceFields device={device} />
      <MountingFields device={device} />
    </>
  );
}
function open(id: string, project = house) {
  const page = renderInProject(<Fields id={id} />, project);
  return { ...page, device: (): Device => page.project().devices[id] };
}
const withPhase = applied(house, [create('phases', { id: 'later', order: 0, name: 'Guest wing', on: '' })]);

describe('where a device is measured from', () => {
  afterEach(closePage);

  it('is its distance from walls by their side; a typed one moves it and leaves the other', async () => {
    const page = open(speaker);
    const fromLower = Number.parseFloat(valueIn(page, 'From lower wall'));
    await enter(page, 'From left wall', '1.5 m');
    // The wall is 0.1 m thick and its line is at 0; a tape starts at its face.
    expect(page.device().x).to.be.closeTo(1.5 + house.walls.west.thicknessM / 2, 1e-9);
    expect(Number.parseFloat(valueIn(page, 'From lower wall'))).to.equal(fromLower);
  });

  it('keeps the device where a distance is no length', async () => {
    const page = open(speaker);
    await enter(page, 'From left wall', 'a metre');
    expect(page.getByRole('alert').textContent).to.match(/length/i);
    expect(page.device()).to.deep.equal(house.devices[speaker]);
  });

  it('is a corner along the wall outdoors, and its place on the sheet only far from every wall', async () => {
    const { project, devices: outside } = withDevices(
      smallHouse(),
      [
        { typeId: 'camera', at: [2, -0.1] },
        { typeId: 'network-drop', at: [30, 30] },
      ],
      countedIds(),
    );
    const camera = open(outside[0].id, project);
    const { x, y } = camera.device();
    const label = 'From the outside corner, along the wall';
    const half = project.walls.south1.thicknessM / 2;
    expect(Number.parseFloat(valueIn(camera, label))).to.be.closeTo(x + half, 0.0051);
    await enter(camera, label, '1.25 m');
    expect([camera.device().x, camera.device().y]).to.deep.equal([tidyM(1.25 - half), y]);
    closePage();
    const far = open(outside[1].id, project);
    await enter(far, 'From left', '29 m');
    expect(far.device().x).to.equal(29);
  });

  it('turns what hangs free by degrees; what is on a wall faces away from it', async () => {
    const page = open(speaker);
    await enter(page, 'Faces, ° from the right', '90');
    expect(page.device().facingRad).to.be.closeTo(Math.PI / 2, 1e-9);
    closePage();
    expect(open(drop).queryByLabelText('Faces, ° from the right')).to.equal(null);
  });

  it('turns to the nearest seat', async () => {
    const page = open(display);
    await press(page, 'Aim at the seat');
    expect(page.edits).to.have.length.within(0, 1);
    closePage();
    const ceiling = open(speaker);
    await press(ceiling, 'Aim at the seat');
    const { x, y, facingRad } = ceiling.device();
    const [[seatX, seatY]] = seat.points;
    // It looks at the nearest of the seats of the sofa, not at its middle.
    expect(Math.cos(facingRad - Math.atan2(seatY - y, seatX - x))).to.be.greaterThan(0.9);
  });
});

describe('how a device is fitted', () => {
  afterEach(closePage);

  it('has no phase to choose where the job is done in one', () => {
    expect(open(speaker).queryByLabelText('Phase')).to.equal(null);
  });

  it('is prepared when it comes later, and fitted when it comes first again', async () => {
    const page = open(speaker, withPhase);
    await choose(page, 'Phase', 'Guest wing');
    expect(page.device()).to.include({ phaseId: 'later', fitting: 'prepared' });
    await choose(page, 'Phase', 'First');
    expect(page.device()).to.include({ phaseId: null, fitting: 'fitted' });
    expect(page.edits).to.have.length(2);
  });

  it('stays a spare cable in every phase', async () => {
    const page = open(speaker, withPhase);
    await choose(page, 'Place is', 'Spare cable, stored');
    await choose(page, 'Phase', 'Guest wing');
    expect(page.device().fitting).to.equal('spare');
    await choose(page, 'Phase', 'First');
    expect(page.device().fitting).to.equal('spare');
  });

  it('takes and drops wishes; one that leaves no trace counts its holes', async () => {
    const page = open(speaker);
    const tick = (name: string) => page.user.click(page.getByRole('checkbox', { name }));
    await tick('White');
    await tick('Removable without trace');
    expect(page.device().wishes).to.deep.equal(['white', 'removable']);
    expect(page.getByText('Holes to fill when it goes').nextElementSibling!.textContent).to.match(/^\d+$/);
    await tick('White');
    expect(page.device().wishes).to.deep.equal(['removable']);
  });

  it('waits with a tail until its joinery is drawn, which is said, and loses it when the field is emptied', async () => {
    const page = open(display);
    expect(valueIn(page, 'Cable tail left for joinery')).to.equal('');
    await enter(page, 'Cable tail left for joinery', '2.5 m');
    expect(page.device().tailM).to.equal(2.5);
    expect(page.container.textContent).to.contain('The cable waits at the stud with 2.50 m of tail');
    await enter(page, 'Cable tail left for joinery', '');
    expect(page.device().tailM).to.equal(null);
  });

  it('gets a mount, whose reach and load are shown, and loses it', async () => {
    const page = open(display);
    const before = page.container.textContent!;
    expect(before).to.not.contain('Stands out, at rest / at most');
    await choose(page, 'Mount', /swing|arm|full/i);
    expect(page.device().mountTypeId).to.be.a('string');
    expect(page.container.textContent).to.contain('Stands out, at rest / at most');
    expect(page.container.textContent).to.contain('Drawn out, turned');
    await choose(page, 'Mount', 'none chosen');
    expect(page.device().mountTypeId).to.equal(null);
    expect(page.container.textContent).to.not.contain('Drawn out, turned');
  });
});

describe('a copy of a device', () => {
  afterEach(closePage);

  it('stands on the other side of its room as a pair, with a run of its own', async () => {
    const page = open(speaker);
    await press(page, 'Mirror as a pair');
    const made = Object.values(page.project().devices).filter(({ id }) => !house.devices[id]);
    expect(made).to.have.length(1);
    // The room is 5.1 m wide between the lines of its walls; a joist may move it a little.
    expect(made[0].x).to.be.closeTo(5.1 - house.devices[speaker].x, 0.05);
    expect(made[0].y).to.be.closeTo(house.devices[speaker].y, 0.05);
    expect(Object.values(page.project().runs).some(({ deviceId }) => deviceId === made[0].id)).to.equal(true);
    expect(page.edits).to.have.length(1);
  });

  it('of a wall plate waits on the wall across, as an alternative; what hangs in the ceiling has none', async () => {
    const page = open(drop);
    await press(page, 'Wire both walls');
    const made = Object.values(page.project().devices).filter(({ id }) => !house.devices[id]);
    expect(made).to.have.length(1);
    expect(made[0].y).to.be.greaterThan(3.5);
    closePage();
    expect(open(speaker).queryByRole('button', { name: 'Wire both walls' })).to.equal(null);
  });
});

describe('the walls for a display', () => {
  afterEach(closePage);

  it('are listed best first, each with what speaks against it, and it moves to the one that is chosen', async () => {
    const page = open(display);
    await press(page, 'Where can it go in this room?');
    const walls = [...page.container.querySelectorAll('ol li')];
    expect(walls.length).to.be.within(2, 4);
    expect(walls.map(({ textContent }) => textContent)).to.satisfy((all: string[]) =>
      all.every((words) => / wall, [\d.]+ m free/.test(words) && /seats [\d.]+ m away/.test(words)),
    );
    const upper = walls.find(({ textContent }) => textContent!.startsWith('upper wall'))!;
    await page.user.click(upper.querySelector('button')!);
    expect(page.device().y).to.be.greaterThan(3.5);
  });

  it('are not asked for what is no display', () => {
    expect(open(drop).queryByRole('button', { name: 'Where can it go in this room?' })).to.equal(null);
  });
});
