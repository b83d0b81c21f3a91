import { bitFor, boreLimit, holeForM, holesFor, needsNailPlates } from '../../calculators/index.ts';
import { buildingOf, framingOf, levelUnder } from '../../house/index.ts';
import type { Point2, Point3 } from '../../math/index.ts';
import type { ProjectDocument, Room, Wall } from '../../model/index.ts';
import { type Hole, HOLE_MEMBERS, type HoleMember, isOffSpan, weightsOf } from '../../routing/index.ts';
import { compareNumbers, holesOfRun, type PlannedRun } from '../../runs/index.ts';

/** One place at which a member is bored, for all cables that pass it there. */
export interface BoredPlace {
  readonly member: HoleMember;
  readonly at: Point3;
  readonly levelId: string;
  readonly wallId: string | null;
  readonly roomId: string | null;
  /** Numbers of the runs, in order. */
  readonly runs: readonly string[];
  /** Holes of this place with their bit, m, and cables; empty where no hole that is allowed takes the cables. */
  readonly holes: readonly { readonly bitM: number; readonly cables: number }[];
  /** Share of the holes' area that the cables fill; null where nothing is bored. */
  readonly fill: number | null;
  /** Largest hole that may be bored, m; null where others decide. */
  readonly mostM: number | null;
  readonly nailPlates: boolean;
  /** Share of the span from the nearer support at which a joist is bored, where that is limited and missed. */
  readonly offSpan: number | null;
  /** Who has to agree or to do it: null is the crew itself. */
  readonly ask: 'engineer' | 'firestop' | 'mason' | null;
}

/** Holes at one place are those of one member within this distance, m. */
const ONE_PLACE_M = 0.05;

/** Every place that is bored, by level and member; the same project gives the same list. */
export function holeSchedule(project: ProjectDocument, runs: readonly PlannedRun[]): BoredPlace[] {
  const building = buildingOf(project);
  const places = new Map<string, { hole: Hole; runs: PlannedRun[] }>();
  for (const planned of runs) {
    if (planned.points.length < 2) continue;
    for (const hole of holesOfRun(project, planned)) {
      const cell = hole.at.map((value) => Math.round(value / ONE_PLACE_M)).join();
      const key = `${hole.member}/${hole.wallId ?? hole.roomId ?? ''}/${cell}`;
      const known = places.get(key);
      if (!known) places.set(key, { hole, runs: [planned] });
      else if (known.runs.at(-1) !== planned) known.runs.push(planned);
    }
  }
  return [...places.values()]
    .map(({ hole, runs: through }) => placeOf(project, hole, levelUnder(building, hole.at[2])!.id, through))
    .sort(
      (a, b) =>
        building.levels.findIndex(({ id }) => id === a.levelId) - building.levels.findIndex(({ id }) => id === b.levelId) ||
        HOLE_MEMBERS.indexOf(a.member) - HOLE_MEMBERS.indexOf(b.member) ||
        a.at[1] - b.at[1] ||
        a.at[0] - b.at[0],
    );
}

function placeOf(
  project: ProjectDocument,
  { member, at, wallId, roomId }: Hole,
  levelId: string,
  through: readonly PlannedRun[],
): BoredPlace {
  const diameters = through.map(({ run }) => project.cableTypes[run.cableTypeId].outsideDiameterM);
  const runs = through.map(({ run }) => run.number).sort(compareNumbers);
  const wall = wallId === null ? undefined : project.walls[wallId];
  const room = roomId === null ? undefined : project.rooms[roomId];
  const common = { member, at, levelId, wallId, roomId, runs };
  const depthM = boredDepthM(member, wall, room);
  if (depthM === null || (member === 'joist' && room?.framing === 'i-joist')) {
    const bitM = bitFor(holeForM(diameters));
    const ask =
      member === 'fire' || member === 'floor'
        ? 'firestop'
        : member === 'masonry'
          ? 'mason'
          : member === 'joist' || member === 'beam'
            ? 'engineer'
            : null;
    // A riser is open: nothing is bored in it, and everything is closed again.
    const holes = bitM === null || member === 'floor' ? [] : [{ bitM, cables: runs.length }];
    return { ...common, holes, fill: fillOf(diameters, holes), mostM: null, nailPlates: false, offSpan: null, ask };
  }
  const bored = member === 'joist' ? 'joist' : member === 'stud' ? 'stud' : 'plate';
  const { mostM: maxM } = boreLimit(bored, depthM, project.project.jurisdiction);
  const holes = holesFor(diameters, maxM) ?? [];
  const onPlan: Point2 = [at[0], at[1]];
  const offSpan =
    bored === 'joist' && room && isOffSpan(framingOf(project), weightsOf(project.project), room, onPlan)
      ? framingOf(project).spanShareAt(room, onPlan)
      : null;
  return {
    ...common,
    holes,
    fill: fillOf(diameters, holes),
    mostM: maxM,
    nailPlates: holes.some(({ bitM }) => needsNailPlates(depthM, bitM)),
    offSpan,
    ask: holes.length === 0 || offSpan !== null ? 'engineer' : null,
  };
}

/** Sum of the squares of cables over that of the holes they pass (ENGINEERING 7.2: no more than 40 %). */
function fillOf(diametersM: readonly number[], holes: BoredPlace['holes']): number | null {
  if (holes.length === 0) return null;
  const bored = holes.reduce((sum, { bitM }) => sum + bitM * bitM, 0);
  return diametersM.reduce((sum, d) => sum + d * d, 0) / bored;
}

/** Depth of the member that is bored, across the hole, m; null where it is no sawn member. */
export function boredDepthM(member: HoleMember, wall: Wall | undefined, room: Room | undefined): number | null {
  if (member === 'joist') return room ? room.joistDepthM : null;
  if ((member === 'stud' || member === 'top-plate' || member === 'sole-plate') && wall)
    return wall.studMaterial === 'wood' ? wall.cavityDepthM || null : null;
  return null;
}

/** How many holes of each member there are in all. */
export function holeTotals(
  places: readonly BoredPlace[],
): { readonly member: HoleMember; readonly holes: number; readonly places: number }[] {
  return HOLE_MEMBERS.flatMap((member) => {
    const own = places.filter((place) => place.member === member);
    if (own.length === 0) return [];
    return [{ member, places: own.length, holes: own.reduce((sum, { holes }) => sum + Math.max(1, holes.length), 0) }];
  });
}

/** Places in one line that are bored alike for the same cables, as a crew bores them: one after the other. */
export interface BoredLine {
  readonly first: BoredPlace;
  readonly last: BoredPlace;
  readonly count: number;
}

/** The places gathered into lines; the same places give the same lines, in the order of their first places. */
export function boredLines(places: readonly BoredPlace[]): BoredLine[] {
  const groups = new Map<string, BoredPlace[]>();
  for (const place of places) {
    const bits = place.holes.map(({ bitM }) => bitM).join();
    const key = [
      place.member,
      place.levelId,
      place.roomId,
      place.wallId,
      place.runs.join(),
      bits,
      place.ask,
      place.nailPlates,
    ].join('/');
    const group = groups.get(key);
    if (group) group.push(place);
    else groups.set(key, [place]);
  }
  const order = new Map(places.map((place, n) => [place, n]));
  return [...groups.values()].flatMap(linesOfGroup).sort((a, b) => order.get(a.first)! - order.get(b.first)!);
}

/** Places are in one line where they share x or y; the longer lines are taken first. */
function linesOfGroup(group: readonly BoredPlace[]): BoredLine[] {
  if (group.length === 1) return [{ first: group[0], last: group[0], count: 1 }];
  const by = (axis: 0 | 1) => {
    const lines = new Map<number, BoredPlace[]>();
    for (const place of group) {
      const at = Math.round(place.at[axis] / ONE_PLACE_M);
      lines.set(at, [...(lines.get(at) ?? []), place]);
    }
    return [...lines.values()].map((line) => [...line].sort((a, b) => a.at[1 - axis] - b.at[1 - axis]));
  };
  const [alongY, alongX] = [by(0), by(1)];
  const lines = alongX.length <= alongY.length ? alongX : alongY;
  return lines.map((line) => ({ first: line[0], last: line[line.length - 1], count: line.length }));
}
