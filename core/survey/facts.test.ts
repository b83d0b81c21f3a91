import { expect } from 'chai';
import fc from 'fast-check';
import { type Outcome, type Point2, rotate2 } from '../math/index.ts';
import {
  applyChange,
  create,
  type Feature,
  type FeatureKind,
  type FramingMember,
  newFeature,
  newOpening,
  type Operation,
  type ProjectDocument,
} from '../model/index.ts';
import { countedIds, smallHouse, twoStoreyHouse, withDevices } from '../testing/index.ts';
import {
  answerFact,
  atticContours,
  atticHeightAt,
  bayAt,
  factOf,
  FEATURE_MAKES,
  joistsOf,
  missingThings,
  ridgeHeight,
  snapDrawing,
  studsOf,
  surveyQuestions,
  wallFaces,
} from '../house/index.ts';
import { atticHeight, levelAlignment, planScale } from '../calculators/index.ts';
import { moveLevel, sharedPoints } from './align-levels.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const apply = (project: ProjectDocument, operations: readonly Operation[]) => must(applyChange(project, { operations }));
const member = (more: Partial<FramingMember>): Operation =>
  create('framingMembers', {
    id: 'fm',
    wallId: null,
    roomId: null,
    kind: 'stud',
    offsetM: 0,
    widthM: 0.045,
    bottomM: 0,
    topM: 2.5,
    present: true,
    note: '',
    ...more,
  });

describe('the scale of a plan', () => {
  it('from a second measurement tells the disagreement, warns above 1 %, and fits both axes (worked by hand)', () => {
    // 400 px across are 8 m: 0.02 m/px. 300 px up should be 6 m but are 6.3 m: 5 % more, 0.021 m/px up.
    const scale = must(planScale({ first: { dxPx: 400, dyPx: 0, lengthM: 8 }, second: { dxPx: 0, dyPx: 300, lengthM: 6.3 } }));
    expect(scale.disagreement).to.be.closeTo(0.05, 1e-12);
    expect(scale.warn).to.equal(true);
    expect(scale.perAxis!.metresPerPixelX).to.be.closeTo(0.02, 1e-12);
    expect(scale.perAxis!.metresPerPixelY).to.be.closeTo(0.021, 1e-12);
    // (8 * 400 + 6.3 * 300) / (400² + 300²)
    expect(scale.bestMetresPerPixel).to.be.closeTo(5090 / 250_000, 1e-12);
  });

  it('of exactly 1 % does not warn, and two measurements along one line say nothing of the other axis', () => {
    const scale = must(planScale({ first: { dxPx: 400, dyPx: 0, lengthM: 8 }, second: { dxPx: 200, dyPx: 0, lengthM: 4.04 } }));
    expect([scale.warn, scale.perAxis]).to.deep.equal([false, null]);
    expect(
      planScale({ first: { dxPx: 0, dyPx: 0, lengthM: 8 }, second: { dxPx: 1, dyPx: 0, lengthM: 1 } }),
    ).to.have.nested.property('problem.field', 'first');
  });
});

describe('the alignment of levels', () => {
  const points = [
    [0, 0],
    [9, 1],
    [3, 7],
  ] as const;
  it('finds any turn and shift back, without residual', () => {
    const angle = fc.double({ min: -3, max: 3, noNaN: true });
    const shift = fc.double({ min: -40, max: 40, noNaN: true });
    fc.assert(
      fc.property(angle, shift, shift, (turn, dx, dy) => {
        const found = must(
          levelAlignment({
            points: points.map(([movingX, movingY], n) => {
              const [x, y] = rotate2([movingX, movingY], turn);
              return { name: `P${n}`, x: x + dx, y: y + dy, movingX, movingY };
            }),
          }),
        );
        expect(Math.cos(found.turnRad - turn)).to.be.closeTo(1, 1e-9);
        expect([found.dx, found.dy, found.worstM].map((v, i) => v - [dx, dy, 0][i]).every((v) => Math.abs(v) < 1e-7)).to.equal(
          true,
        );
      }),
    );
  });

  it('shows the residual, and moves a level so that shared points lie above each other', () => {
    const house = apply(twoStoreyHouse(), [
      ...[
        ['m', 1, 1],
        ['u', 1.5, 1],
      ].map(([levelId, x, y], n) =>
        create('referencePoints', { id: `a${n}`, levelId: String(levelId), name: 'Chimney', x: Number(x), y: Number(y) }),
      ),
      ...[
        ['m', 9, 1],
        ['u', 9.5, 1.02],
      ].map(([levelId, x, y], n) =>
        create('referencePoints', { id: `b${n}`, levelId: String(levelId), name: 'Stair', x: Number(x), y: Number(y) }),
      ),
    ]);
    const alignment = must(levelAlignment({ points: sharedPoints(house, 'm', 'u') }));
    expect(alignment.worstM).to.be.greaterThan(0).and.lessThan(0.02);
    const moved = apply(house, moveLevel(house, 'u', alignment));
    for (const { x, y, movingX, movingY } of sharedPoints(moved, 'm', 'u'))
      expect(Math.hypot(x - movingX, y - movingY)).to.be.lessThan(0.011);
    expect(moved.walls.us.a[0]).to.be.closeTo(-0.5, 0.03);
    expect(moved.walls.south1).to.equal(house.walls.south1);
    expect(wallFaces(moved, 'u').faces).to.have.length(1);
  });
});

describe('framing', () => {
  it('of a wall follows the spacing rule, with an end stud each', () => {
    const house = smallHouse();
    const studs = studsOf(house, house.walls.middle).map(({ offsetM }) => Math.round(offsetM * 1e4) / 1e4);
    expect(studs[0]).to.equal(0.0225);
    expect(studs.slice(1, 4)).to.deep.equal([0.4, 0.8, 1.2]);
    expect(studs.at(-1)).to.equal(4.0775);
    const bay = bayAt(studsOf(house, house.walls.middle), 1.1)!;
    // 0.8 and 1.2 m with 45 mm studs leave 355 mm clear (ENGINEERING 8.2: 400 -> ~355), middle at 1.0.
    expect([bay.clearM, bay.middleM].map((v) => Math.round(v * 1e4) / 1e4)).to.deep.equal([0.355, 1]);
  });

  it('measured bay by bay takes the place of the rule there, and the rest stays assumed', () => {
    const house = apply(smallHouse(), [
      member({ wallId: 'middle', offsetM: 0.86 }),
      member({ id: 'gone', wallId: 'middle', offsetM: 1.6, present: false }),
    ]);
    const studs = studsOf(house, house.walls.middle);
    expect(studs.filter(({ measured }) => measured).map(({ offsetM }) => offsetM)).to.deep.equal([0.86]);
    expect(studs.some(({ offsetM }) => Math.abs(offsetM - 0.8) < 0.01 || Math.abs(offsetM - 1.6) < 0.01)).to.equal(false);
    expect(studs.find(({ offsetM }) => Math.abs(offsetM - 1.2) < 1e-9)!.measured).to.equal(false);
  });

  it('of a room is clipped to its outline and begins at the first joist', () => {
    const house = smallHouse({
      rooms: [
        {
          joistOffsetM: 0.15,
          polygon: [
            [0, 0],
            [5.1, 0],
            [5.1, 2],
            [3, 2],
            [3, 4.1],
            [0, 4.1],
          ],
        },
      ],
    });
    const joists = joistsOf(house, house.rooms.a);
    expect(joists.map(({ offsetM }) => Math.round(offsetM * 100) / 100).slice(0, 3)).to.deep.equal([0.15, 0.55, 0.95]);
    const long = joists.filter(({ offsetM }) => offsetM < 2).map(({ a, b }) => Math.round((b[0] - a[0]) * 100) / 100);
    expect(new Set(long)).to.deep.equal(new Set([5.1]));
    expect(joists.at(-1)!.b[0]).to.be.closeTo(3, 1e-6);
    expect(joistsOf(house, { ...house.rooms.a, framing: 'slab' })).to.deep.equal([]);
  });
});

describe('an attic', () => {
  it('is as high as its pitch makes it, and tells where one can crawl and drill', () => {
    // 40 degrees: tan = 0.8391; 1 m from the eaves with 0.1 m at the plate is 0.939 m.
    const attic = must(atticHeight({ pitchDeg: 40, distanceFromEavesM: 1, eavesHeightM: 0.1 }));
    expect(attic.heightM).to.be.closeTo(0.9391, 1e-4);
    expect([attic.canCrawl, attic.canKneel]).to.deep.equal([true, false]);
    expect(attic.crawlFromM).to.be.closeTo(0.5 / 0.8391, 1e-4);
    expect(must(atticHeight({ pitchDeg: 20, distanceFromEavesM: 9, ridgeHeightM: 0.5 })).crawlFromM).to.equal(null);
    expect(atticHeight({ pitchDeg: 20, distanceFromEavesM: 1, eavesHeightM: 1, ridgeHeightM: 0.5 })).to.have.nested.property(
      'problem.field',
      'ridgeHeightM',
    );
  });
});

describe('the space of an attic', () => {
  // 10 x 6 m, ridge along x, pitch of 45 degrees: as high as one is from the eaves, 3 m at the ridge.
  const attic = newFeature({
    id: 'a',
    levelId: 'm',
    kind: 'attic',
    area: true,
    points: [
      [0, 0],
      [10, 0],
      [10, 6],
      [0, 6],
    ],
    pitchRad: Math.PI / 4,
    bottomM: 2.8,
    topM: 2.8,
  });

  it('has a height at every point: from the eaves up to the ridge, capped by a collar, none outside', () => {
    expect(atticHeightAt(attic, [4, 1])).to.be.closeTo(1, 1e-9);
    expect(atticHeightAt(attic, [4, 3])).to.be.closeTo(3, 1e-9);
    expect(atticHeightAt(attic, [4, 5.5])).to.be.closeTo(0.5, 1e-9);
    expect(atticHeightAt({ ...attic, topM: 4.9 }, [4, 3])).to.be.closeTo(2.1, 1e-9);
    expect(atticHeightAt(attic, [4, 7])).to.equal(null);
    expect(atticHeightAt({ ...attic, pitchRad: null }, [4, 3])).to.equal(null);
    expect(ridgeHeight({ ...attic, facingRad: Math.PI / 2 })).to.be.closeTo(5, 1e-9);
  });

  it('is lined where one can drill, crawl, kneel and stand; each line lies at just that height', () => {
    const contours = atticContours({ ...attic, facingRad: Math.PI / 2, pitchRad: 0.3 });
    expect(contours.map((one) => one.for)).to.deep.equal(['drill', 'crawl', 'kneel']);
    for (const { heightM, lines } of contours) {
      expect(lines).to.have.length(2);
      for (const [a, b] of lines)
        for (const t of [0.1, 0.5, 0.9])
          expect(
            atticHeightAt({ ...attic, facingRad: Math.PI / 2, pitchRad: 0.3 }, [
              a[0] + (b[0] - a[0]) * t,
              a[1] + (b[1] - a[1]) * t,
            ]),
          ).to.be.closeTo(heightM, 1e-9);
    }
    expect(atticContours({ ...attic, topM: 3.3 })).to.have.length(1);
  });
});

describe('what is not known', () => {
  it('is asked level by level and room by room, until it is measured', () => {
    const house = smallHouse();
    const questions = surveyQuestions(house);
    expect(questions.slice(0, 4).map(({ id }) => id)).to.deep.equal([
      'levels/m/ceilingHeightM',
      'levels/m/cavityDepthM',
      'levels/m/floorBuildUpM',
      'rooms/a/ceilingHeightM',
    ]);
    const answered = apply(
      house,
      must(
        answerFact(
          house,
          { subject: 'rooms', subjectId: 'a', field: 'ceilingHeightM' },
          { value: 2.61, state: 'measured', by: 'Kim', on: '2026-11-25' },
          'f1',
        ),
      ),
    );
    expect(answered.rooms.a.ceilingHeightM).to.equal(2.61);
    expect(factOf(answered, 'rooms', 'a', 'ceilingHeightM')).to.include({ state: 'measured', by: 'Kim', on: '2026-11-25' });
    expect(surveyQuestions(answered)).to.have.length(questions.length - 1);
    const unknown = apply(
      answered,
      must(
        answerFact(
          answered,
          { subject: 'rooms', subjectId: 'a', field: 'ceilingHeightM' },
          { state: 'not-known', by: 'Kim', on: '2026-11-26' },
          'f2',
        ),
      ),
    );
    expect(surveyQuestions(unknown).find(({ id }) => id === 'rooms/a/ceilingHeightM')).to.include({
      state: 'not-known',
      now: 2.61,
    });
    const assumed = apply(
      unknown,
      must(
        answerFact(
          unknown,
          { subject: 'rooms', subjectId: 'a', field: 'ceilingHeightM' },
          { state: 'assumed', by: '', on: '' },
          'f3',
        ),
      ),
    );
    expect(Object.keys(assumed.facts)).to.deep.equal([]);
  });

  it('asks what is hidden behind tiles and panels, in found things, beams, ducts and attics, as a choice, a length or in words', () => {
    const thing = (id: string, kind: FeatureKind, more: Partial<Feature> = {}) =>
      create('features', newFeature({ id, levelId: 'm', kind, points: [[1, 1]], ...more }));
    const house = apply(
      withDevices(
        smallHouse({ walls: { south1: { finishRight: 'tiles on board' } } }),
        [{ typeId: 'display', at: [1, 0.05] }],
        countedIds(),
      ).project,
      [
        thing('wire', 'existing-wiring', {
          points: [
            [1, 1],
            [3, 1],
          ],
          contents: 'six coax leads',
        }),
        thing('bracket', 'existing-bracket', { condition: 'sound' }),
        thing('switch', 'existing-switch-box'),
        thing('duct', 'duct', {
          points: [
            [1, 2],
            [4, 2],
          ],
        }),
        thing('beam', 'beam', {
          points: [
            [1, 3],
            [4, 3],
          ],
        }),
        thing('attic', 'attic', {
          points: [
            [0, 0],
            [5, 0],
            [5, 4],
            [0, 4],
          ],
          area: true,
        }),
      ],
    );
    const asked = surveyQuestions(house);
    const ids = asked.map(({ id }) => id);
    expect(ids).to.include.members([
      'walls/south1/substrate',
      'features/wire/tested',
      'features/wire/decision',
      'features/bracket/substrate',
      'features/switch/neutral',
      'features/switch/partners',
      'features/duct/bottomM',
      'features/beam/topM',
      'features/attic/pitchRad',
      'features/attic/contents',
    ]);
    // What its words say already is not asked.
    expect(ids).to.not.include('features/bracket/condition');
    expect(ids).to.not.include('features/wire/contents');
    const tested = asked.find(({ id }) => id === 'features/wire/tested')!;
    expect(tested).to.deep.include({ kind: 'choice', choices: ['measured', 'not-known'], roomId: 'a', neededBy: 'cabling' });
    const answered = apply(
      house,
      must(answerFact(house, tested, { value: 'measured', state: 'measured', by: 'Kim', on: '2026-11-25' }, 'f9')),
    );
    expect(answered.features.wire.tested).to.equal('measured');
    expect(surveyQuestions(answered).map(({ id }) => id)).to.not.include('features/wire/tested');
  });

  it('asks for the hardware of a door with a contact or lock', () => {
    const door = newOpening({ id: 'door', wallId: 'south1', kind: 'door', offsetM: 2, widthM: 0.9, sillM: 0, headM: 2.05 });
    const bare = smallHouse({ openings: [door] });
    const ids = (house: ProjectDocument) => surveyQuestions(house).map(({ id }) => id);
    expect(ids(bare)).to.not.include('openings/door/hardware');
    const locked = withDevices(bare, [{ typeId: 'electric-lock', at: [2.6, 0.05] }], countedIds()).project;
    expect(ids(locked)).to.include('openings/door/hardware');
  });

  it('asks for hidden cavities, and for things that every house has', () => {
    const house = smallHouse({ walls: { west: { kind: 'closed' } } });
    expect(surveyQuestions(house).map(({ id }) => id))
      .to.include('walls/west/cavityDepthM')
      .and.not.include('walls/east/cavityDepthM');
    expect(missingThings(house).map(({ kind }) => kind)).to.deep.equal(['service-entry', 'service-panel']);
    const panel = newFeature({ id: 'p', levelId: 'm', kind: 'service-panel', points: [[1, 1]] });
    expect(missingThings(apply(house, [create('features', panel)])).map(({ kind }) => kind)).to.deep.equal(['service-entry']);
  });
});

describe('drawing snaps', () => {
  const walls: { a: Point2; b: Point2 }[] = [
    { a: [0, 0], b: [6, 0] },
    { a: [6, 0], b: [6, 4] },
  ];
  const sources = { walls, gridAngleRad: 0, gridM: 0.05, angleLockRad: 0 };
  const snap = (p: Point2, more: object = {}) => snapDrawing(p, { ...sources, ...more }, 0.2);

  it('to ends before middles, walls, extensions and the grid, and names what it snapped to', () => {
    expect(snap([5.9, 0.1])).to.deep.include({ kind: 'end', point: [6, 0] });
    expect(snap([3.05, 0.1])).to.deep.include({ kind: 'middle', point: [3, 0] });
    expect(snap([1.5, 0.1])).to.deep.include({ kind: 'wall', point: [1.5, 0] });
    expect(snap([3, 3.95])).to.deep.include({ kind: 'extension', point: [3, 4] });
    expect(snap([3.02, 2.04]).kind).to.equal('grid');
    expect(
      snap([2, 2], {
        underlayLines: [
          [
            [1, 2.1],
            [4, 2.1],
          ],
        ],
      }),
    ).to.deep.include({ kind: 'underlay', point: [2, 2.1] });
  });

  it('at right angles from the last corner, onto walls, and to a foot square on them', () => {
    expect(snap([2.05, 3], { from: [2, 1] })).to.deep.include({ kind: 'angle', point: [2, 3] });
    expect(snap([5.9, 2.05], { from: [2, 2] })).to.deep.include({ point: [6, 2] });
    expect(snap([2.1, 0.05], { from: [2.08, 2] }).kind).to.equal('perpendicular');
    const { point, kind } = snap([4, 2.1], { from: [2, 1], angleLockRad: Math.PI / 12 });
    expect(kind).to.equal('angle');
    expect(Math.atan2(point[1] - 1, point[0] - 2)).to.be.closeTo(Math.PI / 6, 1e-9);
  });

  it('in line with corners drawn before, also along a locked direction', () => {
    const corners: Point2[] = [
      [1, 6],
      [4, 6],
      [4, 9],
    ];
    const locked = { from: [4, 9] as Point2, corners, angleLockRad: Math.PI / 12 };
    // Back to the left at the height of the last corner: above the first one, square to both.
    expect(snap([1.08, 9.05], locked)).to.deep.include({ kind: 'extension', point: [1, 9] });
    expect(snap([2.4, 9.05], locked).kind).to.equal('angle');
  });

  it('never moves a point farther than it reaches', () => {
    const c = fc.double({ min: -1, max: 8, noNaN: true });
    fc.assert(
      fc.property(c, c, (x, y) => {
        const { point } = snap([x, y], {
          underlayLines: [
            [
              [1, 2.1],
              [4, 2.1],
            ],
          ],
        });
        expect(Math.hypot(point[0] - x, point[1] - y)).to.be.at.most(0.2 * Math.SQRT2);
      }),
    );
  });
});

describe('the kinds of things', () => {
  it('are each listed once, with a shape and heights that stand upright', () => {
    expect(new Set(FEATURE_MAKES.map(({ kind }) => kind)).size).to.equal(FEATURE_MAKES.length);
    for (const { kind, bottomM, topM, shape, widthM } of FEATURE_MAKES) {
      expect(topM === null || topM >= bottomM, kind).to.equal(true);
      if (shape !== 'area') expect(widthM, kind).to.be.greaterThan(0);
    }
  });
});
