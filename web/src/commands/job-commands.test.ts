import { planRuns } from '@dusky-spool/core/runs';
import { expect } from 'chai';
import type { ProjectDocument, Seal } from '@dusky-spool/core/model';
import type { Penetration } from '@dusky-spool/core/pathways';
import { CHECKS, settingsOf } from '@dusky-spool/core/rules';
import { applied, countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { addCompromise } from './add-compromise.ts';
import { addDecision } from './add-decision.ts';
import { addPhase } from './add-phase.ts';
import { copyType } from '@dusky-spool/core/devices';
import { makeGroup } from './make-group.ts';
import { markPrinted } from './mark-printed.ts';
import { recordSeal } from './record-seal.ts';
import { addRouteRule, routeVia } from './route-via.ts';
import { saveCalculation } from './save-calculation.ts';
import { setRule, USUAL_SETTING } from './set-rule.ts';
import { setTradeDate } from './set-trade-date.ts';
import { takeTypes } from './take-types.ts';
import { toggleGroup } from './toggle-group.ts';

const counted = () => {
  let n = 0;
  return () => `n${++n}`;
};
const withTwo = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [1, 0.05] },
    { typeId: 'network-drop', at: [2, 0.05] },
  ],
  countedIds(),
).project;
const deviceIds = Object.keys(withTwo.devices);
const [run] = Object.values(withTwo.runs);

describe('groups', () => {
  it('take devices in that are not in them, and let all of them go where all are', () => {
    const made = applied(
      withTwo,
      makeGroup({ id: 'g1', kind: 'audio', name: 'Porch' }, { deviceIds: [deviceIds[0]], newId: counted() }),
    );
    expect(Object.values(made.groupMembers).map(({ deviceId }) => deviceId)).to.deep.equal([deviceIds[0]]);
    const newId = () => 'm2';
    const both = applied(made, toggleGroup(made, { groupId: 'g1', deviceIds, newId }));
    expect(Object.values(both.groupMembers).map(({ deviceId }) => deviceId)).to.have.members(deviceIds);
    expect(applied(both, toggleGroup(both, { groupId: 'g1', deviceIds, newId })).groupMembers).to.deep.equal({});
  });
});

describe('rules', () => {
  const [{ id: ruleId }] = CHECKS;
  const set = (project: ProjectDocument, setting: typeof USUAL_SETTING) =>
    setRule(project, { id: 'rs1', ruleId, setting, by: 'A planner', on: '2026-11-29' });

  it('that are set as usual have no record; others say who set them and when', () => {
    expect(set(withTwo, USUAL_SETTING)).to.deep.equal([]);
    const off = applied(withTwo, set(withTwo, { ...USUAL_SETTING, off: true }));
    expect(settingsOf(off).get(ruleId)).to.include({ off: true, by: 'A planner', on: '2026-11-29' });
    const lowered = applied(off, set(off, { ...USUAL_SETTING, rank: 'look' }));
    expect(Object.keys(lowered.ruleSettings)).to.deep.equal(['rs1']);
    expect(applied(lowered, set(lowered, USUAL_SETTING)).ruleSettings).to.deep.equal({});
  });
});

describe('routes led by hand', () => {
  it('hold their points in the order of their ids, in place of those before', () => {
    const rule = addRouteRule({
      id: 'rr0',
      runId: run.id,
      kind: 'avoid',
      target: 'room',
      targetId: Object.keys(withTwo.rooms)[0],
      at: null,
    });
    const avoiding = applied(withTwo, [rule]);
    const led = applied(
      avoiding,
      routeVia(avoiding, {
        id: 'a',
        runId: run.id,
        points: [
          [1, 1, 2.5],
          [2, 1, 2.5],
        ],
      }),
    );
    expect(Object.keys(led.routeRules).sort()).to.deep.equal(['a_0', 'a_1', 'rr0']);
    const again = applied(led, routeVia(led, { id: 'b', runId: run.id, points: [[3, 1, 2.5]] }));
    expect(Object.keys(again.routeRules).sort()).to.deep.equal(['b_0', 'rr0']);
    expect(again.routeRules.b_0.at).to.deep.equal([3, 1, 2.5]);
  });
});

describe('the library of a project', () => {
  it('gets new types, and newer ones with the recipes that the project has', () => {
    const [type] = Object.values(withTwo.deviceTypes);
    const newer = { ...type, name: 'Renamed', version: type.version + 1, cables: [] };
    const fresh = { ...type, id: 'fresh', code: 'Z9' };
    const taken = applied(withTwo, takeTypes(withTwo, [newer, fresh]));
    expect(taken.deviceTypes[type.id]).to.include({ name: 'Renamed', version: type.version + 1 });
    expect(taken.deviceTypes[type.id].cables).to.deep.equal(type.cables);
    expect(taken.deviceTypes.fresh.code).to.equal('Z9');
    expect(takeTypes(withTwo, [type])).to.deep.equal([]);
  });

  it('copies a type under a code that is free', () => {
    const [from] = Object.values(withTwo.deviceTypes);
    const once = applied(withTwo, copyType(withTwo, { id: 't1', from, name: 'x'.repeat(100) }));
    const twice = applied(once, copyType(once, { id: 't2', from, name: 'Copy' }));
    expect(once.deviceTypes.t1.name).to.have.length(80);
    expect(new Set(Object.values(twice.deviceTypes).map(({ code }) => code)).size).to.equal(
      Object.keys(twice.deviceTypes).length,
    );
  });
});

describe('what is written down of a job', () => {
  it('labels that were printed, of runs that are still there', () => {
    const planned = planRuns(withTwo).find((one) => one.run.id === run.id)!;
    const gone = { ...planned, run: { ...run, id: 'gone' } };
    const printed = applied(withTwo, markPrinted(withTwo, [planned, gone], '2026-11-29'));
    expect(printed.runs[run.id]).to.include({ printedOn: '2026-11-29' });
    expect(printed.runs[run.id].printedAs).to.include(run.number);
    expect(markPrinted(printed, [planned], '2026-11-29')).to.deep.equal([]);
  });

  it('one date for each gate', () => {
    const set = applied(withTwo, setTradeDate(withTwo, { id: 'd1', gate: 'board', on: '2026-12-01' }));
    const moved = applied(set, setTradeDate(set, { id: 'd2', gate: 'board', on: '2026-12-08' }));
    expect(Object.values(moved.tradeDates)).to.deep.equal([{ id: 'd1', gate: 'board', on: '2026-12-08', from: '' }]);
  });

  it('phases counted from the second, decisions and compromises with the client as their owner', () => {
    const client = applied(withTwo, [
      {
        op: 'update',
        in: 'project',
        id: 'project',
        before: { client: withTwo.project.client },
        after: { client: 'The household' },
      } as never,
    ]);
    const phased = applied(client, addPhase(client, { id: 'p1', nameOf: (n) => `Phase ${n}` }));
    expect(phased.phases.p1).to.include({ name: 'Phase 2', order: 0 });
    expect(applied(phased, addPhase(phased, { id: 'p2', nameOf: (n) => `Phase ${n}` })).phases.p2.name).to.equal('Phase 3');
    expect(applied(client, addDecision(client, { id: 'o1', subject: 'Projector' })).decisions.o1).to.include({
      owner: 'The household',
      gate: 'board',
    });
    expect(
      applied(client, addCompromise(client, { id: 'c1', what: 'No riser', on: '2026-11-29' })).compromises.c1.acceptedBy,
    ).to.equal('The household');
  });

  it('one record of a penetration, begun and then changed', () => {
    const place = {
      seal: null,
      member: 'wall',
      at: [1, 2, 2.4],
      levelId: run && Object.keys(withTwo.levels)[0],
      assembly: 'fire-wall',
      family: 'intumescent',
    };
    const [begun] = recordSeal(place as never as Penetration, { id: 'sl1', fields: { state: 'sealed', by: 'A' } });
    const { record } = begun as unknown as { record: Seal };
    expect(record).to.include({ id: 'sl1', product: 'intumescent', state: 'sealed', by: 'A', on: '' });
    const [changed] = recordSeal({ ...place, seal: record } as never as Penetration, { id: 'sl2', fields: { on: '2026-11-29' } });
    expect(changed).to.deep.include({ op: 'update', id: 'sl1', after: { on: '2026-11-29' } });
  });

  it('calculations with their result cut to what a record holds', () => {
    const [kept] = saveCalculation({
      id: 'kc1',
      runId: null,
      calculator: 'rack-heat',
      input: {},
      result: 'r'.repeat(3000),
      by: 'A',
      on: '2026-11-29',
    }) as unknown as { record: { result: string; note: string } }[];
    expect([kept.record.result.length, kept.record.note]).to.deep.equal([2000, '']);
  });
});
