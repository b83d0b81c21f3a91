import { frameOf, shiftInTheatre, type Theatre, type TheatreFrame, THEATRES } from '../theatre/index.ts';
import { ok } from '../math/index.ts';
import type { ProjectDocument, Room } from '../model/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { movedBy } from './cures.ts';
import { inTheatres, rowFeatures } from './theatre-subjects.ts';

const LIMITS = {
  pitchM: { usual: 1.65, min: 1, max: 2.5, unit: 'm', safer: 'more' },
  wallM: { usual: 0.9, min: 0.3, max: 2, unit: 'm', safer: 'more' },
  aisleM: { usual: 0.9, min: 0.6, max: 1.5, unit: 'm', safer: 'more' },
} as const;

/** Rows stand far enough apart to pass and to recline, off the wall behind them, and are reached by an aisle (ENGINEERING 9.3). */
export const rowsApart = defineCheck({
  id: 'rows-apart',
  title: 'Rows have room to pass and to recline',
  source: 'Trade practice; ways out by local code',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'features',
  reads: ['features', 'levels', 'rooms', 'walls'],
  nodes: [THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, (theatre, room): RuleFinding[] => {
      if (!theatre.picture || theatre.seats.length === 0) return [];
      const frame = frameOf(project, room, theatre.picture);
      const rows = [...new Set(theatre.seats.map(({ row }) => row))].map((row) => placeOf(project, theatre, frame, row));
      const about = (row: number) => [
        ...rowFeatures(theatre, row).map((id) => ({ in: 'features' as const, id })),
        { in: 'rooms' as const, id: room.id },
      ];
      const last = rows[rows.length - 1];
      const behindM = frame.toM.awayM - last.awayM;
      const found: RuleFinding[] = rows.slice(1).flatMap((one, n) => {
        const pitchM = one.awayM - rows[n].awayM;
        if (pitchM >= limit('pitchM') * (1 - 1e-9)) return [];
        return [
          say(
            'look',
            'row-pitch-short',
            about(one.row),
            { number: room.code, row: one.row, pitchM, leastM: limit('pitchM') },
            {
              ...{ measured: pitchM, allowed: limit('pitchM'), unit: 'm' },
              cures: (house) => movedBack(house, room, rowFeatures(theatre, one.row), limit('pitchM') - pitchM),
            },
          ),
        ];
      });
      if (behindM < limit('wallM') * (1 - 1e-9))
        found.push(
          say(
            'look',
            'row-near-wall',
            about(last.row),
            { number: room.code, row: last.row, behindM, leastM: limit('wallM') },
            {
              ...{ measured: behindM, allowed: limit('wallM'), unit: 'm' },
            },
          ),
        );
      for (const { row, aisleM } of rows)
        if (aisleM < limit('aisleM') * (1 - 1e-9))
          found.push(
            say(
              'look',
              'row-no-aisle',
              about(row),
              { number: room.code, row, aisleM, leastM: limit('aisleM') },
              {
                ...{ measured: aisleM, allowed: limit('aisleM'), unit: 'm' },
              },
            ),
          );
      return found;
    }),
});

/** How far the heads of a row are from the picture, and the wider way past its ends, m. */
function placeOf(project: ProjectDocument, { seats }: Theatre, frame: TheatreFrame, row: number) {
  const own = seats.filter((seat) => seat.row === row);
  const aways = own.map(({ at, earM }) => frame.insideOf([...at, earM]).awayM);
  const ends = own.flatMap(({ featureId, at }) => {
    const { asideM } = frame.insideOf([...at, 0]);
    const { points, widthM } = project.features[featureId];
    const middle = frame.insideOf([points[0][0], points[0][1], 0]).asideM;
    return [middle - widthM / 2, middle + widthM / 2, asideM];
  });
  return {
    row,
    awayM: aways.reduce((sum, one) => sum + one, 0) / aways.length,
    aisleM: Math.max(Math.min(...ends) - frame.fromM.asideM, frame.toM.asideM - Math.max(...ends)),
  };
}

/** Moves a row back from the picture. */
function movedBack(project: ProjectDocument, room: Room, featureIds: readonly string[], byM: number): Cure[] {
  const awayM = Math.ceil(byM * 100 - 1e-9) / 100;
  const moved = featureIds.map((id) => shiftInTheatre(project, room, { kind: 'feature', id }, { asideM: 0, awayM, upM: 0 }));
  const operations = moved.flatMap((one) => (one.ok ? one.value : []));
  return moved.every((one) => one.ok) ? movedBy(ok(operations), awayM) : [];
}
