import '../testing/dom.ts';
import { openOf } from '@dusky-spool/core/rules';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { useDerived } from '../state/derived.ts';
import { useProject } from '../state/open-project.ts';
import { useProjectStore } from '../state/project.ts';
import { closePage, renderInProject, TEST_DAY } from '../testing/render.tsx';
import { FindingPanel } from './FindingPanel.tsx';

// Far from the rack in the east: 16 AWG loses too much.
const far = smallHouse();
const long = {
  ...far,
  racks: { rack: { ...far.racks.rack, x: 19.6 } },
  rooms: {
    ...far.rooms,
    b: { ...far.rooms.b, polygon: far.rooms.b.polygon.map(([x, y]): [number, number] => [x > 6 ? 20.4 : x, y]) },
  },
  walls: Object.fromEntries(
    Object.entries(far.walls).map(([id, wall]) => {
      const stretched = ([x, y]: readonly [number, number]): [number, number] => [x > 6 ? 20.4 : x, y];
      return [id, { ...wall, a: stretched(wall.a), b: stretched(wall.b) }];
    }),
  ),
};
const { project: house } = withDevices(
  long,
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'ceiling-speaker', at: [3, 1] },
  ],
  countedIds(),
);

describe('the list of findings beside the plan', () => {
  afterEach(closePage);

  function Panel({ shown, onClose }: { readonly shown: string[]; readonly onClose: () => void }) {
    const project = useProject();
    const findings = openOf(project, useDerived(project).findings, TEST_DAY);
    return <FindingPanel findings={findings} units="metric" onShow={({ code }) => shown.push(code)} onClose={onClose} />;
  }
  async function open() {
    const shown: string[] = [];
    let isClosed = false;
    const page = renderInProject(<Panel shown={shown} onClose={() => (isClosed = true)} />, house, { worker: true });
    await page.findAllByText(/16 AWG loses/);
    return { ...page, shown, isClosed: () => isClosed };
  }
  const gauges = (project: typeof house) =>
    Object.values(project.runs).map(({ cableTypeId }) => project.cableTypes[cableTypeId].name);
  const preview = () => useProjectStore.getState().preview;

  it('makes a cure by one press, after it was shown while the pointer was on it, and stays', async () => {
    const page = await open();
    const [cure] = await page.findAllByRole('button', { name: /^Use \d+ AWG$/ });
    await page.user.hover(cure);
    await waitFor(() => expect(preview()?.kind).to.equal('proposal'));
    await page.user.unhover(cure);
    expect(preview()).to.equal(null);
    const before = gauges(page.project());
    await page.user.click(cure);
    expect(page.edits).to.have.length(1);
    expect(gauges(page.project()).filter((name, i) => name !== before[i])).to.have.length(1);
    expect(page.shown).to.include('speaker-loss-over');
    expect(page.getByRole('complementary', { name: 'Findings' })).to.not.equal(null);
  });

  it('fixes all of a kind at once: shown first, then made as one edit', async () => {
    const page = await open();
    await page.user.click(page.getByRole('button', { name: /^Fix all 2$/ }));
    const apply = await page.findByRole('button', { name: 'Apply all 2' });
    expect(preview()?.kind).to.equal('proposal');
    expect(page.edits).to.have.length(0);
    await page.user.click(apply);
    expect(page.edits).to.have.length(1);
    await waitFor(() => expect(page.queryByText(/16 AWG loses/)).to.equal(null));
  });

  it('closes by Escape from inside it', async () => {
    const page = await open();
    page.getByRole('button', { name: 'Close' }).focus();
    await page.user.keyboard('{Escape}');
    expect(page.isClosed()).to.equal(true);
  });
});
