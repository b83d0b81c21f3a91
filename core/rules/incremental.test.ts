import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { moveDevices, placeDevice, removeDevices } from '../devices/index.ts';
import {
  applyChange,
  create,
  type FeatureKind,
  newFeature,
  type Operation,
  type ProjectDocument,
  readProjectFile,
  remove,
  update,
} from '../model/index.ts';
import type { Outcome } from '../math/index.ts';
import { listOf } from '../derive/index.ts';
import { runState, proposedRoutes } from '../runs/index.ts';
import { countedIds } from '../testing/index.ts';
import { CHECKS, runChecks } from './registry.ts';
import type { Finding } from './check.ts';

/** Numbers from 0 to 1 that are the same every time. */
function drawFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1_664_525 + 1_013_904_223) % 4_294_967_296;
    return state / 4_294_967_296;
  };
}

const KINDS: readonly FeatureKind[] = [
  'mains-route',
  'conduit',
  'air-space',
  'wet-zone',
  'existing-notch',
  'beam',
  'recessed-light',
];
const AREAS: ReadonlySet<FeatureKind> = new Set(['air-space', 'wet-zone']);
const LINES: ReadonlySet<FeatureKind> = new Set(['mains-route', 'conduit', 'beam']);

type Edit = (project: ProjectDocument, draw: () => number, step: number) => readonly (Operation | null)[];
const pick = <T>(list: readonly T[], draw: () => number): T => list[Math.floor(draw() * list.length)];
const held = (outcome: Outcome<readonly Operation[]>) => (outcome.ok ? outcome.value : []);
const ids = countedIds();

/** What people do to a project, each at random. */
const EDITS: Readonly<Record<string, Edit>> = {
  'a device moved': (project, draw) => {
    const device = pick(listOf(project, 'devices'), draw);
    return held(moveDevices(project, [{ deviceId: device.id, to: [device.x + draw() - 0.5, device.y + draw() - 0.5] }]));
  },
  'a device removed': (project, draw) => held(removeDevices(project, [pick(listOf(project, 'devices'), draw).id])),
  'a device placed': (project, draw) => {
    const room = pick(listOf(project, 'rooms'), draw);
    const typeId = pick(['ceiling-speaker', 'network-drop', 'keypad', 'camera', 'display', 'thermostat', 'access-point'], draw);
    const [[x, y]] = room.polygon;
    const placed = placeDevice(
      project,
      { typeId, levelId: room.levelId, at: [x + 0.3 + draw() * 2, y + 0.3 + draw() * 2] },
      { device: ids.device(), run: () => ids.run() },
    );
    return placed.ok ? placed.value.operations : [];
  },
  'another cable': (project, draw) => {
    const run = pick(listOf(project, 'runs'), draw);
    return [update('runs', run, { cableTypeId: pick(listOf(project, 'cableTypes'), draw).id })];
  },
  'a run issued or pulled': (project, draw) => {
    const run = pick(listOf(project, 'runs'), draw);
    return held(runState(project, [run.id], pick(['issued', 'pulled', 'tested'] as const, draw), proposedRoutes(project)));
  },
  'a thing drawn': (project, draw, step) => {
    const room = pick(listOf(project, 'rooms'), draw);
    const kind = pick(KINDS, draw);
    const [[x, y]] = room.polygon;
    const at = (dx: number, dy: number): [number, number] => [x + dx, y + dy];
    const [w, d] = [0.5 + draw() * 3, 0.5 + draw() * 3];
    const points = AREAS.has(kind)
      ? [at(0, 0), at(w, 0), at(w, d), at(0, d)]
      : LINES.has(kind)
        ? [at(0.2, d), at(w + 1, d)]
        : [at(w, d)];
    const size = { widthM: 0.1, depthM: 0.04, bottomM: draw() < 0.5 ? 1 : 2.5, topM: 2.7, area: AREAS.has(kind) };
    return [create('features', newFeature({ id: `drawn${step}`, levelId: room.levelId, kind, name: kind, points, ...size }))];
  },
  'a thing moved': (project, draw) => {
    const features = listOf(project, 'features');
    if (features.length === 0) return [];
    const feature = pick(features, draw);
    return [update('features', feature, { points: feature.points.map(([x, y]): [number, number] => [x + 0.2, y]) })];
  },
  'a ceiling framed otherwise': (project, draw) => {
    const room = pick(listOf(project, 'rooms'), draw);
    return [
      update('rooms', room, {
        framing: pick(['solid', 'i-joist', 'dropped'] as const, draw),
        joistDepthM: pick([0.12, 0.184, 0.235], draw),
      }),
    ];
  },
  'a wall filled': (project, draw) => [
    update('walls', pick(listOf(project, 'walls'), draw), { kind: pick(['stud', 'insulated', 'fire'] as const, draw) }),
  ],
  'another region': (project, draw) => [
    {
      ...updateHeader(project, {
        jurisdiction: pick(['NA', 'EU', 'UK'] as const, draw),
        ambientC: Math.round(20 + draw() * 30),
      }),
    },
  ],
  'a rule set': (project, draw, step) => {
    const [setting] = listOf(project, 'ruleSettings');
    if (setting) return [remove('ruleSettings', setting)];
    const rank = pick(['look', null] as const, draw);
    const ruleId = pick(CHECKS, draw).id;
    const record = {
      id: `set${step}`,
      ruleId,
      off: rank === null,
      rank,
      limits: {},
      reason: 'for the test',
      by: '',
      on: '2026-11-01',
    };
    return [create('ruleSettings', record)];
  },
  'a day set': (project, draw, step) => {
    const on = draw() < 0.5 ? '2026-11-10' : '2026-12-24';
    const known = listOf(project, 'tradeDates').find(({ gate }) => gate === 'board');
    return [
      known ? update('tradeDates', known, { on }) : create('tradeDates', { id: `day${step}`, gate: 'board', on, from: '' }),
    ];
  },
};

function updateHeader({ project }: ProjectDocument, after: Partial<ProjectDocument['project']>): Operation {
  const before = Object.fromEntries(Object.keys(after).map((field) => [field, project[field as keyof typeof project]]));
  return { op: 'update', in: 'project', id: project.id, before, after } as unknown as Operation;
}

const TODAY = '2026-11-26';
const told = (findings: readonly Finding[]) =>
  findings.map(({ check, code, rank, subjects, measured, allowed, unit, figures }) => ({
    check,
    code,
    rank,
    subjects,
    measured,
    allowed,
    unit,
    figures,
  }));

describe('rules that are only asked again where something changed', () => {
  for (const [file, seed, steps] of [
    ['tollgate-cottage', 7, 36],
    ['ropewalk-flat', 11, 24],
  ] as const)
    it(`say after ${steps} edits of ${file}, and after going back, what they say of the whole house looked at anew`, () => {
      const read = readProjectFile(readFileSync(join(import.meta.dirname, `../../demo/${file}.spool.json`), 'utf8'));
      if (!read.ok) throw new Error(read.problem.code);
      let { project } = read.value;
      const draw = drawFrom(seed);
      const past: ProjectDocument[] = [project];
      const done = new Set<string>();
      for (let step = 0; step < steps; step++) {
        const what = step % 6 === 5 ? 'taken back' : pick(Object.keys(EDITS), draw);
        if (what === 'taken back') project = past[Math.max(0, past.length - 2 - Math.floor(draw() * 2))];
        else {
          const operations = EDITS[what](project, draw, step).flatMap((operation) => operation ?? []);
          const next = operations.length > 0 ? applyChange(project, { operations }) : null;
          if (!next?.ok) continue;
          project = next.value;
        }
        past.push(project);
        done.add(what);
        const now = told(runChecks(project, TODAY));
        // Nothing of a copy is the same object: all of it is looked at.
        const anew = structuredClone(project);
        expect(told(runChecks(anew, TODAY)), `step ${step}: ${what}`).to.deep.equal(now);
        // And once more as it was, which is what the next edit starts from.
        expect(told(runChecks(project, TODAY)), `step ${step} again: ${what}`).to.deep.equal(now);
      }
      expect(done.size, [...done].join(', ')).to.be.greaterThan(5);
    });
});
