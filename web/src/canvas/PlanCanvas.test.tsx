import '../testing/dom.ts';
import type { Point2 } from '@dusky-spool/core/math';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { act, fireEvent, waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { useEffect, useState } from 'react';
import { noSelection, type Selection } from '../state/selection-kinds.ts';
import { closePage, renderInProject } from '../testing/render.tsx';
import { PlanCanvas } from './PlanCanvas.tsx';
import { SELECT_TOOL, type Tool } from './tools/plan-tool.ts';
import { type CameraControl, useCamera } from './useCamera.ts';

const { project: house, devices } = withDevices(
  smallHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'ceiling-speaker', at: [3, 3] },
    { typeId: 'network-drop', at: [8, 0.05] },
  ],
  countedIds(),
);
const [left, right, drop] = devices.map(({ id }) => id);

describe('the plan', () => {
  const realRect = window.Element.prototype.getBoundingClientRect;
  before(() => {
    window.Element.prototype.getBoundingClientRect = () => new window.DOMRect(0, 0, 1280, 800);
  });
  after(() => {
    window.Element.prototype.getBoundingClientRect = realRect;
  });
  afterEach(closePage);

  async function open({ tool: firstTool = SELECT_TOOL as Tool, selection: firstSelection = noSelection as Selection } = {}) {
    const now: { control: CameraControl; selection: Selection; tool: Tool } = {} as never;
    function Shown() {
      const control = useCamera();
      const [selection, setSelection] = useState(firstSelection);
      const [tool, setTool] = useState(firstTool);
      useEffect(() => {
        Object.assign(now, { control, selection, tool });
      });
      return (
        <PlanCanvas
          projectId="demo"
          levelId="m"
          zones={null}
          leftPx={100}
          onSelect={setSelection}
          onTool={setTool}
          {...{ control, selection, tool }}
        />
      );
    }
    const page = renderInProject(<Shown />, house);
    await waitFor(() => expect(now.control.ready).to.equal(true));
    const sheet = page.container.querySelector('.canvas__plan-canvas')!;
    /** Where a place of the house is in the window. */
    const at = ([x, y]: Point2, keys: object = {}) => {
      const { k, tx, ty } = now.control.camera;
      return { clientX: x * k + tx, clientY: ty - y * k, button: 0, pointerId: 1, bubbles: true, ...keys };
    };
    const press = (target: Element, place: Point2, keys: object = {}) => fireEvent.pointerDown(target, at(place, keys));
    const release = (place: Point2, keys: object = {}) => {
      fireEvent.pointerUp(sheet, at(place, keys));
      fireEvent.click(sheet, at(place, keys));
    };
    const move = async (place: Point2, keys: object = {}) => {
      fireEvent.pointerMove(sheet, at(place, keys));
      await act(() => new Promise((resolve) => setTimeout(resolve, 30)));
    };
    const device = (id: string) => page.container.querySelector(`[data-device="${id}"]`)!;
    return { ...page, now, sheet, at, press, release, move, device };
  }

  it('shows its devices, and selects the one that is pressed', async () => {
    const page = await open();
    expect(page.container.querySelectorAll('.canvas__device')).to.have.length(3);
    page.press(page.device(left), [1, 1]);
    page.release([1, 1]);
    expect(page.now.selection).to.deep.equal({ kind: 'device', ids: [left] });
    expect(page.edits).to.deep.equal([]);
  });

  it('adds to the selection with Shift and takes away again, and forgets it by a click on nothing', async () => {
    const page = await open({ selection: { kind: 'device', ids: [left] } });
    page.press(page.device(right), [3, 3], { shiftKey: true });
    page.release([3, 3], { shiftKey: true });
    expect(page.now.selection.ids).to.deep.equal([left, right]);
    page.press(page.device(left), [1, 1], { shiftKey: true });
    page.release([1, 1], { shiftKey: true });
    expect(page.now.selection.ids).to.deep.equal([right]);
    fireEvent.click(page.sheet, page.at([7, 3]));
    expect(page.now.selection).to.deep.equal(noSelection);
  });

  it('selects what lies in a box drawn with Shift, or inside a free line drawn with Shift and Alt', async () => {
    const page = await open();
    // The plan has come to rest in its window.
    await page.move([0.4, 0.4]);
    const draw = async (places: readonly Point2[], keys: object) => {
      page.press(page.sheet, places[0], keys);
      for (const place of places.slice(1)) await page.move(place, keys);
      page.release(places.at(-1)!, keys);
      return page.now.selection.ids;
    };
    expect(
      await draw(
        [
          [0.5, 0.5],
          [3.5, 3.5],
        ],
        { shiftKey: true },
      ),
    ).to.deep.equal([left, right]);
    // Around the first, and then around the upper left corner of the same box: the second lies outside the line.
    const around = await draw(
      [
        [0.5, 0.5],
        [2, 0.5],
        [2, 3.5],
        [0.5, 3.5],
      ],
      { shiftKey: true, altKey: true },
    );
    expect(around).to.deep.equal([left]);
  });

  it('does not call a tremble of the hand a move', async () => {
    const page = await open();
    const { clientX, clientY } = page.at([1, 1]);
    fireEvent.pointerDown(page.device(left), page.at([1, 1]));
    fireEvent.pointerMove(page.sheet, { clientX: clientX + 2, clientY: clientY + 1 });
    page.release([1, 1]);
    expect(page.edits).to.deep.equal([]);
  });

  it('places one after the other of the type that the tool holds', async () => {
    const type = house.deviceTypes['ceiling-speaker'];
    const page = await open({ tool: { kind: 'place', type } });
    await page.move([6, 2], { altKey: true });
    expect(page.container.querySelector('.ghost')).to.not.equal(null);
    fireEvent.click(page.sheet, page.at([6, 2], { altKey: true }));
    expect(page.now.tool.kind).to.equal('place');
    fireEvent.click(page.sheet, page.at([8, 2], { altKey: true }));
    expect(page.now.tool.kind).to.equal('place');
    const added = Object.values(page.project().devices).filter(({ id }) => !house.devices[id]);
    expect(added.map(({ x, y }) => [Math.round(x), Math.round(y)])).to.deep.equal([
      [6, 2],
      [8, 2],
    ]);
    expect(page.now.selection.ids).to.deep.equal([added[1].id]);
  });

  it('lays the tool down after a rack, which is selected with its runs', async () => {
    const page = await open({ tool: { kind: 'rack' } });
    fireEvent.click(page.sheet, page.at([7.5, 2]));
    expect(page.now.tool.kind).to.equal('select');
    expect(page.now.selection.kind).to.equal('rack');
    expect(Object.keys(page.project().racks)).to.have.length(2);
  });

  it('has devices with names of their own, also two of a kind in one room', async () => {
    const page = await open();
    const names = [left, right, drop].map((id) => page.device(id).getAttribute('aria-label'));
    expect(names).to.deep.equal([
      'CL Ceiling speaker, Room AA, AA-01',
      'CL Ceiling speaker, Room AA, AA-02',
      'ND Network drop, Room BB, BB-01',
    ]);
  });

  it('selects a device with the keyboard', async () => {
    const page = await open();
    fireEvent.keyDown(page.device(drop), { key: 'Enter' });
    expect(page.now.selection).to.deep.equal({ kind: 'device', ids: [drop] });
    fireEvent.keyDown(page.device(left), { key: ' ', shiftKey: true });
    expect(page.now.selection.ids).to.deep.equal([drop, left]);
  });
});
