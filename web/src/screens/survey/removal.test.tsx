import '../../testing/dom.ts';
import { removeWalls } from '@dusky-spool/core/survey';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { act, waitFor, within } from '@testing-library/react';
import { expect } from 'chai';
import type { Operation } from '@dusky-spool/core/model';
import type { Outcome } from '@dusky-spool/core/math';
import { press } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { newSurveyId } from './ids.ts';
import { useRemoval } from './useRemoval.tsx';

const { project: house } = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [1, 0.05] },
    { typeId: 'ceiling-speaker', at: [7, 2] },
  ],
  countedIds(),
);
const free = { ...house.walls.west, id: 'free', a: [20, 20] as [number, number], b: [24, 20] as [number, number] };
const project = { ...house, walls: { ...house.walls, free } };

describe('a wall that is deleted', () => {
  afterEach(closePage);

  function Asker({
    wallId,
    onRemove,
  }: {
    readonly wallId: string;
    readonly onRemove: (o: Outcome<readonly Operation[]>) => void;
  }) {
    const removal = useRemoval(onRemove);
    return (
      <>
        <button type="button" onClick={() => void removal.ask(removeWalls(project, [wallId], newSurveyId))}>
          Ask
        </button>
        {removal.dialog}
      </>
    );
  }
  function open(wallId: string) {
    const removed: Outcome<readonly Operation[]>[] = [];
    const page = renderInProject(<Asker wallId={wallId} onRemove={(one) => removed.push(one)} />, project, { worker: true });
    return { ...page, removed };
  }

  it('goes at once where nothing else changes', async () => {
    const page = open('free');
    await press(page, 'Ask');
    await waitFor(() => expect(page.removed).to.have.length(1));
    expect(document.querySelector('.ant-modal')).to.equal(null);
  });

  it('between two rooms is asked about first, with what changes by name; Cancel leaves it', async () => {
    const page = open('middle');
    await press(page, 'Ask');
    await waitFor(() => expect(document.querySelector('.ant-modal')).to.not.equal(null));
    const dialog = within(document.querySelector<HTMLElement>('.ant-modal')!);
    const lines = dialog.getAllByRole('listitem').map(({ textContent }) => textContent);
    expect(lines[0]).to.match(/^A room goes, since another takes its place: Room (AA|BB)\.$/);
    expect(lines.join(' ')).to.match(/stands in another room then/);
    expect(lines.join(' ')).to.match(/gets? another number: M-\w+-\d+\.1 → M-\w+-\d+\.1/);
    await page.user.click(dialog.getByRole('button', { name: 'Cancel' }));
    expect(page.removed).to.have.length(0);
    await act(() => Promise.resolve());
    await press(page, 'Ask');
    await page.user.click(await within(document.body).findByRole('button', { name: 'Delete' }));
    expect(page.removed).to.have.length(1);
  });
});
