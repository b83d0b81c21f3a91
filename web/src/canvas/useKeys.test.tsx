import '../testing/dom.ts';
import { expect } from 'chai';
import { closePage, renderPage } from '../testing/render.tsx';
import { useKeys } from './useKeys.ts';

describe('the keys of the plan', () => {
  afterEach(closePage);

  function Keys({ heard, mayRemove }: { readonly heard: string[]; readonly mayRemove: boolean }) {
    useKeys({
      undo: () => heard.push('undo'),
      redo: () => heard.push('redo'),
      nudge: (dx, dy, far) => heard.push(`nudge ${dx} ${dy}${far ? ' far' : ''}`),
      escape: () => heard.push('escape'),
      remove: mayRemove ? () => heard.push('remove') : undefined,
      zoom: (direction) => heard.push(`zoom ${direction}`),
      level: (by) => heard.push(`level ${by}`),
    });
    return (
      <>
        <input aria-label="Name" />
        <button type="button" role="radio" aria-checked="true">
          Upper
        </button>
        <div role="grid">
          <button type="button">Cell</button>
        </div>
      </>
    );
  }
  const open = (mayRemove = true) => {
    const heard: string[] = [];
    return { ...renderPage(<Keys heard={heard} mayRemove={mayRemove} />), heard };
  };

  it('undo and redo, each in the two ways that people know', async () => {
    const { user, heard } = open();
    await user.keyboard('{Control>}z{/Control}{Control>}y{/Control}{Control>}{Shift>}z{/Shift}{/Control}');
    expect(heard).to.deep.equal(['undo', 'redo', 'redo']);
  });

  it('nudge by arrows, far with Shift', async () => {
    const { user, heard } = open();
    await user.keyboard('{ArrowLeft}{ArrowUp}{Shift>}{ArrowDown}{/Shift}');
    expect(heard).to.deep.equal(['nudge -1 0', 'nudge 0 1', 'nudge 0 -1 far']);
  });

  it('zoom, change the level, remove and leave', async () => {
    const { user, heard } = open();
    await user.keyboard('{+}={-}0{PageUp}{PageDown}{Delete}{Backspace}{Escape}');
    expect(heard).to.deep.equal([
      ...['zoom 1', 'zoom 1', 'zoom -1', 'zoom 0', 'level 1', 'level -1', 'remove', 'remove', 'escape'],
    ]);
  });

  it('stay with a field that is typed in, and arrows with a table', async () => {
    const { user, heard, getByLabelText, getByText } = open();
    await user.type(getByLabelText('Name'), '0-{Backspace}{ArrowLeft}{Control>}z{/Control}');
    expect(heard).to.deep.equal([]);
    getByText('Upper').focus();
    await user.keyboard('{PageDown}');
    expect(heard.splice(0)).to.deep.equal(['level -1']);
    getByText('Cell').focus();
    await user.keyboard('{ArrowDown}{Escape}');
    expect(heard).to.deep.equal(['escape']);
  });

  it('are left to the browser where the plan does nothing with them', () => {
    open(false);
    const event = new window.KeyboardEvent('keydown', { key: 'Backspace', code: 'Backspace', bubbles: true, cancelable: true });
    document.body.dispatchEvent(event);
    expect(event.defaultPrevented).to.equal(false);
  });
});
