import '../testing/dom.ts';
import type { Problem } from '@dusky-spool/core/math';
import type { JobReply } from '@dusky-spool/core/model';
import { smallHouse } from '@dusky-spool/core/testing';
import { fireEvent, waitFor, within } from '@testing-library/react';
import { expect } from 'chai';
import { useState } from 'react';
import { Route, Routes } from 'react-router';
import { useProjectStore } from '../state/project.ts';
import { STAGES } from '../state/progress.ts';
import { fakeServer } from '../testing/fake-server.ts';
import { choose, enter, flip, press, valueIn } from '../testing/fields.ts';
import { closePage, renderInProject, renderPage } from '../testing/render.tsx';
import { ChoiceField } from './ChoiceField.tsx';
import { DayField } from './DayField.tsx';
import { NumberField, SwitchField, WordsField } from './fields.tsx';
import { MakingButton } from './MakingButton.tsx';
import { MakingDialog } from './MakingDialog.tsx';
import { SetAsideDialog } from './SetAsideDialog.tsx';
import { Thread } from './Thread.tsx';

describe('fields', () => {
  afterEach(closePage);

  it('write words when they are left or Enter is pressed, trimmed, and only where they differ', async () => {
    const written: string[] = [];
    const page = renderPage(<WordsField label="Name" value="Hall" onChange={(words) => written.push(words)} />);
    await enter(page, 'Name', ' Hall ');
    expect(written).to.deep.equal([]);
    await enter(page, 'Name', '  Boot room ');
    await page.user.type(page.getByLabelText('Name', { selector: 'input' }), '!{Enter}');
    expect(written).to.deep.equal(['Boot room', 'Hall!']);
  });

  it('keep words that are too long or missing, and say so below', async () => {
    const written: string[] = [];
    const page = renderPage(<WordsField label="Name" value="Hall" max={8} required onChange={(words) => written.push(words)} />);
    await enter(page, 'Name', 'Boot room and porch');
    expect(page.getByRole('alert').textContent).to.equal('Name: 8 characters at most; these are 19.');
    expect(valueIn(page, 'Name')).to.equal('Boot room and porch');
    await enter(page, 'Name', '  ');
    expect(page.getByRole('alert').textContent).to.equal('Name is missing.');
    await page.user.type(page.getByLabelText('Name', { selector: 'input' }), '{Escape}');
    expect(valueIn(page, 'Name')).to.equal('Hall');
    expect(page.queryByRole('alert')).to.equal(null);
    expect(written).to.deep.equal([]);
  });

  it('take a number within its bounds, and say which ones where it is not', async () => {
    const written: number[] = [];
    const page = renderPage(<NumberField label="Plates" value={1} min={0} max={4} onChange={(value) => written.push(value)} />);
    await enter(page, 'Plates', '2');
    for (const wrong of ['9', '-1', '']) {
      await enter(page, 'Plates', wrong);
      expect(page.getByRole('alert').textContent).to.equal('Plates: type a number from 0 to 4.');
      expect(valueIn(page, 'Plates')).to.equal(wrong);
    }
    expect(written).to.deep.equal([2]);
    await enter(page, 'Plates', '0,5');
    expect(written).to.deep.equal([2, 0.5]);
    expect(page.queryByRole('alert')).to.equal(null);
  });

  it('choose, switch, and take a day or none', async () => {
    const heard: unknown[] = [];
    function Form() {
      const [kind, setKind] = useState('stud');
      const [day, setDay] = useState('2026-11-25');
      const [isOn, setIsOn] = useState(false);
      const hear =
        <T,>(set: (value: T) => void) =>
        (value: T) => {
          heard.push(value);
          set(value);
        };
      const options = ['stud', 'masonry'].map((value) => ({ value, label: `${value} wall` }));
      return (
        <>
          <ChoiceField label="Kind" value={kind} options={options} onChange={hear(setKind)} />
          <SwitchField label="Cable may run" value={isOn} onChange={hear(setIsOn)} />
          <DayField label="Expires" value={day} onChange={hear(setDay)} />
        </>
      );
    }
    const page = renderPage(<Form />);
    await choose(page, 'Kind', 'masonry wall');
    await flip(page, 'Cable may run');
    fireEvent.change(page.getByLabelText('Expires', { selector: 'input' }), { target: { value: '2026-12-24' } });
    fireEvent.change(page.getByLabelText('Expires', { selector: 'input' }), { target: { value: '' } });
    expect(heard).to.deep.equal(['masonry', true, '2026-12-24', '']);
  });
});

describe('a document that is made', () => {
  let server: ReturnType<typeof fakeServer>;
  let states: Partial<JobReply>[];
  let closed: number;
  const saved: string[] = [];
  beforeEach(() => {
    closed = 0;
    saved.length = 0;
    URL.createObjectURL = () => 'blob:test';
    URL.revokeObjectURL = () => undefined;
    server = fakeServer({
      'POST /projects/p1/documents/plan.pdf/job': () => ({ id: 'j1' }),
      'GET /jobs/j1': () => (states.length > 1 ? states.shift() : states[0]),
      'GET /jobs/j1/file': ({ path }) => void saved.push(path),
      'DELETE /jobs/j1': () => ({}),
    });
  });
  afterEach(() => {
    closePage();
    server.stop();
  });
  const making = { label: 'Plan', path: '/projects/p1/documents/plan.pdf/job', query: { paper: 'A3' } };
  const open = () => renderPage(<MakingDialog making={making} onClose={() => void closed++} />);

  it('shows how far it is, is saved when it is done, and closes', async () => {
    states = [
      { state: 'waiting', progress: 0 },
      { state: 'running', progress: 0.4 },
      { state: 'done', progress: 1 },
    ];
    const page = open();
    await waitFor(() => expect(page.getByRole('status').textContent).to.include('40'), { timeout: 3000 });
    await waitFor(() => expect([saved.length, closed]).to.deep.equal([1, 1]), { timeout: 3000 });
    expect(server.sent('POST', making.path)).to.deep.equal([{ paper: 'A3' }]);
  });

  it('says why it failed, and is made again when asked', async () => {
    const problem: Problem = { code: 'job-too-long', field: 'job' };
    states = [{ state: 'failed', problem }];
    const page = open();
    expect((await page.findByRole('alert', {}, { timeout: 3000 })).textContent).to.not.equal('');
    expect([saved.length, closed]).to.deep.equal([0, 0]);
    states = [{ state: 'done', progress: 1 }];
    await press(page, /again/i);
    await waitFor(() => expect([saved.length, closed]).to.deep.equal([1, 1]), { timeout: 3000 });
  });

  it('is asked for once by its button, however often the page around it is drawn again', async () => {
    states = [{ state: 'running', progress: 0.1 }];
    function Page() {
      const [count, setCount] = useState(0);
      return (
        <>
          <button type="button" data-testid="draw" onClick={() => setCount(count + 1)}>
            {count}
          </button>
          <MakingButton label="Plan" path={making.path} query={{ paper: 'A3' }} />
        </>
      );
    }
    const page = renderPage(<Page />);
    await press(page, 'Plan');
    await waitFor(() => expect(page.getByRole('status').textContent).to.include('10'), { timeout: 3000 });
    for (let n = 0; n < 3; n++) fireEvent.click(page.getByTestId('draw'));
    expect(page.getByTestId('draw').textContent).to.equal('3');
    await new Promise((done) => setTimeout(done, 100));
    expect(server.sent('POST', making.path)).to.deep.equal([{ paper: 'A3' }]);
    expect(server.requests.some(({ method }) => method === 'DELETE')).to.equal(false);
  });

  it('is stopped at the server when its dialog is closed', async () => {
    states = [{ state: 'running', progress: 0.1 }];
    const page = open();
    await waitFor(() => expect(page.getByRole('status').textContent).to.include('10'), { timeout: 3000 });
    page.unmount();
    await waitFor(() => expect(server.requests.some(({ method }) => method === 'DELETE')).to.equal(true));
  });
});

describe('edits that were set aside', () => {
  afterEach(closePage);
  const change = (id: string, operations: readonly object[]) =>
    ({ id, baseRevision: 1, title: `Edit ${id}`, operations }) as never;
  const update = { op: 'update', in: 'rooms', id: 'a', before: { name: 'Room AA' }, after: { name: 'Den' } };

  it('say what they were and why, and are settled in the way that fits the reason', async () => {
    const settled: string[] = [];
    const page = renderInProject(
      <SetAsideDialog
        project={smallHouse()}
        entries={[
          {
            change: change('c1', [update]),
            problem: { code: 'record-gone', in: 'rooms', id: 'a' } as never,
            at: '2026-11-25T08:00:00Z',
          },
          {
            change: change(
              'c2',
              Array.from({ length: 8 }, () => update),
            ),
            problem: { code: 'unexpected' },
            at: '2026-11-25T08:00:00Z',
          },
        ]}
        onClose={() => undefined}
      />,
      smallHouse(),
    );
    useProjectStore.setState({
      settleAside: async (id, how) => {
        settled.push(`${id} ${how}`);
        return how === 'again' ? { code: 'unexpected' } : null;
      },
    });
    const [first, second] = [...document.querySelectorAll<HTMLElement>('.ui__aside-list > li')];
    expect(first.textContent).to.include('rooms Room AA: name Den');
    expect(second.textContent).to.include('…');
    await page.user.click(within(first).getAllByRole('button')[0]);
    await page.user.click(within(second).getAllByRole('button')[0]);
    expect((await within(second).findByRole('alert')).textContent).to.not.equal('');
    await page.user.click(within(second).getAllByRole('button')[1]);
    expect(settled).to.deep.equal(['c1 restore', 'c2 again', 'c2 let-go']);
  });
});

describe('the thread of stages', () => {
  afterEach(closePage);

  it('leads to every stage, says how much is done, and marks errors and the stage that is shown', () => {
    const stages = STAGES.map((stage, i) => ({
      stage,
      share: i === 0 ? 1 : i === 1 ? 0.5 : 0,
      open: i === 1 ? 7 : 0,
      stops: i === 1 ? 2 : 0,
    }));
    const page = renderPage(
      <Routes>
        <Route path="/p/:projectId/:stage" element={<Thread stages={stages} />} />
      </Routes>,
      { at: `/p/demo/${STAGES[1]}` },
    );
    const links = page.getAllByRole('link').slice(1);
    expect(links.map((link) => link.getAttribute('href'))).to.deep.equal(STAGES.map((stage) => `/p/demo/${stage}`));
    expect(links[1].getAttribute('aria-current')).to.equal('page');
    expect(links[1].getAttribute('aria-label')).to.match(/50.*7 open.*error/i);
    expect(links[0].getAttribute('aria-label')).to.match(/100/);
    expect(page.container.querySelectorAll('li.ui__reached')).to.have.length(2);
  });
});
