import { type Notch, notchLimit } from '../calculators/index.ts';
import { type Building, BUILDING, buildingOf, ceilingHeightOf, nearestWall, roomAt, wallTopM } from '../house/index.ts';
import type { Point2 } from '../math/index.ts';
import { type Feature, type ProjectDocument, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';

/** A notch this far from the middle of a joist or plate still lies in it, m. */
const NEAR_M = 0.15;
/** Plates end this far from floor and ceiling, m. */
const PLATE_M = 0.05;

/** What is cut out of studs, joists, plates and masonry keeps to their limits, or an engineer says how it is made good (ENGINEERING 7.2). */
export const notchesAllowed = defineCheck({
  id: 'notches-allowed',
  title: 'No member is notched deeper, or elsewhere, than it may be',
  source: 'IRC R502.8, R602.6; BS 5268, Approved Document A; trade practice',
  calculators: ['notch-limit', 'bore-limit'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'features',
  reads: ['features', 'levels', 'project'],
  nodes: [BUILDING],
  safety: true,
  run: ({ project }) => {
    const notches = listOf(project, 'features').filter(({ kind }) => kind === 'existing-notch');
    if (notches.length === 0) return [];
    const building = buildingOf(project);
    return notches.flatMap((feature) => findingsOf(project, building, feature));
  },
});

type Cut = { readonly notch: Notch; readonly engineered: boolean };

function findingsOf(project: ProjectDocument, building: Building, feature: Feature): RuleFinding[] {
  const level = project.levels[feature.levelId];
  const room = roomAt(building, feature.levelId, feature.points[0] as Point2);
  const cut = inWall(project, building, feature) ?? overRoom(project, building, feature);
  const tell = (
    code: string,
    rank: 'stop' | 'look',
    figures: RuleFinding['figures'] = {},
    more: Partial<Pick<RuleFinding, 'measured' | 'allowed' | 'unit' | 'cures'>> = {},
  ) => [
    say(
      rank,
      code,
      [{ in: 'features', id: feature.id }],
      {
        number: room?.code ?? level.code,
        place: feature.name || (room ?? level).name,
        member: cut?.notch.member ?? '',
        ...figures,
      },
      more,
    ),
  ];
  if (!cut) return tell('notch-no-member', 'look');
  const judged = cut.engineered ? null : notchLimit(cut.notch);
  if (judged?.ok) return [];
  // Whoever decided that it is made good has asked whoever designed the member.
  if (feature.decision === 'make-good') return tell('notch-mend', 'look');
  const cures = (house: ProjectDocument) => madeGood(house, feature.id);
  if (!judged) return tell('notch-engineered', 'stop', {}, { cures });
  const { code } = judged.problem;
  const { notchM, lengthM } = cut.notch;
  const maxM = (judged.problem.mostM ?? null) as number | null;
  const measured = code === 'notch-too-long' ? lengthM : notchM;
  return tell(code, 'stop', { notchM, longM: lengthM, mostM: maxM }, { measured, allowed: maxM, unit: 'm', cures });
}

/** What is cut out of a wall: deep as the thing is deep, along the member as it is high. */
function inWall({ project }: ProjectDocument, building: Building, feature: Feature): Cut | null {
  const place = nearestWall(building, feature.levelId, feature.points[0] as Point2, NEAR_M);
  if (!place) return null;
  const { wall } = place;
  const topM = wallTopM(building, wall);
  if (feature.bottomM >= topM - 1e-6) return null;
  const common = {
    jurisdiction: project.jurisdiction,
    bearing: true,
    notchM: feature.depthM,
    spanM: null,
    fromSupportM: null,
    face: 'top' as const,
    level: feature.widthM > feature.topM - feature.bottomM,
  };
  const isStone = wall.kind === 'masonry' || wall.kind === 'concrete';
  if (isStone || wall.studSpacingM === 0) {
    const depthM = Math.max(0.01, wall.thicknessM - wall.finishLeftM - wall.finishRightM);
    return { notch: { ...common, member: 'masonry', depthM, lengthM: null }, engineered: wall.kind === 'concrete' };
  }
  const isPlate = feature.bottomM < PLATE_M || feature.topM > topM - PLATE_M;
  const lengthM = isPlate ? feature.widthM : feature.topM - feature.bottomM;
  return {
    notch: { ...common, member: isPlate ? 'plate' : 'stud', depthM: wall.cavityDepthM || wall.thicknessM, lengthM },
    engineered: wall.studMaterial !== 'wood',
  };
}

/** What is cut out of a joist over a room: deep as the thing is high, along the member as it is wide. */
function overRoom(project: ProjectDocument, building: Building, feature: Feature): Cut | null {
  const at = feature.points[0] as Point2;
  const room = roomAt(building, feature.levelId, at);
  if (!room) return null;
  const underM = ceilingHeightOf(room, project.levels[room.levelId]);
  const overM = underM + room.joistDepthM;
  const notchM = Math.min(feature.topM, overM) - Math.max(feature.bottomM, underM);
  if (notchM <= 1e-9) return null;
  if (room.framing === 'i-joist' || room.framing === 'open-web') {
    const notch: Notch = { ...PLAIN, jurisdiction: project.project.jurisdiction, depthM: room.joistDepthM, notchM };
    return { notch, engineered: true };
  }
  const span = building.framing.spanAt(room, at);
  if (
    !span ||
    !building.framing.joists(room).some(({ offsetM, widthM }) => Math.abs(offsetM - span.lineM) <= widthM / 2 + NEAR_M)
  )
    return null;
  const half = feature.widthM / 2;
  const ends = [span.atM - half - span.fromM, span.toM - span.atM - half];
  const notch: Notch = {
    ...PLAIN,
    depthM: room.joistDepthM,
    jurisdiction: project.project.jurisdiction,
    notchM,
    lengthM: feature.widthM,
    spanM: span.toM - span.fromM,
    fromSupportM: Math.max(0, Math.min(...ends)),
    face: feature.bottomM <= underM + 1e-6 ? 'bottom' : 'top',
  };
  return { notch, engineered: false };
}

const PLAIN = {
  member: 'joist',
  bearing: true,
  lengthM: null,
  spanM: null,
  fromSupportM: null,
  face: 'top',
  level: false,
} as const;

/** Made good as the engineer says: decided, and asked for again until it is done. */
function madeGood(project: ProjectDocument, id: string): Cure[] {
  const feature = project.features[id];
  const operation = feature && update('features', feature, { decision: 'make-good' });
  return operation ? [{ code: 'make-good', figures: {}, operations: [operation] }] : [];
}
