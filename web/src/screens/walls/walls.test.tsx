import '../../testing/dom.ts';
import { facePlaceOf } from '@dusky-spool/core/devices';
import { wallElevation } from '@dusky-spool/core/house';
import { newOpening, type ProjectDocument } from '@dusky-spool/core/model';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { fireEvent } from '@testing-library/react';
import { expect } from 'chai';
import type { Selection } from '../../state/selection-kinds.ts';
import { useProjectStore } from '../../state/project.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { CeilingView } from './CeilingView.tsx';
import { wallScale } from './wall-scale.ts';
import { WallView } from './WallView.tsx';

const SHEET = { width: 900, height: 500 };
const { project: house, devices } = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [1, 0.05] },
    { typeId: 'network-drop', at: [3, 0.05] },
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'ceiling-speaker', at: [4, 3] },
  ],
  countedIds(),
);
const [drop, other, speaker] = devices.map(({ id }) => id);

describe('a wall seen square on', () => {
  afterEach(closePage);

  function open({
    project = house,
    stage = 'devices' as 'devices' | 'survey',
    armed = null as string | null,
    selection = { kind: 'none', ids: [] } as Selection,
  } = {}) {
    const selections: Selection[] = [];
    const placed: boolean[] = [];
    const page = renderInProject(
      <WallView
        wallId="south1"
        side="left"
        selection={selection}
        stage={stage}
        armed={armed === null ? null : project.deviceTypes[armed]}
        onPlaced={(again) => placed.push(again)}
        onSelect={(next) => selections.push(next)}
        onView={() => undefined}
      />,
      project,
    );
    const scale = wallScale(wallElevation(project, project.walls.south1), 'left', SHEET);
    /** Where a place of the wall is in the window. */
    const at = (offsetM: number, heightM: number) => ({
      clientX: scale.X(offsetM),
      clientY: scale.Y(heightM),
      button: 0,
      pointerId: 1,
    });
    const sheet = page.container.querySelector('svg.walls__elevation-sheet')!;
    const drag = async (target: Element, from: ReturnType<typeof at>, to: ReturnType<typeof at>, keys: object = {}) => {
      fireEvent.pointerDown(target, { ...from, ...keys });
      fireEvent.pointerMove(sheet, { ...to, ...keys });
      await new Promise((resolve) => setTimeout(resolve, 30));
      const preview = useProjectStore.getState().preview;
      fireEvent.pointerUp(sheet, { ...to, ...keys });
      fireEvent.click(sheet, to);
      return preview;
    };
    return { ...page, at, sheet, drag, selections, placed };
  }
  const placeIn = (project: ProjectDocument, id: string) => facePlaceOf(project, project.walls.south1, project.devices[id])!;
  const face = (page: { container: HTMLElement }, id: string) => page.container.querySelector(`[data-device="${id}"]`)!;

  it('places a device where it is clicked, at its height, and selects it', () => {
    const page = open({ armed: 'network-drop' });
    fireEvent.click(page.sheet, { ...page.at(4.2, 0.62), altKey: true });
    const added = Object.values(page.project().devices).find(({ id }) => !house.devices[id])!;
    const place = placeIn(page.project(), added.id);
    expect(place.offsetM).to.be.closeTo(4.2, 0.011);
    expect(place.heightM).to.be.closeTo(0.62, 0.011);
    expect(page.selections).to.deep.equal([{ kind: 'device', ids: [added.id] }]);
    expect(page.placed).to.deep.equal([false]);
  });

  it('places nothing beside the wall, nor what does not go on walls', () => {
    const beside = open({ armed: 'network-drop' });
    fireEvent.click(beside.sheet, beside.at(5.6, 0.6));
    expect(beside.edits).to.deep.equal([]);
    closePage();
    const ceiling = open({ armed: 'ceiling-speaker' });
    fireEvent.click(ceiling.sheet, ceiling.at(2, 0.6));
    expect(ceiling.edits).to.deep.equal([]);
    expect(ceiling.container.querySelector('footer')!.textContent).to.match(/ceiling speaker/i);
  });

  it('shows a device where it is dragged, and moves it when it is dropped, as one edit', async () => {
    const page = open();
    const before = placeIn(house, drop);
    const from = page.at(before.offsetM, before.heightM);
    const preview = await page.drag(face(page, drop), from, page.at(before.offsetM + 0.7, before.heightM + 0.4), {
      altKey: true,
    });
    expect(placeIn(preview!.project, drop).offsetM).to.be.closeTo(before.offsetM + 0.7, 0.02);
    const after = placeIn(page.project(), drop);
    expect(after.offsetM).to.be.closeTo(before.offsetM + 0.7, 0.02);
    expect(after.heightM).to.be.closeTo(before.heightM + 0.4, 0.02);
    expect(page.edits).to.have.length(1);
    expect(page.selections).to.deep.equal([{ kind: 'device', ids: [drop] }]);
  });

  it('lines a dragged device up with another one', async () => {
    const page = open();
    const [before, level] = [placeIn(house, drop), placeIn(house, other)];
    const from = page.at(before.offsetM, before.heightM);
    await page.drag(face(page, drop), from, page.at(before.offsetM + 0.5, level.heightM + 0.02));
    expect(placeIn(page.project(), drop).heightM).to.equal(level.heightM);
  });

  it('does not call a press without a move a change', async () => {
    const page = open();
    const { offsetM, heightM } = placeIn(house, drop);
    await page.drag(face(page, drop), page.at(offsetM, heightM), page.at(offsetM, heightM));
    expect(page.edits).to.deep.equal([]);
    expect(useProjectStore.getState().preview).to.equal(null);
  });

  it('selects several with Shift, and none by a click beside them', () => {
    const page = open({ selection: { kind: 'device', ids: [drop] } });
    const { offsetM, heightM } = placeIn(house, other);
    fireEvent.pointerDown(face(page, other), { ...page.at(offsetM, heightM), shiftKey: true });
    fireEvent.pointerDown(face(page, drop), { ...page.at(offsetM, heightM), shiftKey: true });
    expect(page.selections).to.deep.equal([
      { kind: 'device', ids: [drop, other] },
      { kind: 'none', ids: [] },
    ]);
    fireEvent.click(page.sheet, page.at(4.5, 2));
    expect(page.selections.at(-1)).to.deep.equal({ kind: 'none', ids: [] });
  });

  it('sets a stud where there is one, and takes it back by a click on it', async () => {
    const page = open({ stage: 'survey' });
    await page.user.click(page.getByText('Stud here', { selector: '.ant-segmented-item-label' }));
    fireEvent.click(page.sheet, page.at(2.13, 1));
    const [member] = Object.values(page.project().framingMembers);
    expect(member).to.deep.include({ kind: 'stud', wallId: 'south1', offsetM: 2.13, present: true });
    fireEvent.click(page.sheet, page.at(2.13, 1));
    expect(page.project().framingMembers).to.deep.equal({});
  });

  it('sets blocking between two corners', async () => {
    const page = open({ stage: 'survey' });
    await page.user.click(page.getByText('Blocking', { selector: '.ant-segmented-item-label' }));
    fireEvent.click(page.sheet, page.at(3, 1.2));
    expect(page.edits).to.deep.equal([]);
    fireEvent.click(page.sheet, page.at(2.2, 1.6));
    const [{ kind, offsetM, widthM, bottomM, topM }] = Object.values(page.project().framingMembers);
    expect([kind, ...[offsetM, widthM, bottomM, topM].map((m) => Math.round(m * 100) / 100)]).to.deep.equal([
      'blocking',
      ...[2.2, 0.8, 1.2, 1.6],
    ]);
  });

  it('slides a door along the wall as far as it goes, and a window up and down, never under the floor', async () => {
    const opening = (id: string, kind: 'door' | 'window', offsetM: number) =>
      newOpening({
        id,
        wallId: 'south1',
        kind,
        offsetM,
        widthM: 0.8,
        sillM: kind === 'door' ? 0 : 0.9,
        headM: 2,
        hinge: null,
        swing: null,
      });
    const project = smallHouse({ openings: [opening('door', 'door', 1), opening('window', 'window', 3.5)] });
    const page = open({ stage: 'survey', project });
    const shape = (n: number) => page.container.querySelectorAll('.walls__elevation-opening')[n];
    await page.drag(shape(0), page.at(1, 1), page.at(-3, 1.8));
    expect(page.project().openings.door).to.deep.include({ offsetM: 0.4, sillM: 0, headM: 2 });
    await page.drag(shape(1), page.at(3.5, 1.4), page.at(3.5, -1));
    const { sillM, headM } = page.project().openings.window;
    expect(sillM).to.equal(0);
    expect(headM - sillM).to.be.closeTo(1.1, 1e-9);
  });
});

describe('a ceiling', () => {
  afterEach(closePage);
  const K = Math.min((SHEET.width - 60) / 5.1, (SHEET.height - 50) / 4.1);
  /** Where a place of room a is in the window. */
  const at = (x: number, y: number) => ({
    clientX: (x - 2.55) * K + SHEET.width / 2,
    clientY: SHEET.height / 2 - (y - 2.05) * K,
    button: 0,
    pointerId: 1,
  });
  function open({ stage = 'devices' as 'devices' | 'survey', armed = null as string | null } = {}) {
    const selections: Selection[] = [];
    const page = renderInProject(
      <CeilingView
        roomId="a"
        selection={{ kind: 'none', ids: [] }}
        stage={stage}
        armed={armed === null ? null : house.deviceTypes[armed]}
        onSelect={(next) => selections.push(next)}
        onView={() => undefined}
      />,
      house,
    );
    return { ...page, selections, sheet: page.container.querySelector('svg.walls__elevation-sheet')! };
  }

  it('takes a device where it is clicked, in its room only', () => {
    const page = open({ armed: 'ceiling-speaker' });
    fireEvent.click(page.sheet, { ...at(2.5, 2), altKey: true });
    const added = Object.values(page.project().devices).find(({ id }) => !house.devices[id])!;
    expect([added.x, added.y, added.roomId]).to.deep.equal([2.5, 2, 'a']);
    fireEvent.click(page.sheet, { ...at(5.4, 2), altKey: true });
    expect(page.edits).to.have.length(1);
  });

  it('moves a device that is dragged, on the grid of the hand', async () => {
    const page = open();
    const device = page.container.querySelector(`[data-device="${speaker}"]`)!;
    fireEvent.pointerDown(device, at(1, 1));
    fireEvent.pointerMove(page.sheet, { ...at(2.2, 1.7), altKey: true });
    await new Promise((resolve) => setTimeout(resolve, 30));
    fireEvent.pointerUp(page.sheet, { ...at(2.2, 1.7), altKey: true });
    const { x, y } = page.project().devices[speaker];
    expect([x, y].map((value) => Math.round(value * 100) / 100)).to.deep.equal([2.2, 1.7]);
  });

  it('has joists set where they are found, and taken back', async () => {
    const page = open({ stage: 'survey' });
    await page.user.click(page.getByText('Joist here', { selector: '.ant-segmented-item-label' }));
    fireEvent.click(page.sheet, at(2, 1.5));
    const [member] = Object.values(page.project().framingMembers);
    expect(member).to.deep.include({ kind: 'joist', roomId: 'a', present: true });
    fireEvent.click(page.sheet, at(2, 1.5));
    expect(page.project().framingMembers).to.deep.equal({});
    expect(page.edits).to.have.length(2);
  });
});
