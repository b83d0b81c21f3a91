import { boreLimit, holeForM } from '../boring/index.ts';
import { buildingOf, levelUnder, spanShareAt } from '../building/index.ts';
import { boredDepthM } from '../drilling/index.ts';
import type { Point2 } from '../geometry/index.ts';
import { Each, Stamps, type CollectionName, type ProjectDocument } from '../project/index.ts';
import { isOffSpan, weightsOf, type Hole } from '../routing/index.ts';
import { holesOfRun, type PlannedRun } from '../runs/index.ts';
import { defineCheck, say, type FindingDraft } from './check.ts';

const CODES = ['bore-too-large', 'bore-off-span', 'bore-engineered'] as const;

/** A hole of one run that its member does not allow. */
interface Bad {
  readonly code: (typeof CODES)[number];
  readonly hole: Hole;
  readonly number: string;
  /** Diameter that is needed, or share of the span. */
  readonly measured: number | null;
  readonly allowed: number | null;
}

/** Every hole keeps to the limits of the member that it is bored in (ENGINEERING 7.2). */
export const boresAllowed = defineCheck({
  id: 'bores-allowed',
  title: 'No member is bored wider, or elsewhere, than it may be',
  source: 'F7.2, F7.3 (IRC R502.8, R602.6), F7.4 (BS 5268, Approved Document A), F7.6; practice',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'rooms',
  safety: true,
  run: ({ document, runs }) => {
    const bad: Bad[] = [];
    for (const those of badOfRuns.over(runs, stamps.of(tablesOf(document)), (planned) => badHoles(document, planned)))
      for (const one of those) bad.push(one);
    if (bad.length === 0) return [];
    const byWhere = new Map<string, Bad[]>();
    for (const one of bad) {
      const { member, wallId, roomId } = one.hole;
      const key = `${one.code}/${member}/${wallId ?? roomId ?? ''}`;
      const those = byWhere.get(key);
      if (those) those.push(one);
      else byWhere.set(key, [one]);
    }
    return [...byWhere.values()]
      .sort(([a], [b]) => CODES.indexOf(a.code) - CODES.indexOf(b.code))
      .map((those) => findingOf(document, those));
  },
});

const stamps = new Stamps();
const badOfRuns = new Each<PlannedRun, readonly Bad[]>();
const NONE: readonly Bad[] = [];

/** What of a run's holes is not allowed. */
function badHoles(document: ProjectDocument, planned: PlannedRun): readonly Bad[] {
  if (planned.points.length < 2) return NONE;
  const { jurisdiction } = document.project;
  const weights = weightsOf(document.project);
  const needM = holeForM([document.cableTypes[planned.run.cableTypeId].outsideDiameterM]);
  const found: Bad[] = [];
  for (const hole of holesOfRun(document, planned)) {
    const { member, at, wallId, roomId } = hole;
    const room = roomId === null ? undefined : document.rooms[roomId];
    const one = { hole, number: planned.run.number };
    if (member === 'joist' && room?.framing === 'i-joist') {
      found.push({ ...one, code: 'bore-engineered', measured: null, allowed: null });
      continue;
    }
    const depthM = boredDepthM(member, wallId === null ? undefined : document.walls[wallId], room);
    if (depthM === null) continue;
    const limit = boreLimit(member === 'joist' ? 'joist' : member === 'stud' ? 'stud' : 'plate', depthM, jurisdiction);
    if (needM > limit.mostM + 1e-9) found.push({ ...one, code: 'bore-too-large', measured: needM, allowed: limit.mostM });
    const place: Point2 = [at[0], at[1]];
    if (member === 'joist' && room && limit.spanShares && isOffSpan(weights, room, place)) {
      const share = spanShareAt(room, place)!;
      const allowed = share < limit.spanShares[0] ? limit.spanShares[0] : limit.spanShares[1];
      found.push({ ...one, code: 'bore-off-span', measured: share, allowed });
    }
  }
  return found.length > 0 ? found : NONE;
}

const tablesOf = ({
  project,
  rooms,
  walls,
  cableTypes,
  levels,
  framingMembers,
  features,
}: ProjectDocument): readonly unknown[] => [project, rooms, walls, cableTypes, levels, framingMembers, features];

function findingOf(document: ProjectDocument, those: readonly Bad[]): FindingDraft {
  const [{ code, hole }] = those;
  const { member, wallId, roomId, at } = hole;
  const level = levelUnder(buildingOf(document), at[2])!;
  const where: { in: CollectionName; id: string } =
    wallId !== null
      ? { in: 'walls', id: wallId }
      : roomId !== null
        ? { in: 'rooms', id: roomId }
        : { in: 'levels', id: level.id };
  const places = new Set(those.map((one) => one.hole.at.map((value) => Math.round(value / 0.05)).join()));
  const figures = {
    number: roomId === null ? level.code : document.rooms[roomId].code,
    place: roomId === null ? level.name : document.rooms[roomId].name,
    member,
    count: places.size,
    runs: [...new Set(those.map(({ number }) => number))],
    at: at.slice(0, 2),
  };
  if (code === 'bore-engineered') return say('bores-allowed', 'look', code, [where], figures);
  if (code === 'bore-off-span') {
    const worst = those.reduce((a, b) => (b.measured! < a.measured! ? b : a));
    const { measured, allowed } = worst;
    return say('bores-allowed', 'stop', code, [where], { ...figures, share: Math.round(measured! * 100) }, { measured, allowed });
  }
  const worst = those.reduce((a, b) => (b.measured! > a.measured! ? b : a));
  const { measured, allowed } = worst;
  return say(
    'bores-allowed',
    'stop',
    code,
    [where],
    { ...figures, needM: measured, mostM: allowed },
    { measured, allowed, unit: 'm' },
  );
}
