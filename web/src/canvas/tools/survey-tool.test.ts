import { featureMake, type Snap } from '@dusky-spool/core/house';
import { type Point2, tidyM } from '@dusky-spool/core/math';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import { WALL_BUILDS } from '@dusky-spool/core/survey';
import { applied, smallHouse } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import type { Pointer } from './draw-walls.ts';
import {
  clickTool,
  drawnPoints,
  finishTool,
  leaveTool,
  SELECT,
  type SurveyTool,
  type ToolContext,
  openingTool,
  targetOf,
  type ToolStep,
  featureTool,
  MEASURE,
  typedText,
  typeInTool,
  wallsTool,
} from './survey-tool.ts';

/** The pointer at a point that holds it to nothing but, for walls, square to the corner before. */
const pointAt = (at: Point2, kind: Snap['kind'] = 'none'): Pointer => ({ at, snap: { point: at, kind, guides: [] } });

/** A survey sheet without a screen: every step is done, and its edit applied. */
function sheet(start: ProjectDocument = smallHouse(), first: SurveyTool = SELECT, more: Partial<ToolContext> = {}) {
  let count = 0;
  let project = start;
  let tool = first;
  const steps: ToolStep[] = [];
  const context = (): ToolContext => ({
    ...{ project, levelId: 'm', between: 'centres', gridM: 0, closeReachM: 0.3 },
    newSurveyId: (kind) => `${kind}_${++count}`,
    newId: (prefix) => `${prefix}_${++count}`,
    ...more,
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
  const target = (pointer: Pointer | null) => targetOf(tool, pointer, context());
  const press = (key: string, pointer: Pointer | null = null) => take(typeInTool(tool, key, pointer, context()));
  return {
    click(x: number, y: number, kind: Snap['kind'] = 'none') {
      const shown = target(pointAt([x, y], kind));
      return shown ? take(clickTool(tool, shown, context()))! : {};
    },
    target,
    press,
    /** Types a text, then keys, with the pointer at a place. */
    type(words: string, pointer: Pointer | null = null, ...keys: string[]) {
      for (const key of words) press(key, pointer);
      const shown = target(pointer);
      for (const key of keys) press(key, pointer);
      return shown;
    },
    finish: () => take(finishTool(tool, context()))!,
    leave: () => take(leaveTool(tool))!,
    drawn: () => drawnPoints(tool, context()).map(([x, y]): Point2 => [tidyM(x), tidyM(y)]),
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
const ends = (project: ProjectDocument) => walls(project).map(({ a, b }) => [a, b]);

describe('drawing walls on the survey sheet', () => {
  const empty = (): ProjectDocument => ({ ...smallHouse(), walls: {}, rooms: {}, racks: {} });
  const draw = (more: Partial<ToolContext> = {}, kind: keyof typeof WALL_BUILDS = 'stud') =>
    sheet(empty(), wallsTool(WALL_BUILDS[kind]), more);
  const typedIn = (one: ReturnType<typeof sheet>) => typedText(one.tool);

  it('builds a room when the chain closes on its first corner', () => {
    const one = draw();
    for (const at of [
      [0, 0],
      [4, 0],
      [4, 3],
      [0, 3],
    ] as [number, number][])
      expect(one.click(...at).edit).to.equal(undefined);
    expect(one.drawn()).to.have.length(4);
    one.click(0, 0);
    expect(walls(one.project)).to.have.length(4);
    expect(Object.keys(one.project.rooms)).to.have.length(1);
    expect(one.drawn()).to.deep.equal([]);
    expect(one.tool.kind).to.equal('walls');
  });

  it('closes within reach of the first corner, however near the screen is, and says so before', () => {
    for (const closeReachM of [0.02, 0.9]) {
      const one = draw({ closeReachM });
      for (const at of [
        [0, 0],
        [4, 0],
        [4, 3],
      ] as [number, number][])
        one.click(...at);
      const near = one.target(pointAt([closeReachM * 0.7, closeReachM * 0.6]))!;
      expect(near.kind === 'walls' && near.walls.closes).to.equal(true);
      const beside = one.target(pointAt([closeReachM, closeReachM]))!;
      expect(beside.kind === 'walls' && beside.walls.closes).to.equal(false);
      one.click(closeReachM * 0.7, closeReachM * 0.6);
      expect(ends(one.project).at(-1)).to.deep.equal([
        [4, 3],
        [0, 0],
      ]);
    }
  });

  it('ends an open chain at Enter, and closes one at C', () => {
    const one = draw({}, 'masonry');
    one.click(0, 0);
    one.click(5, 0);
    expect(one.press('c')?.hint).to.be.a('string');
    one.press('Enter');
    expect(walls(one.project).map(({ a, b, kind }) => [a, b, kind])).to.deep.equal([[[0, 0], [5, 0], 'masonry']]);
    const other = draw();
    other.click(0, 0);
    other.type('4', null, 'ArrowRight');
    other.type('3', null, 'ArrowUp');
    other.press('c');
    expect(ends(other.project)).to.have.length(3);
  });

  it('sets a typed length exactly where the preview shows it, square where angles are locked', () => {
    const one = draw();
    one.click(0, 0);
    // A hand is never square: the pointer is 2 degrees off.
    const shown = one.type('3', pointAt([1, 0.035]), 'Enter')!;
    expect([tidyM(shown.point[0]), tidyM(shown.point[1])]).to.deep.equal([3, 0]);
    expect(one.drawn()).to.deep.equal([
      [0, 0],
      [3, 0],
    ]);
    const free = draw();
    free.press('l');
    free.click(0, 0);
    const slanted = free.type('3', pointAt([1, 0.035]), 'Enter')!;
    expect(Math.hypot(...slanted.point)).to.be.closeTo(3, 1e-9);
    expect(slanted.point[1]).to.be.greaterThan(0.1);
    expect(free.drawn()[1]).to.deep.equal([tidyM(slanted.point[0]), tidyM(slanted.point[1])]);
  });

  it('draws a flat of 10 x 8 m inside by lengths and arrows, or by its two sides', () => {
    for (const entries of [['10ArrowRight', '8ArrowUp', '10ArrowLeft', 'c'], ['10x8Enter']]) {
      const one = draw({ between: 'faces' });
      one.click(0, 0);
      for (const entry of entries) {
        const [, words, key] = /^([\dx]*)(\w+)$/.exec(entry)!;
        one.type(words, null, key);
      }
      expect(ends(one.project)).to.deep.equal([
        [
          [0, 0],
          [10.115, 0],
        ],
        [
          [10.115, 0],
          [10.115, 8.115],
        ],
        [
          [10.115, 8.115],
          [0, 8.115],
        ],
        [
          [0, 8.115],
          [0, 0],
        ],
      ]);
    }
  });

  it('draws the rectangle to the side where the pointer is', () => {
    const one = draw();
    one.click(0, 0);
    one.type('10x8', pointAt([-1, -2]), 'Enter');
    expect(walls(one.project).flatMap(({ a }) => [a])).to.deep.include([-10, -8]);
  });

  it('begins a wall at a typed distance from the corner of a wall, and ends it in the wall across', () => {
    const house = smallHouse();
    const one = sheet(house, wallsTool(WALL_BUILDS.stud), { between: 'faces' });
    one.type('2', pointAt([2.3, 0], 'wall'), 'Enter');
    const { thicknessM } = house.walls.west;
    const start = tidyM(thicknessM / 2 + 2 + WALL_BUILDS.stud.thicknessM / 2);
    expect(one.drawn()).to.deep.equal([[start, 0]]);
    // The wall across is at 4.1 m on its centre line.
    one.type((4.1 - house.walls.south1.thicknessM).toFixed(3), null, 'ArrowUp');
    // There it is done: nobody ends it.
    expect(one.drawn()).to.deep.equal([]);
    const made = walls(one.project).find(({ id }) => !house.walls[id])!;
    expect([made.a, made.b]).to.deep.equal([
      [start, 0],
      [start, 4.1],
    ]);
  });

  it('holds points on walls to the grid, from the face of the corner', () => {
    const one = sheet(smallHouse(), wallsTool(WALL_BUILDS.stud), { between: 'faces', gridM: 0.05 });
    const shown = one.target(pointAt([1.513, 0], 'wall'));
    const length = shown?.kind === 'walls' && shown.walls.length;
    expect(length && Math.abs(length.lengthM / 0.05 - Math.round(length.lengthM / 0.05))).to.be.lessThan(1e-6);
  });

  it('takes a length with its angle, and feet and inches', () => {
    const one = draw();
    one.click(1, 1);
    const up = one.type('2<90', pointAt([9, 1]), 'Enter')!;
    expect(up.point[0]).to.be.closeTo(1, 1e-9);
    expect(up.point[1]).to.be.closeTo(3, 1e-9);
    expect(one.type(`10'`, pointAt([9, 3]))!.point[0]).to.be.closeTo(1 + 3.048, 1e-6);
  });

  it('says what Enter waits for where a length cannot be read, and keeps what was typed', () => {
    const one = draw();
    one.click(0, 0);
    expect(one.type('..', pointAt([1, 0]))).to.equal(null);
    expect(one.press('Enter', pointAt([1, 0]))?.hint).to.not.equal(undefined);
    expect(typedIn(one)).to.equal('..');
  });

  it('takes typed characters back one by one, then corners', () => {
    const one = draw();
    one.click(0, 0);
    one.click(4, 0);
    one.type('25', pointAt([9, 0]));
    one.press('Backspace');
    expect(typedIn(one)).to.equal('2');
    one.press('Backspace');
    one.press('Backspace');
    expect(one.drawn()).to.deep.equal([[0, 0]]);
  });

  it('does not take keys that are no length, nor Enter and Backspace with nothing drawn', () => {
    const one = draw();
    for (const key of ['q', 'Enter', 'Backspace', 'c', '<', 'x', 'ArrowUp']) expect(one.press(key), key).to.equal(null);
    one.click(0, 0);
    expect(one.press('5')).to.not.equal(null);
    expect(one.press('q')).to.equal(null);
  });

  it('locks angles from the start, and frees them with L', () => {
    const one = draw();
    const isLocked = () => one.tool.kind === 'walls' && one.tool.draw.angleLock;
    expect(isLocked()).to.equal(true);
    one.press('l');
    expect(isLocked()).to.equal(false);
    one.press('L');
    expect(isLocked()).to.equal(true);
  });

  it('leaves in two steps: the chain, then the tool, then the selection', () => {
    const one = draw();
    one.click(0, 0);
    one.leave();
    expect([one.tool.kind, one.drawn().length]).to.deep.equal(['walls', 0]);
    one.leave();
    expect(one.tool.kind).to.equal('select');
    expect(one.leave().select).to.deep.equal({ kind: 'none', ids: [] });
    expect(walls(one.project)).to.deep.equal([]);
  });
});

describe('placing on the survey sheet', () => {
  it('puts an opening into the wall that is near, and selects it', () => {
    const one = sheet(smallHouse(), openingTool('door'));
    const step = one.click(2.5, 0.3);
    const [opening] = Object.values(one.project.openings);
    expect(opening).to.deep.include({ wallId: 'south1', kind: 'door', offsetM: 2.5, hinge: 'start', swing: 'left' });
    expect(step.select).to.deep.equal({ kind: 'opening', ids: [opening.id] });
    expect(one.tool.kind).to.equal('opening');
  });

  it('keeps an opening inside its wall', () => {
    const one = sheet(smallHouse(), openingTool('window'));
    one.click(0.1, 0);
    const [{ offsetM, widthM, hinge }] = Object.values(one.project.openings);
    expect([offsetM, hinge]).to.deep.equal([widthM / 2, null]);
  });

  it('puts it at a typed distance from the corner to its jamb, and refuses one that does not fit', () => {
    const house = smallHouse();
    const one = sheet(house, openingTool('door'), { between: 'faces', gridM: 0.05 });
    const shown = one.type('0.8', pointAt([1.9, 0.2]), 'Enter')!;
    const [door] = Object.values(one.project.openings);
    expect(door.offsetM).to.equal(tidyM(house.walls.west.thicknessM / 2 + 0.8 + 0.45));
    expect(shown.point[0]).to.be.closeTo(door.offsetM, 1e-9);
    expect(typedText(one.tool)).to.equal('');
    one.type('9', pointAt([1.9, 0.2]), 'Enter');
    expect(Object.keys(one.project.openings)).to.have.length(1);
    expect(typedText(one.tool)).to.equal('9');
  });

  it('says so where no wall is near', () => {
    const one = sheet(smallHouse(), openingTool('door'));
    const step = one.click(2.5, 2);
    expect(step.hint).to.be.a('string').and.not.equal('');
    expect(one.project.openings).to.deep.equal({});
  });

  it('places a thing at a click, a beam at two, and an area when it closes or ends', () => {
    const sofa = sheet(smallHouse(), featureTool(featureMake('sofa')));
    sofa.click(1, 1);
    sofa.click(3, 1);
    expect(Object.values(sofa.project.features).map(({ points }) => points)).to.deep.equal([[[1, 1]], [[3, 1]]]);

    const beam = sheet(smallHouse(), featureTool(featureMake('beam')));
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
    const one = sheet(smallHouse(), featureTool(make));
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
    expect(one.drawn()).to.deep.equal([]);
  });

  it('leads a conduit by typed lengths exactly where the preview shows them', () => {
    const make = { ...featureMake('beam'), kind: 'conduit', shape: 'line' } as ReturnType<typeof featureMake>;
    const one = sheet(smallHouse(), featureTool(make));
    one.click(0, 1);
    const [first, second] = [one.type('2.5', pointAt([3, 1.04]), 'Enter')!, one.type('0.75<90', pointAt([9, 9]), 'Enter')!];
    one.finish();
    const [{ points }] = Object.values(one.project.features);
    expect(points).to.deep.equal([[0, 1], first.point, second.point]);
    expect(Math.hypot(first.point[0], first.point[1] - 1)).to.be.closeTo(2.5, 1e-9);
    expect(second.point[0] - first.point[0]).to.be.closeTo(0, 1e-9);
    expect(Math.abs(second.point[1] - first.point[1])).to.be.closeTo(0.75, 1e-9);
  });

  it('does not end a line of one point', () => {
    const make = { ...featureMake('beam'), kind: 'conduit', shape: 'line' } as ReturnType<typeof featureMake>;
    const one = sheet(smallHouse(), featureTool(make));
    one.click(0, 1);
    expect(one.press('Enter')).to.equal(null);
    expect(one.finish()).to.deep.equal({});
    expect(one.drawn()).to.have.length(1);
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
    const one = sheet(smallHouse(), MEASURE);
    one.click(0, 0);
    one.click(3, 0);
    expect(Object.values(one.project.dimensions).map(({ a, b }) => [a, b])).to.deep.equal([
      [
        [0, 0],
        [3, 0],
      ],
    ]);
    expect(one.tool).to.deep.equal(MEASURE);
    one.click(0, 0);
    one.type('1.5', null, 'ArrowUp');
    const { a, b } = Object.values(one.project.dimensions).at(-1)!;
    expect([a, b]).to.deep.equal([
      [0, 0],
      [0, 1.5],
    ]);
    expect(one.tool).to.deep.equal(MEASURE);
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
