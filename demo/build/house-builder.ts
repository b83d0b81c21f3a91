import { designHeadEnd, zonesByRoom } from '../../core/head-end/index.ts';
import { edited } from '../../core/derive/index.ts';
import { CABLE_TYPES, CONDUCTOR_MAPS, DEVICE_TYPES, moveDevices, placeDevice } from '../../core/devices/index.ts';
import { curesFor, runChecks } from '../../core/rules/index.ts';
import { readPackage } from '../../core/brief/index.ts';
import { buildingOf, featureMake, nearestWall, usualSize } from '../../core/house/index.ts';
import { crossingParameters, type Outcome, type Point2 } from '../../core/math/index.ts';
import {
  checkIntegrity,
  create,
  emptyProject,
  type Feature,
  newFeature,
  newLevel,
  newOpening,
  newRack,
  newRiser,
  newRoom,
  newWall,
  type Opening,
  type Operation,
  type ProjectDocument,
  type ProjectHeader,
  type Room,
  update,
  type Wall,
} from '../../core/model/index.ts';

/** The day on which the demo houses were drawn: what is due is reckoned from then. */
export const DRAWN_ON = '2026-11-25';

/** A room given as corners; most are boxes. */
export interface RoomPlan {
  readonly code: string;
  readonly name: string;
  readonly use: string;
  readonly box: readonly [x0: number, y0: number, x1: number, y1: number];
  readonly ceilingHeightM?: number;
  readonly framing?: Room['framing'];
  readonly joistAngleRad?: number;
}

type WallBuild = Pick<Wall, 'kind' | 'thicknessM' | 'cavityDepthM' | 'cableMayRun'>;

/** The firm of the demo on every plan; the houses look north up and a little to the right. */
const TITLE_BLOCK = {
  firm: 'Tidewrack Integration',
  firmContact: '4 Slipway Yard · office@tidewrack.example',
  northRad: (72 * Math.PI) / 180,
} as const;

/** Draws a demo house by the same operations that a person's edits make. Ids count up, so the file never changes by itself. */
export class HouseBuilder {
  project: ProjectDocument;
  private readonly counts = new Map<string, number>();

  constructor(header: ProjectHeader) {
    this.project = emptyProject({ ...header, ...TITLE_BLOCK });
    this.apply(CABLE_TYPES.map((cable) => create('cableTypes', cable)));
    this.apply(CONDUCTOR_MAPS.map((map) => create('conductorMaps', map)));
    this.apply(DEVICE_TYPES.map((type) => create('deviceTypes', type)));
  }

  apply(operations: readonly Operation[]): void {
    this.project = must(edited(this.project, operations));
  }

  finish(): ProjectDocument {
    return must(checkIntegrity(this.project));
  }

  id(prefix: string): string {
    const count = (this.counts.get(prefix) ?? 0) + 1;
    this.counts.set(prefix, count);
    return `${prefix}_${String(count).padStart(3, '0')}`;
  }

  level(level: Omit<Parameters<typeof newLevel>[0], 'id' | 'gridAngleRad'>): string {
    const id = `level_${level.code.toLowerCase()}`;
    this.apply([create('levels', newLevel({ ...level, id, gridAngleRad: 0 }))]);
    return id;
  }

  /** Rooms as boxes, and the walls between them: one kind outside, one inside, and exceptions by room. */
  rooms(
    levelId: string,
    plans: readonly RoomPlan[],
    outside: WallBuild,
    inside: WallBuild,
    exceptions: Readonly<Record<string, WallBuild>> = {},
  ): void {
    for (const plan of plans) {
      const [x0, y0, x1, y1] = plan.box;
      const room = newRoom({
        id: this.id('room'),
        levelId,
        code: plan.code,
        name: plan.name,
        use: plan.use,
        polygon: [
          [x0, y0],
          [x1, y0],
          [x1, y1],
          [x0, y1],
        ],
        ceilingHeightM: plan.ceilingHeightM ?? null,
        framing: plan.framing ?? 'solid',
        joistAngleRad: plan.joistAngleRad ?? Math.PI / 2,
        joistSpacingM: 0.4,
      });
      this.apply([create('rooms', room)]);
    }
    for (const { a, b, codes } of wallsBetween(plans)) {
      const exception = codes.map((code) => exceptions[code]).find((build) => build !== undefined);
      const build = exception ?? (codes.length === 1 ? outside : inside);
      this.apply([create('walls', newWall({ id: this.id('wall'), levelId, a: [a[0], a[1]], b: [b[0], b[1]], ...build }))]);
    }
  }

  /** An opening in the wall at a point. */
  opening(levelId: string, kind: Opening['kind'], at: Point2, widthM: number, sillM: number, headM: number): void {
    const place = nearestWall(buildingOf(this.project), levelId, at, 0.3);
    if (!place) throw new Error(`no wall at ${at.join(', ')} of ${levelId}`);
    const door = kind === 'door';
    this.apply([
      create(
        'openings',
        newOpening({
          id: this.id('opening'),
          wallId: place.wall.id,
          kind,
          offsetM: Math.round(place.offsetM * 1000) / 1000,
          widthM,
          sillM,
          headM,
          hinge: door ? 'start' : null,
          swing: door ? 'left' : null,
        }),
      ),
    ]);
  }

  /** A thing in or around the house with the usual sizes of its kind. */
  thing(levelId: string, kind: Feature['kind'], points: readonly Point2[], more: Partial<Feature> = {}): string {
    const record = newFeature({
      id: this.id('feature'),
      levelId,
      kind,
      points: points.map(([x, y]): [number, number] => [x, y]),
      ...usualSize(featureMake(kind), this.project.levels[levelId].ceilingHeightM),
      ...more,
    });
    this.apply([create('features', record)]);
    return record.id;
  }

  /** Equipment, ports and cords for everything that ends at each head end. */
  designHeadEnds(): void {
    this.apply(zonesByRoom(this.project, () => this.id('zone')));
    for (const rackId of Object.keys(this.project.racks))
      this.apply(must(designHeadEnd(this.project, rackId, (kind) => this.id(kind))).operations);
  }

  riser(riser: Omit<Parameters<typeof newRiser>[0], 'id'>): void {
    this.apply([create('risers', newRiser({ id: this.id('riser'), ...riser }))]);
  }

  rack(rack: Omit<Parameters<typeof newRack>[0], 'id'>): void {
    this.apply([create('racks', newRack({ id: this.id('rack'), ...rack }))]);
  }

  /** Places a device as a click would; `name` tells it from its twins. Returns its id. */
  device(levelId: string, typeId: string, at: Point2, name = '', heightM?: number): string {
    const id = this.id('device');
    const placed = must(placeDevice(this.project, { typeId, levelId, at }, { device: id, run: () => this.id('run') }));
    this.apply(placed.operations);
    if (name !== '' || heightM !== undefined) {
      const change = update('devices', this.project.devices[id], { name, ...(heightM === undefined ? {} : { heightM }) });
      if (change) this.apply([change]);
    }
    return id;
  }

  /** A builder's package as it was sent. */
  packageText(text: string): void {
    this.apply(readPackage(this.project, text, () => this.id('line')).map((line) => create('packageLines', line)));
  }

  /** Puts every device where it can be built, by the cures that its user is offered. */
  makeBuildable(): void {
    for (let round = 0; round < 60; round++) {
      const finding = runChecks(this.project, DRAWN_ON).find(
        (one) => one.check === 'buildable' && curesFor(one, this.project).length > 0,
      );
      if (!finding) return;
      this.apply(curesFor(finding, this.project)[0].operations);
    }
  }

  move(deviceId: string, to: Point2): void {
    this.apply(must(moveDevices(this.project, [{ deviceId, to }])));
  }
}

export function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}

/** Each straight wall between the same two rooms once, room sides split where another room begins. */
function wallsBetween(plans: readonly RoomPlan[]): { a: Point2; b: Point2; codes: string[] }[] {
  const corners = plans.flatMap(({ box: [x0, y0, x1, y1] }): Point2[] => [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ]);
  const walls = new Map<string, { a: Point2; b: Point2; codes: string[] }>();
  for (const {
    code,
    box: [x0, y0, x1, y1],
  } of plans) {
    const sides: [Point2, Point2][] = [
      [
        [x0, y0],
        [x1, y0],
      ],
      [
        [x1, y0],
        [x1, y1],
      ],
      [
        [x0, y1],
        [x1, y1],
      ],
      [
        [x0, y0],
        [x0, y1],
      ],
    ];
    for (const [a, b] of sides) {
      const on = corners.filter((p) => onSide(p, a, b)).sort((p, q) => p[0] - q[0] || p[1] - q[1]);
      const stops = [a, ...on, b].filter((p, i, all) => i === 0 || p[0] !== all[i - 1][0] || p[1] !== all[i - 1][1]);
      for (let i = 0; i + 1 < stops.length; i++) {
        const key = JSON.stringify([stops[i], stops[i + 1]]);
        const known = walls.get(key);
        if (known) known.codes.push(code);
        else walls.set(key, { a: stops[i], b: stops[i + 1], codes: [code] });
      }
    }
  }
  return [...walls.values()];
}

function onSide(p: Point2, a: Point2, b: Point2): boolean {
  const parallel = crossingParameters(a, b, a, p) === null;
  return parallel && p[0] >= a[0] && p[0] <= b[0] && p[1] >= a[1] && p[1] <= b[1];
}

/** Active optical leads of a house lie in no conduit: their runs say why. */
export function sayWhyNoConduit(house: HouseBuilder): void {
  const { runs, cableTypes } = house.project;
  const leads = Object.values(runs).filter(
    ({ cableTypeId, reason }) =>
      reason === '' && cableTypes[cableTypeId].family === 'hdmi' && cableTypes[cableTypeId].material === 'fibre',
  );
  const reason = 'no conduit: the Category 6A beside it takes an extender, should it fail';
  house.apply(leads.flatMap((run) => update('runs', run, { reason }) ?? []));
}
