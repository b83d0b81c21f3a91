import { expect } from 'chai';
import { judgeSetting } from '../settings.ts';
import { CHECKS } from '../registry.ts';
import { create, type ProjectDocument, update } from '../../model/index.ts';
import { applied, checked, countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { acceptFinding, isAccepted, liftAcceptance, markOf, noteFinding, openOf } from './marks.ts';

let count = 0;
const newId = () => `m${++count}`;
/** A speaker whose cable comes to 21 m: over the target. */
const near = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 2] }], countedIds()).project;
const start = applied(near, [update('runs', Object.values(near.runs)[0], { rackSlackM: 10 })!]);
const stopOf = (project: ProjectDocument) => checked(project).find(({ check }) => check === 'speaker-cable-loss')!;
const by = { name: 'Site lead', why: 'the client was told', until: '2026-12-01', today: '2026-11-20' };
function accepted(): ProjectDocument {
  const outcome = acceptFinding(start, stopOf(start), by, newId);
  if (!outcome.ok) throw new Error(outcome.problem.code);
  return applied(start, outcome.value);
}

describe('a finding that is accepted', () => {
  it('says who, why and until when, and is no longer open until then', () => {
    const project = accepted();
    const finding = stopOf(project);
    expect(markOf(project, finding)).to.include({ acceptedBy: 'Site lead', why: 'the client was told', until: '2026-12-01' });
    expect(isAccepted(project, finding, '2026-12-01')).to.equal(true);
    expect(isAccepted(project, finding, '2026-12-02')).to.equal(false);
    expect(openOf(project, [finding], '2026-11-21')).to.deep.equal([]);
    expect(openOf(project, [finding], '2026-12-02')).to.deep.equal([finding]);
  });

  it('returns when its figures change', () => {
    const project = accepted();
    const [run] = Object.values(project.runs);
    const longer = applied(project, [update('runs', run, { deviceSlackM: 3 })!]);
    expect(stopOf(longer).measured).to.be.greaterThan(stopOf(project).measured!);
    expect(isAccepted(longer, stopOf(longer), '2026-11-21')).to.equal(false);
  });

  it('wants a name, a reason, and a day that is to come', () => {
    for (const [more, code] of [
      [{ name: ' ' }, 'accept-no-name'],
      [{ why: '' }, 'accept-no-reason'],
      [{ until: '2026-11-19' }, 'accept-past'],
    ] as const) {
      const outcome = acceptFinding(start, stopOf(start), { ...by, ...more }, newId);
      expect(outcome.ok ? '' : outcome.problem.code).to.equal(code);
    }
  });

  it('may be lifted, which leaves what was noted; a mark without anything is gone', () => {
    const project = accepted();
    const noted = applied(
      project,
      noteFinding(project, stopOf(project), { assignedTo: 'Second pair', note: 'measure again' }, newId),
    );
    const lifted = applied(noted, liftAcceptance(noted, stopOf(noted)));
    expect(markOf(lifted, stopOf(lifted))).to.include({ acceptedBy: '', assignedTo: 'Second pair', note: 'measure again' });
    const empty = applied(lifted, noteFinding(lifted, stopOf(lifted), { assignedTo: '', note: '' }, newId));
    expect(empty.findingMarks).to.deep.equal({});
    expect(noteFinding(start, stopOf(start), { note: '' }, newId)).to.deep.equal([]);
  });
});

describe('a rule that is set otherwise', () => {
  const set = (project: ProjectDocument, ruleId: string, more: object) =>
    applied(project, [
      create('ruleSettings', { id: 'r', ruleId, off: false, rank: null, limits: {}, reason: '', by: '', on: '', ...more }),
    ]);

  it('is off, or at another rank, or with another limit, and only that one', () => {
    expect(stopOf(set(start, 'speaker-cable-loss', { off: true }))).to.equal(undefined);
    expect(stopOf(start).rank).to.equal('look');
    expect(stopOf(set(start, 'speaker-cable-loss', { rank: 'fine' })).rank).to.equal('fine');
    const [run] = Object.values(start.runs);
    const slack = applied(start, [update('runs', run, { deviceSlackM: 0.4 })!]);
    const codes = (project: ProjectDocument) => checked(project).map(({ code }) => code);
    expect(codes(slack)).not.to.include('slack-short');
    expect(codes(set(slack, 'slack-enough', { limits: { deviceM: 0.5 } }))).to.include('slack-short');
    // Outside its bounds a limit is not taken.
    expect(codes(set(slack, 'slack-enough', { limits: { deviceM: 50 } }))).not.to.include('slack-short');
  });

  it('that keeps people safe is lowered only with a reason, and no limit leaves its bounds', () => {
    const rule = (id: string) => CHECKS.find((check) => check.id === id)!;
    const judge = (id: string, more: object) => {
      const outcome = judgeSetting(rule(id), { off: false, rank: null, limits: {}, reason: '', ...more });
      return outcome.ok ? 'taken' : outcome.problem.code;
    };
    expect(judge('bores-allowed', { off: true })).to.equal('rule-reason-missing');
    expect(judge('bores-allowed', { rank: 'look' })).to.equal('rule-reason-missing');
    expect(judge('bores-allowed', { rank: 'look', reason: 'the engineer stamped it' })).to.equal('taken');
    expect(judge('clear-of-mains', { limits: { longestM: 3 } })).to.equal('rule-reason-missing');
    expect(judge('clear-of-mains', { limits: { longestM: 1 } })).to.equal('taken');
    expect(judge('clear-of-mains', { limits: { longestM: 9 }, reason: 'so' })).to.equal('rule-limit-outside');
    expect(judge('clear-of-mains', { limits: { colourM: 1 } })).to.equal('rule-limit-unknown');
    expect(judge('data-length', { off: true })).to.equal('taken');
  });
});
