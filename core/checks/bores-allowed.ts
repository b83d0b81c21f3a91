import { boreLimit, holeForM } from '../boring/index.ts';
import { holeSchedule, type BoredPlace } from '../drilling/index.ts';
import type { CollectionName, ProjectDocument } from '../project/index.ts';
import { defineCheck, say, type FindingDraft } from './check.ts';

/** Every hole keeps to the limits of the member that it is bored in (ENGINEERING 7.2). */
export const boresAllowed = defineCheck({
  id: 'bores-allowed',
  title: 'No member is bored wider, or elsewhere, than it may be',
  source: 'F7.2, F7.3 (IRC R502.8, R602.6), F7.4 (BS 5268, Approved Document A), F7.6; practice A05',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'rooms',
  safety: true,
  run: ({ document, runs }) => {
    const places = holeSchedule(document, runs);
    return [
      ...ofKind(document, places, 'bore-too-large', (place) => place.holes.length === 0 && place.mostM !== null),
      ...ofKind(document, places, 'bore-off-span', (place) => place.offSpan !== null),
      ...ofKind(
        document,
        places,
        'bore-engineered',
        (place) => place.member === 'joist' && place.mostM === null && place.roomId !== null,
      ),
    ];
  },
});

/** Places of one kind, gathered by the room or wall in which they are. */
function ofKind(
  document: ProjectDocument,
  places: readonly BoredPlace[],
  code: 'bore-too-large' | 'bore-off-span' | 'bore-engineered',
  fits: (place: BoredPlace) => boolean,
): FindingDraft[] {
  const byWhere = new Map<string, BoredPlace[]>();
  for (const place of places) {
    if (!fits(place)) continue;
    const key = `${place.member}/${place.wallId ?? place.roomId ?? ''}`;
    const those = byWhere.get(key);
    if (those) those.push(place);
    else byWhere.set(key, [place]);
  }
  return [...byWhere.values()].map((those) => findingOf(document, those, code));
}

function findingOf(document: ProjectDocument, those: readonly BoredPlace[], code: string): FindingDraft {
  const [{ member, wallId, roomId, levelId, at }] = those;
  const where: { in: CollectionName; id: string } =
    wallId !== null ? { in: 'walls', id: wallId } : roomId !== null ? { in: 'rooms', id: roomId } : { in: 'levels', id: levelId };
  const numbers = [...new Set(those.flatMap(({ runs }) => runs))];
  const figures = {
    number: roomId === null ? document.levels[levelId].code : document.rooms[roomId].code,
    place: roomId === null ? document.levels[levelId].name : document.rooms[roomId].name,
    member,
    count: those.length,
    runs: numbers,
    at: at.slice(0, 2),
  };
  if (code === 'bore-off-span') {
    const { spanShares } = boreLimit('joist', 1, document.project.jurisdiction);
    const worst = those.reduce((a, b) => (b.offSpan! < a.offSpan! ? b : a));
    const allowed = spanShares ? (worst.offSpan! < spanShares[0] ? spanShares[0] : spanShares[1]) : null;
    return say(
      'bores-allowed',
      'stop',
      code,
      [where],
      { ...figures, share: Math.round(worst.offSpan! * 100) },
      {
        measured: worst.offSpan,
        allowed,
      },
    );
  }
  if (code === 'bore-engineered') return say('bores-allowed', 'look', code, [where], figures);
  const worst = those.reduce((a, b) => (neededM(document, b) > neededM(document, a) ? b : a));
  return say(
    'bores-allowed',
    'stop',
    code,
    [where],
    { ...figures, needM: neededM(document, worst), mostM: worst.mostM },
    { measured: neededM(document, worst), allowed: worst.mostM, unit: 'm' },
  );
}

/** The hole that the thickest cable of a place needs by itself, m. */
function neededM(document: ProjectDocument, { runs }: BoredPlace): number {
  const diameters = Object.values(document.runs)
    .filter(({ number }) => runs.includes(number))
    .map(({ cableTypeId }) => document.cableTypes[cableTypeId].outsideDiameterM);
  return holeForM([Math.max(...diameters)]);
}
