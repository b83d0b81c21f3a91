import '../testing/dom.ts';
import { act, renderHook } from '@testing-library/react';
import { expect } from 'chai';
import { type PointerAt, usePointerDrag } from './usePointerDrag.ts';

describe('a pointer drag', () => {
  function open() {
    const sheet = document.createElement('div');
    const captured: number[] = [];
    sheet.setPointerCapture = (id) => void captured.push(id);
    const heard: string[] = [];
    const words = (kind: string, grip: string, { clientX, clientY }: PointerAt) =>
      heard.push(`${kind} ${grip} ${clientX},${clientY}`);
    const { result, unmount } = renderHook(() =>
      usePointerDrag<string>(
        { current: sheet },
        {
          onDrag: (grip, at) => words('drag', grip, at),
          onDrop: (grip, at) => words('drop', grip, at),
          onTap: (grip) => heard.push(`tap ${grip}`),
        },
      ),
    );
    const at = (clientX: number, clientY: number) => ({ clientX, clientY, altKey: false, pointerId: 7 });
    return { sheet, captured, heard, drag: result.current, at, unmount };
  }
  const nextPicture = () => act(() => new Promise((resolve) => setTimeout(resolve, 40)));

  it('begins with a press, shows moves and ends with a drop', async () => {
    const { drag, heard, captured, at } = open();
    drag.start('speaker', at(10, 10));
    expect(drag.isHeld()).to.equal(true);
    drag.onPointerMove(at(30, 10));
    await nextPicture();
    expect(drag.onPointerUp(at(50, 12))).to.equal(true);
    expect(heard).to.deep.equal(['drag speaker 30,10', 'drop speaker 50,12']);
    expect(captured).to.deep.equal([7]);
    expect(drag.isHeld()).to.equal(false);
  });

  it('is a tap where the pointer hardly moves', () => {
    const { drag, heard, at } = open();
    drag.start('speaker', at(10, 10));
    drag.onPointerMove(at(12, 11));
    drag.onPointerUp(at(12, 11));
    expect(heard).to.deep.equal(['tap speaker']);
  });

  it('shows the newest of many moves in one picture, and none after the drop', async () => {
    const { drag, heard, at } = open();
    // The clock stands: a machine that is busy between two moves does not show one more.
    const clock = performance.now.bind(performance);
    performance.now = () => 1000;
    drag.start('speaker', at(0, 0));
    for (let x = 20; x <= 60; x += 10) drag.onPointerMove(at(x, 0));
    await nextPicture();
    performance.now = clock;
    expect(heard).to.deep.equal(['drag speaker 20,0', 'drag speaker 60,0']);
    drag.onPointerMove(at(70, 0));
    drag.onPointerMove(at(80, 0));
    drag.onPointerUp(at(90, 0));
    const before = heard.length;
    await nextPicture();
    expect(heard.length).to.equal(before);
    expect(heard.at(-1)).to.equal('drop speaker 90,0');
  });

  it('hears moves as they are made, without waiting for the event of the picture', () => {
    const { sheet, drag, heard, at } = open();
    drag.start('speaker', at(0, 0));
    sheet.dispatchEvent(new window.MouseEvent('pointerrawupdate', { clientX: 25, clientY: 5 }));
    drag.onPointerMove(at(25, 5));
    expect(heard).to.deep.equal(['drag speaker 25,5']);
  });

  it('takes the click that ends it, and only that one', () => {
    const { drag, at } = open();
    expect(drag.takesClick()).to.equal(false);
    drag.start('speaker', at(0, 0));
    drag.onPointerUp(at(0, 0));
    expect([drag.takesClick(), drag.takesClick()]).to.deep.equal([true, false]);
  });

  it('hears nothing before a press, or after it was taken down', () => {
    const { sheet, drag, heard, at, unmount } = open();
    drag.onPointerMove(at(50, 50));
    expect(drag.onPointerUp(at(50, 50))).to.equal(false);
    drag.start('speaker', at(0, 0));
    unmount();
    sheet.dispatchEvent(new window.MouseEvent('pointerrawupdate', { clientX: 90, clientY: 5 }));
    expect(heard).to.deep.equal([]);
  });
});
