import { featureMake } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import { WALL_BUILDS } from '@dusky-spool/core/survey';
import { applied, smallHouse } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import {
  clickTool,
  drawnPoints,
  finishTool,
  leaveTool,
  SELECT,
  type SurveyTool,
  type ToolContext,
  type ToolStep,
  typedTarget,
  typeInTool,
  wallsTool,
} from './survey-tool.ts';

/** A survey sheet without a screen: every step is done, and its edit applied. */
function sheet(start: ProjectDocument = smallHouse(), first: SurveyTool = SELECT) {
  let count = 0;
  let project = start;
  let tool = first;
  const steps: ToolStep[] = [];
  const context = (): ToolContext => ({
    project,
    levelId: 'm',
    newSurveyId: (kind) => `${kind}_${++count}`,
    newId: (prefix) => `${prefix}_${++count}`,
  });
  const take = (step: ToolStep | null) => {
    if (!step) return null;
    steps.push(step);
    if (step.edit) {
      const operations = ('ok' in step.edit.operations ? step.edit.operations : { ok: true, value: step.edit.operations }) as {
        ok: boolean;
        value: readonly Operation[];
      };
      if (!operations.ok) return step;
      project = applied(project, operations.value);
    }
    if (step.tool) tool = step.tool;
    return step;
  };
  return {
    click: (...at: [number, number]) => take(clickTool(tool, at, context()))!,
    type: (key: string, target: Point2 | null = null) => take(typeInTool(tool, key, target, context())),
    typeText(text: string, towards: Point2) {
      for (const key of text) take(typeInTool(tool, key, null, context()));
      return typedTarget(tool, towards, context());
    },
    finish: () => take(finishTool(tool, context()))!,
    leave: () => take(leaveTool(tool))!,
    target: (towards: Point2) => typedTarget(tool, towards, context()),
    get tool() {
      return tool;
    },
    get project() {
      return project;
    },
    steps,
  };
}
const walls = (project: ProjectDocument) => Object.values(project.walls);

describe('drawing walls on the survey sheet', () => {
  const empty = (): ProjectDocument => ({ ...smallHouse(), walls: {}, rooms: {}, racks: {} });

  it('builds a room when the chain closes on its first corner', () => {
    const one = sheet(empty(), wallsTool(WALL_BUILDS.stud));
    for (const at of [
      [0, 0],
      [4, 0],
      [4, 3],
      [0, 3],
    ] as [number, number][])
      expect(one.click(...at).edit).to.equal(undefined);
    expect(drawnPoints(one.tool)).to.have.length(4);
    one.click(0, 0);
    expect(walls(one.project)).to.have.length(4);
    expect(Object.keys(one.project.rooms)).to.have.length(1);
    expect(drawnPoints(one.tool)).to.deep.equal([]);
    expect(one.tool.kind).to.equal('walls');
  });

  it('ends an open chain at Enter', () => {
    const one = sheet(empty(), wallsTool(WALL_BUILDS.masonry));
    one.click(0, 0);
    one.click(5, 0);
    one.type('Enter');
    expect(walls(one.project).map(({ a, b, kind }) => [a, b, kind])).to.deep.equal([[[0, 0], [5, 0], 'masonry']]);
  });

  it('sets a typed length exactly where the preview shows it', () => {
    const one = sheet(empty(), wallsTool(WALL_BUILDS.stud));
    one.click(0, 0);
    const target = one.typeText('3', [1, 0.03])!;
    expect(Math.hypot(...target)).to.be.closeTo(3, 1e-9);
    one.type('Enter', target);
    const [, corner] = drawnPoints(one.tool);
    expect(Math.hypot(corner[0] - target[0], corner[1] - target[1])).to.be.lessThan(0.001);
  });

  it('takes a length with its angle, and feet and inches', () => {
    const one = sheet(empty(), wallsTool(WALL_BUILDS.stud));
    one.click(1, 1);
    const up = one.typeText('2<90', [9, 1])!;
    expect(up[0]).to.be.closeTo(1, 1e-9);
    expect(up[1]).to.be.closeTo(3, 1e-9);
    one.type('Enter', up);
    expect(one.typeText(`10'`, [9, 3])![0]).to.be.closeTo(1 + 3.048, 1e-6);
  });

  it('says what Enter waits for where a length cannot be read, and keeps what was typed', () => {
    const one = sheet(empty(), wallsTool(WALL_BUILDS.stud));
    one.click(0, 0);
    expect(one.typeText('..', [1, 0])).to.equal(null);
    expect(one.type('Enter', null)?.hint).to.not.equal(undefined);
    expect(one.tool.kind === 'walls' && one.tool.draw.typed).to.equal('..');
  });

  it('takes typed characters back one by one, then corners', () => {
    const one = sheet(empty(), wallsTool(WALL_BUILDS.stud));
    one.click(0, 0);
    one.click(4, 0);
    one.typeText('25', [9, 0]);
    one.type('Backspace');
    expect(one.tool.kind === 'walls' && one.tool.draw.typed).to.equal('2');
    one.type('Backspace');
    one.type('Backspace');
    expect(drawnPoints(one.tool)).to.deep.equal([[0, 0]]);
  });

  it('does not take keys that are no length, and numbers only after a first corner', () => {
    const one = sheet(empty(), wallsTool(WALL_BUILDS.stud));
    expect(one.type('5')).to.equal(null);
    expect(one.type('q')).to.equal(null);
    one.click(0, 0);
    expect(one.type('5')).to.not.equal(null);
    expect(one.type('q')).to.equal(null);
  });

  it('locks angles with L', () => {
    const one = sheet(empty(), wallsTool(WALL_BUILDS.stud));
    one.type('l');
    expect(one.tool.kind === 'walls' && one.tool.draw.angleLock).to.equal(true);
    one.type('L');
    expect(one.tool.kind === 'walls' && one.tool.draw.angleLock).to.equal(false);
  });

  it('leaves in two steps: the chain, then the tool, then the selection', () => {
    const one = sheet(empty(), wallsTool(WALL_BUILDS.stud));
    one.click(0, 0);
    one.leave();
    expect([one.tool.kind, drawnPoints(one.tool).length]).to.deep.equal(['walls', 0]);
    one.leave();
    expect(one.tool.kind).to.equal('select');
    expect(one.leave().select).to.deep.equal({ kind: 'none', ids: [] });
    expect(walls(one.project)).to.deep.equal([]);
  });
});

describe('placing on the survey sheet', () => {
  it('puts an opening into the wall that is near, and selects it', () => {
    const one = sheet(smallHouse(), { kind: 'opening', opening: 'door' });
    const step = one.click(2.5, 0.3);
    const [opening] = Object.values(one.project.openings);
    expect(opening).to.deep.include({ wallId: 'south1', kind: 'door', offsetM: 2.5, hinge: 'start', swing: 'left' });
    expect(step.select).to.deep.equal({ kind: 'opening', ids: [opening.id] });
    expect(one.tool.kind).to.equal('opening');
  });

  it('keeps an opening inside its wall', () => {
    const one = sheet(smallHouse(), { kind: 'opening', opening: 'window' });
    one.click(0.1, 0);
    const [{ offsetM, widthM, hinge }] = Object.values(one.project.openings);
    expect([offsetM, hinge]).to.deep.equal([widthM / 2, null]);
  });

  it('says so where no wall is near', () => {
    const one = sheet(smallHouse(), { kind: 'opening', opening: 'door' });
    const step = one.click(2.5, 2);
    expect(step.hint).to.be.a('string').and.not.equal('');
    expect(one.project.openings).to.deep.equal({});
  });

  it('places a thing at a click, a beam at two, and an area when it closes or ends', () => {
    const sofa = sheet(smallHouse(), { kind: 'feature', make: featureMake('sofa'), points: [] });
    sofa.click(1, 1);
    sofa.click(3, 1);
    expect(Object.values(sofa.project.features).map(({ points }) => points)).to.deep.equal([[[1, 1]], [[3, 1]]]);

    const beam = sheet(smallHouse(), { kind: 'feature', make: featureMake('beam'), points: [] });
    beam.click(0, 2);
    expect(beam.project.features).to.deep.equal({});
    beam.click(5, 2);
    expect(Object.values(beam.project.features)[0]).to.deep.include({
      kind: 'beam',
      points: [
        [0, 2],
        [5, 2],
      ],
    });
  });

  it('does not set the second click of a double click as a point', () => {
    const make = { ...featureMake('beam'), kind: 'conduit', shape: 'line' } as ReturnType<typeof featureMake>;
    const one = sheet(smallHouse(), { kind: 'feature', make, points: [] });
    one.click(0, 1);
    one.click(2, 1);
    one.click(2, 3);
    one.click(2, 3);
    one.finish();
    const [{ points }] = Object.values(one.project.features);
    expect(points).to.deep.equal([
      [0, 1],
      [2, 1],
      [2, 3],
    ]);
    expect(drawnPoints(one.tool)).to.deep.equal([]);
  });

  it('does not end a line of one point', () => {
    const make = { ...featureMake('beam'), kind: 'conduit', shape: 'line' } as ReturnType<typeof featureMake>;
    const one = sheet(smallHouse(), { kind: 'feature', make, points: [] });
    one.click(0, 1);
    expect(one.type('Enter')).to.equal(null);
    expect(one.finish()).to.deep.equal({});
    expect(drawnPoints(one.tool)).to.have.length(1);
  });

  it('places a rack with the next free code, selects it and puts the tool away', () => {
    const one = sheet(smallHouse(), { kind: 'rack' });
    const step = one.click(2, 2);
    const added = Object.values(one.project.racks).find(({ id }) => id !== 'rack')!;
    expect(added.code).to.equal('B');
    expect(step.select).to.deep.equal({ kind: 'rack', ids: [added.id] });
    expect(one.tool.kind).to.equal('select');
  });

  it('places a riser', () => {
    const one = sheet(smallHouse(), { kind: 'riser' });
    one.click(2, 2);
    expect(Object.values(one.project.risers)).to.have.length(1);
  });

  it('measures between two clicks and goes on measuring', () => {
    const one = sheet(smallHouse(), { kind: 'measure', first: null });
    one.click(0, 0);
    one.click(3, 0);
    expect(Object.values(one.project.dimensions).map(({ a, b }) => [a, b])).to.deep.equal([
      [
        [0, 0],
        [3, 0],
      ],
    ]);
    expect(one.tool).to.deep.equal({ kind: 'measure', first: null });
  });

  it('asks for the length after two points of a picture, and for a name at a reference point', () => {
    const scale = sheet(smallHouse(), { kind: 'scale', underlayId: 'u1', points: [] });
    expect(scale.click(0, 0).question).to.equal(undefined);
    expect(scale.click(5, 0).question).to.deep.equal({ kind: 'scale', underlayId: 'u1', first: [0, 0], second: [5, 0] });
    expect(scale.tool.kind).to.equal('select');
    const crop = sheet(smallHouse(), { kind: 'crop', underlayId: 'u1', first: null });
    crop.click(1, 1);
    expect(crop.click(2, 2).question).to.deep.equal({ kind: 'crop', underlayId: 'u1', first: [1, 1], second: [2, 2] });
    expect(sheet(smallHouse(), { kind: 'reference' }).click(1.23456, 2).question).to.deep.equal({
      kind: 'reference',
      at: [1.2346, 2],
    });
  });
});
