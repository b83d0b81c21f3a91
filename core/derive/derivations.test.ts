import { expect } from 'chai';
import fc from 'fast-check';
import { FINDINGS } from '../rules/index.ts';
import { WAY_LOADS } from '../pathways/index.ts';
import { moveDevices, removeDevices } from '../devices/index.ts';
import { BUNDLES, PLANNED_RUN } from '../runs/index.ts';
import {
  create,
  newWall,
  type Operation,
  type ProjectDocument,
  reverseOperations,
  update,
  updateProject,
} from '../model/index.ts';
import { countedIds, twoStoreyHouse, withDevices } from '../testing/index.ts';
import { deltaBetween, Derivations } from './derivations.ts';
import { type AnyNode, each, whole } from './node.ts';

const TODAY = '2026-11-25';
const house = () =>
  withDevices(
    twoStoreyHouse(),
    [
      { typeId: 'ceiling-speaker', at: [1, 1] },
      { typeId: 'network-drop', at: [3, 0.05] },
      { typeId: 'display', at: [5, 0.05] },
      { typeId: 'ceiling-speaker', at: [7, 2] },
    ],
    countedIds(),
  ).project;

/** A node and all that it is made from. */
function allFrom(nodes: readonly AnyNode[], found = new Set<AnyNode>()): Set<AnyNode> {
  for (const node of nodes)
    if (!found.has(node)) {
      found.add(node);
      allFrom([...(node.nodes ?? []), ...(node.kind === 'each' ? ((node.beside ?? []) as AnyNode[]) : [])], found);
    }
  return found;
}
const NODES = [...allFrom([FINDINGS, WAY_LOADS, BUNDLES] as unknown as AnyNode[])];

/** What values only remember, or hold twice. */
const ASIDE = new Set(['answers', 'trees', 'framing', 'places', 'parts', 'layers', 'details', 'building', 'rows', 'since']);

/** A value without that. */
const plain = (value: unknown): string =>
  JSON.stringify(value, (key, one: unknown) => {
    if (ASIDE.has(key)) return undefined;
    if (one instanceof Map) return [...one].map(([k, v]) => [typeof k === 'object' ? '' : (k as string), v] as const).sort(byKey);
    if (one instanceof Set) return [...one].sort();
    if (ArrayBuffer.isView(one)) return [...(one as Float64Array)];
    return one;
  });

const byKey = ([a]: readonly [string, unknown], [b]: readonly [string, unknown]) => (String(a) < String(b) ? -1 : 1);

const valueOf = (own: Derivations, node: AnyNode) => (node.kind === 'whole' ? own.get(node) : own.all(node));

/** Numbers that joists get in the order in which they are met, and with what other orders of equal things differ. */
const BY_ORDER_MET = new Set([
  'halves of joists',
  'what a run bores',
  'crowded joists',
  'routes by their ends',
  'speaker cables',
]);

function expectCold(own: Derivations): void {
  const cold = new Derivations(structuredClone(own.project), TODAY);
  for (const node of NODES) {
    if (BY_ORDER_MET.has(node.name)) continue;
    expect(plain(valueOf(own, node)), node.name).to.equal(plain(valueOf(cold, node)));
  }
}

type Act = { readonly act: string; readonly pick: number; readonly at: readonly [number, number] };
const act: fc.Arbitrary<Act> = fc.record({
  act: fc.constantFrom('move', 'remove', 'wall', 'thing', 'fact', 'rename', 'bundle', 'cable', 'waste', 'setting'),
  pick: fc.nat(100),
  at: fc.tuple(fc.double({ min: 0.3, max: 9.5, noNaN: true }), fc.double({ min: 0.3, max: 3.7, noNaN: true })),
});

let made = 0;
function operationsOf(project: ProjectDocument, { act: what, pick, at }: Act): readonly Operation[] {
  const pickOf = <T>(table: Readonly<Record<string, T>>): T | undefined => Object.values(table)[pick % Object.keys(table).length];
  const device = pickOf(project.devices);
  const run = pickOf(project.runs);
  const wall = pickOf(project.walls)!;
  const one = (operation: Operation | null | undefined | false) => (operation ? [operation] : []);
  if (what === 'move') {
    const moved = device ? moveDevices(project, [{ deviceId: device.id, to: [...at] }]) : null;
    return moved?.ok ? moved.value : [];
  }
  if (what === 'remove') {
    const gone = device && pick % 3 === 0 ? removeDevices(project, [device.id]) : null;
    return gone?.ok ? gone.value : [];
  }
  if (what === 'wall') return [create('walls', newWall({ ...wall, id: `extra${++made}`, a: [at[0], 0.5], b: [at[0], 3] }))];
  if (what === 'thing') return one(update('walls', wall, { thicknessM: 0.1 + (pick % 5) / 50 }));
  if (what === 'fact') return one(update('levels', pickOf(project.levels)!, { cavityDepthM: 0.2 + (pick % 4) / 20 }));
  if (what === 'rename') return one(device && update('devices', device, { name: `N${pick}` }));
  if (what === 'bundle') return one(run && update('runs', run, { bundle: `B-0${pick % 3}` }));
  if (what === 'cable') return one(run && update('runs', run, { cableTypeId: pick % 2 ? 'sec_22_2' : 'cat6_utp' }));
  if (what === 'waste') return one(updateProject(project.project, { wasteFactor: 1.1 + (pick % 3) / 20 }));
  return one(project.ruleSettings.s ? null : create('ruleSettings', setting()));
}
const setting = () => ({ id: 's', ruleId: 'legs-complete', off: true, rank: null, limits: {}, reason: '', by: '', on: '' });

describe('what follows from a project', () => {
  it('is after any edits, undone edits and drafts what it is from nothing, for every node', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(act, fc.constantFrom('edit', 'undone', 'draft', 'unasked')), { minLength: 1, maxLength: 6 }),
        (acts) => {
          let own = new Derivations(house(), TODAY);
          expectCold(own);
          for (const [one, how] of acts) {
            const operations = operationsOf(own.project, one);
            const next = own.edit(operations);
            if (!next.ok) continue;
            if (how === 'draft') expectCold(next.value);
            else if (how === 'undone') {
              next.value.get(FINDINGS);
              const back = next.value.edit(reverseOperations(operations));
              own = back.ok ? back.value : own;
            } else own = next.value;
            if (how !== 'unasked') expectCold(own);
          }
          expectCold(own);
        },
      ),
      { numRuns: 15 },
    );
  }).timeout(300_000);

  it('is not worked out again where nothing of it differs', () => {
    const own = new Derivations(house(), TODAY);
    const [findings, runs] = [own.get(FINDINGS), own.all(PLANNED_RUN)];
    const next = own.edit([create('groups', { id: 'g', kind: 'audio', name: 'West' })]);
    if (!next.ok) throw new Error(next.problem.code);
    expect(next.value.get(FINDINGS)).to.equal(findings);
    expect(next.value.all(PLANNED_RUN)).to.equal(runs);
  });

  it('tells for each node what an edit made of it', () => {
    const own = new Derivations(house(), TODAY);
    own.all(PLANNED_RUN);
    const [device] = Object.values(own.project.devices);
    const moved = moveDevices(own.project, [{ deviceId: device.id, to: [2, 1.5] }]);
    const next = own.edit(moved.ok ? moved.value : []);
    if (!next.ok) throw new Error(next.problem.code);
    const { put, gone } = deltaBetween(PLANNED_RUN, own, next.value);
    const ownRuns = Object.values(own.project.runs).filter(({ deviceId }) => deviceId === device.id);
    expect([...put.keys()].sort()).to.deep.equal(ownRuns.map(({ id }) => id).sort());
    expect(gone).to.deep.equal([]);
    const removed = removeDevices(own.project, [device.id]);
    const without = own.edit(removed.ok ? removed.value : []);
    if (!without.ok) throw new Error(without.problem.code);
    expect([...deltaBetween(PLANNED_RUN, own, without.value).gone].sort()).to.deep.equal(ownRuns.map(({ id }) => id).sort());
  });

  it('goes on where it was called off: nothing is worked out twice', () => {
    let count = 0;
    const counted = each<'walls', number>({ name: 'counted', over: 'walls', make: ({ thicknessM }) => (count++, thicknessM) });
    const own = new Derivations(house());
    const steps = own.steps(counted as unknown as AnyNode);
    const { share } = steps.next().value as { share: number };
    expect(share).to.be.within(0, 1);
    expect(count).to.equal(1);
    steps.next();
    steps.next();
    own.steps(counted as unknown as AnyNode).next();
    expect(count).to.equal(3);
    own.all(counted);
    expect(count).to.equal(Object.keys(own.project.walls).length);
  });

  it('needs a day where it asks for one', () => {
    expect(() => new Derivations(house()).get(FINDINGS)).to.throw('without a day');
    const own = new Derivations(house(), TODAY);
    expect(own.at('2026-11-26')).to.equal(own.at('2026-11-26'));
    expect(own.at('2026-11-26').today).to.equal('2026-11-26');
  });
});

describe('a guarded node', () => {
  const own = () => new Derivations(house(), TODAY, true);
  const reads = (make: Parameters<typeof whole<unknown>>[0]['make'], more: object = {}) =>
    whole<unknown>({ name: 'sly', tables: ['walls'], ...more, make });

  it('fails where it reads a table, a record, a node or the day that it does not declare', () => {
    expect(() => own().get(reads(({ project }) => project.devices))).to.throw('sly reads the table devices');
    expect(() => own().get(reads(({ project }) => ({ ...project })))).to.throw('sly reads all tables');
    expect(() => own().get(reads((read) => read.all(PLANNED_RUN)))).to.throw('sly reads the node planned run');
    expect(() => own().get(reads((read) => read.today))).to.throw('sly reads the day');
    expect(own().get(reads(({ project }) => Object.keys(project.walls).length))).to.be.above(0);
  });

  it('over records may read those that it names, and no others of their table', () => {
    const level = (idOf: (own: string) => string) =>
      each<'walls', string>({
        name: 'sly',
        over: 'walls',
        records: ({ levelId }) => [['levels', levelId]],
        make: ({ levelId }, { project }) => project.levels[idOf(levelId)]?.name ?? '',
      });
    expect(own().all(level((id) => id))).to.have.length.above(0);
    expect(() => own().all(level(() => 'other'))).to.throw('sly reads the record other of the table levels');
    const list = each<'walls', number>({
      name: 'sly',
      over: 'walls',
      records: ({ levelId }) => [['levels', levelId]],
      make: (_, { project }) => Object.keys(project.levels).length,
    });
    expect(() => own().all(list)).to.throw('sly reads all of the table levels');
  });
});
