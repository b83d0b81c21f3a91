import '../../testing/dom.ts';
import { expect } from 'chai';
import { fireEvent, waitFor } from '@testing-library/react';
import { listOf } from '@dusky-spool/core/derive';
import { frameOf, pictureOf, theatreOf } from '@dusky-spool/core/theatre';
import { smallTheatre } from '@dusky-spool/core/testing';
import { demoHouse } from '../../testing/demo.ts';
import { choose, enter } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { startWorkers, stopWorkers } from '../../testing/worker.ts';
import { TheatreScreen } from './TheatreScreen.tsx';
import { shiftOf, theatreScale } from './theatre-view.ts';

const granary = demoHouse('saltmarsh-granary');
const roomId = listOf(granary, 'theatres')[0].roomId;

describe('a room as a theatre', () => {
  afterEach(closePage);
  const open = (house = granary, id: string | null = roomId) => {
    const views: (string | null)[] = [];
    const page = renderInProject(<TheatreScreen projectId="p" roomId={id} onView={(view) => views.push(view)} />, house);
    return { ...page, views, aim: () => listOf(page.project(), 'theatres').find((one) => one.roomId === roomId)! };
  };

  it('lists every channel as the reference seat hears it, and marks what lies beyond its window', () => {
    const page = open();
    const theatre = theatreOf(granary, granary.rooms[roomId]);
    const rows = page.getAllByRole('row').slice(1);
    expect(rows).to.have.length(theatre.channels.length);
    const center = rows.find((row) => row.textContent?.startsWith('C'))!;
    expect(center.textContent).to.include('-3.1°');
    expect(center.querySelector('.theatre__bad')?.textContent).to.equal('-3.1°');
    expect(page.getByText('Heard from seat 2')).to.not.equal(null);
    expect(page.getByText('54.6°')).to.not.equal(null);
  });

  it('is moved by arrow keys on every view, a centimeter or ten', () => {
    const page = open();
    const [left] = page.getAllByRole('button', { name: 'Speaker: Front left' });
    const device = Object.values(granary.devices).find(({ channel, roomId: of }) => channel === 'front-left' && of === roomId)!;
    fireEvent.keyDown(left, { key: 'ArrowRight', shiftKey: true });
    expect(page.project().devices[device.id].x).to.be.closeTo(device.x + 0.1, 1e-6);
    const beside = page.getAllByRole('button', { name: 'Speaker: Front left' })[1];
    fireEvent.keyDown(beside, { key: 'ArrowUp' });
    expect(page.project().devices[device.id].heightM).to.be.closeTo(device.heightM! + 0.01, 1e-6);
    fireEvent.keyDown(page.getAllByRole('button', { name: 'Row 2' })[1], { key: 'ArrowUp' });
    const row = listOf(granary, 'features').find(({ name }) => name === 'Second row')!;
    expect(page.project().features[row.id].bottomM).to.be.closeTo(row.bottomM + 0.01, 1e-6);
  });

  it('fixes speakers, weighs seats and takes another layout', async () => {
    const page = open();
    await page.user.click(page.getByRole('checkbox', { name: 'Center stays where it is' }));
    expect(page.aim().fixedDeviceIds).to.have.length(1);
    await choose(page, 'Windows of angles', 'Standard windows');
    expect(page.aim().school).to.equal('standard');
    await page.user.click(page.getByRole('tab', { name: 'Seats' }));
    await enter(page, 'How much seat 1 counts', '1');
    expect(page.aim().seatWeights).to.have.length(1);
    // The seat that counts most is the one that everything is laid out for.
    expect(page.getByText('1, reference')).to.not.equal(null);
    await enter(page, 'Row 2, riser', '0.3');
    expect(listOf(page.project(), 'features').find(({ name }) => name === 'Second row')!.bottomM).to.equal(0.3);
  });

  it('sizes the picture by its diagonal, and refuses one that is wider than its wall', async () => {
    const page = open();
    await page.user.click(page.getByRole('tab', { name: 'Picture' }));
    await enter(page, 'Picture diagonal', '2.6');
    const picture = () => pictureOf(page.project(), page.project().rooms[roomId])!;
    expect(Math.hypot(picture().widthM, picture().heightM)).to.be.closeTo(2.6, 0.001);
    const { widthM } = picture();
    await enter(page, 'Picture width', '9');
    expect(picture().widthM).to.equal(widthM);
    expect(page.getByRole('alert').textContent).to.include('wider than its wall');
    await enter(page, 'Shortest throw by width', '0');
    expect(
      page
        .getAllByRole('alert')
        .map(({ textContent }) => textContent)
        .join(),
    ).to.include('above zero');
  });

  it('keeps what is measured at trim-out, and says what is off', async () => {
    const page = open();
    await page.user.click(page.getByRole('tab', { name: 'Trim-out' }));
    await enter(page, 'Level measured, Front left (dB)', '75');
    await enter(page, 'Level measured, Front right (dB)', '77');
    expect(page.aim().measured.map(({ levelDb, stage }) => [levelDb, stage])).to.deep.equal([
      [75, 'after'],
      [77, 'after'],
    ]);
    expect(page.getByText('-1.0 dB')).to.not.equal(null);
  });

  it('weighs seats by who watches, and switches the way the room is used as one', async () => {
    const page = open();
    await page.user.click(page.getByRole('tab', { name: 'Seats' }));
    const before = theatreOf(page.project(), page.project().rooms[roomId]).seats.map(({ weight }) => weight);
    await enter(page, 'People, group 2', '7');
    const after = theatreOf(page.project(), page.project().rooms[roomId]).seats.map(({ weight }) => weight);
    // Seven seats, and seven come: none is overflow any more.
    expect(Math.min(...before)).to.equal(0.1);
    expect(Math.min(...after)).to.equal(0.125);
    await page.user.click(page.getByRole('tab', { name: 'Aim and room' }));
    await page.user.click(page.getByRole('button', { name: 'Keep what stands now as a mode' }));
    const { featureIds } = page.aim().modes[0];
    expect(featureIds.map((id) => page.project().features[id].name).sort()).to.deep.equal(['First row', 'Second row']);
    await page.user.click(page.getByRole('button', { name: 'Remove mode' }));
    expect(page.aim().modes).to.deep.equal([]);
  });

  it('builds panels before the front wall, and asks why surrounds are wide', async () => {
    const page = open();
    await page.user.click(page.getByRole('tab', { name: 'Aim and room' }));
    await choose(page, 'Picture built into', 'Removable panels');
    const { picture } = theatreOf(page.project(), page.project().rooms[roomId]);
    const old = theatreOf(granary, granary.rooms[roomId]).picture!;
    expect(Math.hypot(picture!.middle[0] - old.middle[0], picture!.middle[1] - old.middle[1])).to.be.closeTo(0.35, 1e-6);
    expect(page.getByText(/^6 panels of/)).to.not.equal(null);
    await choose(page, 'Surround speakers', 'Wide dispersion');
    await enter(page, 'Why wide dispersion', 'Glass on both sides');
    expect(page.aim()).to.deep.include({ surroundKind: 'wide', surroundReason: 'Glass on both sides', frontWall: 'panels' });
  });

  it('opens the one theatre of a house, and any other room by a press', async () => {
    const { views } = open(granary, null);
    expect(views).to.deep.equal([`theatre:${roomId}`]);
    closePage();
    const page = open(granary, '-');
    await page.user.click(page.getByRole('button', { name: 'Great room' }));
    expect(listOf(page.project(), 'theatres')).to.have.length(2);
    expect(page.views).to.have.length(1);
  });
});

describe('a theatre that is designed and its low frequencies', () => {
  before(startWorkers);
  after(stopWorkers);
  afterEach(closePage);

  it('come from the worker', async () => {
    const house = smallTheatre({ aim: { layout: '2.0' } });
    const page = renderInProject(<TheatreScreen projectId="p" roomId="a" onView={() => undefined} />, house, { worker: true });
    await page.user.click(page.getByRole('button', { name: 'Design layout' }));
    await waitFor(() => page.getByRole('button', { name: 'Place devices and cables' }), { timeout: 20_000 });
    await page.user.click(page.getByRole('button', { name: 'Place devices and cables' }));
    await waitFor(() => expect(Object.values(page.project().devices).filter(({ channel }) => channel)).to.have.length(2), {
      timeout: 20_000,
    });
    await page.user.click(page.getByRole('tab', { name: 'Subwoofers' }));
    await waitFor(() => page.getByText('No subwoofer is placed in this room.'), { timeout: 20_000 });
  });
});

describe('a view of a theatre', () => {
  it('fits its sheet, and a way on it is a way in the room', () => {
    const house = smallTheatre({});
    const frame = frameOf(house, house.rooms.a, pictureOf(house, house.rooms.a));
    for (const view of ['top', 'side', 'front'] as const) {
      const scale = theatreScale(frame, view, 600, 400);
      for (const corner of [frame.fromM, frame.toM]) {
        const [x, y] = scale.at(corner);
        expect(x).to.be.within(0, 600);
        expect(y).to.be.within(0, 400);
      }
      const here = { asideM: 0.2, awayM: 1, upM: 1 };
      const way = shiftOf(view, 0.5, -0.25);
      const there = { asideM: here.asideM + way.asideM, awayM: here.awayM + way.awayM, upM: here.upM + way.upM };
      const [[ax, ay], [bx, by]] = [scale.at(here), scale.at(there)];
      expect(bx - ax).to.be.closeTo(0.5 * scale.k, 1e-9);
      expect(by - ay).to.be.closeTo(-0.25 * scale.k, 1e-9);
      expect(scale.wayOf(bx - ax, by - ay)).to.deep.equal(shiftOf(view, (bx - ax) / scale.k, (by - ay) / scale.k));
    }
  });
});
