import { tidyM } from '../math/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { type Picture, THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { hangAt } from './cures.ts';
import { inTheatres, referenceSeat } from './theatre-subjects.ts';

const LIMITS = {
  topDeg: { usual: 15, min: 5, max: 30, unit: 'degrees', safer: 'less' },
  middleDeg: { usual: 15, min: 5, max: 25, unit: 'degrees', safer: 'less' },
} as const;
/** From here on a neck is bent for a whole film, degrees. */
const MOST_DEG = 35;

/** One does not look up at the picture for a whole film: a screen by its top, a display by its middle (ENGINEERING 9.1, 9.5). */
export const pictureHeight = defineCheck({
  id: 'picture-height',
  title: 'The picture hangs at the height of the eyes',
  source: 'SMPTE EG 18 practice; displays by trade practice',
  calculators: ['display-place', 'viewing-angle'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['devices', 'rooms'],
  nodes: [THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, (theatre, room): RuleFinding[] => {
      const { picture, seats } = theatre;
      const seat = seats[referenceSeat(theatre)];
      if (!picture || !seat || seat.distanceM === null) return [];
      const isScreen = picture.kind === 'screen';
      const angleDeg = (isScreen ? seat.topDeg : seat.middleDeg)!;
      const mostDeg = limit(isScreen ? 'topDeg' : 'middleDeg');
      const first = Math.max(...seats.filter(({ row }) => row === 1).map(({ topDeg }) => topDeg ?? 0));
      const subjects = [{ in: 'devices' as const, id: picture.deviceId }];
      const cures = (house: ProjectDocument) => lowered(house, picture, seat.eyeM, seat.distanceM!, mostDeg);
      if (angleDeg > mostDeg * (1 + 1e-9))
        return [
          say(
            'look',
            isScreen ? 'picture-top-high' : 'picture-high',
            subjects,
            { number: room.code, angleDeg, mostDeg },
            {
              ...{ measured: angleDeg, allowed: mostDeg, unit: 'degrees', cures },
            },
          ),
        ];
      if (first > MOST_DEG)
        return [
          say(
            'look',
            'picture-top-first-row',
            subjects,
            { number: room.code, angleDeg: first, mostDeg: MOST_DEG },
            {
              ...{ measured: first, allowed: MOST_DEG, unit: 'degrees' },
            },
          ),
        ];
      return [];
    }),
});

/** Lowers the picture until it is seen at an angle, as far as it stays over the floor. */
function lowered(
  project: ProjectDocument,
  { deviceId, kind, middle, heightM }: Picture,
  eyeM: number,
  distanceM: number,
  mostDeg: number,
): Cure[] {
  const device = project.devices[deviceId];
  if (!device || device.heightM === null) return [];
  const seenM = kind === 'screen' ? middle[2] + heightM / 2 : middle[2];
  const byM = seenM - (eyeM + distanceM * Math.tan((mostDeg * Math.PI) / 180));
  // To whole centimeters, downward.
  const toM = tidyM(Math.floor((device.heightM - byM) * 100 + 1e-9) / 100);
  if (!(byM > 0) || middle[2] - heightM / 2 - byM < LEAST_OVER_FLOOR_M) return [];
  return hangAt(project, deviceId, toM);
}
/** A picture stays this far over the floor, m. */
const LEAST_OVER_FLOOR_M = 0.3;
