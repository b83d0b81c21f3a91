import { BUILDING } from '../house/index.ts';
import type { ProjectDocument, Room } from '../model/index.ts';
import { type FrontWall, frontWallOf, LEAD_WITHIN_M, shiftInTheatre, type Theatre, THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { movedBy } from './cures.ts';
import { inTheatres } from './theatre-subjects.ts';

const LIMITS = {
  airM: { usual: 0.02, min: 0, max: 0.2, unit: 'm', safer: 'more' },
  panelKg: { usual: 12, min: 4, max: 25, unit: 'kg', safer: 'less' },
  withinM: { usual: LEAD_WITHIN_M, min: 0.01, max: 0.2, unit: 'm', safer: 'more' },
} as const;

/** Panels before the front wall hold what is behind them and come off, and leads come out beside the picture. */
export const frontWall = defineCheck({
  id: 'front-wall',
  title: 'The front wall holds its speakers',
  source: 'Trade practice',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['devices', 'deviceTypes', 'features', 'levels', 'openings', 'rooms', 'walls'],
  nodes: [BUILDING, THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, (theatre, room): RuleFinding[] => {
      const front = frontWallOf(project, room, theatre);
      if (!front) return [];
      return [
        ...panelFindings(room, theatre, front, { airM: limit('airM'), mostKg: limit('panelKg') }),
        ...leadFindings(room, front, limit('withinM')),
      ];
    }),
});

const device = (id: string) => [{ in: 'devices' as const, id }];

function panelFindings(
  room: Room,
  { picture }: Theatre,
  { panels }: FrontWall,
  { airM, mostKg }: { readonly airM: number; readonly mostKg: number },
): RuleFinding[] {
  if (!panels || !picture) return [];
  const number = room.code;
  const found = panels.behind
    .filter(({ freeM }) => freeM < airM - 1e-9)
    .map(({ deviceId, depthM, freeM }) =>
      say(
        'stop',
        'front-panel-shallow',
        device(deviceId),
        { number, depthM, standOffM: depthM + freeM, airM },
        { measured: freeM, allowed: airM, unit: 'm' },
      ),
    );
  if (panels.eachKg > mostKg * (1 + 1e-9))
    found.push(
      say(
        'look',
        'front-panel-heavy',
        device(picture.deviceId),
        { number, kg: panels.eachKg, mostKg, count: panels.count },
        { measured: panels.eachKg, allowed: mostKg, unit: 'kg' },
      ),
    );
  for (const opening of panels.openings)
    found.push(
      say('look', opening.kind === 'window' ? 'front-panel-window' : 'front-panel-door', [{ in: 'openings', id: opening.id }], {
        number,
      }),
    );
  return found;
}

/** Leads of speakers that stand on the floor come out beside the picture, where the cabinet hides them. */
const leadFindings = (room: Room, { leads }: FrontWall, withinM: number): RuleFinding[] =>
  leads
    .filter(({ beyondM }) => beyondM < withinM - 1e-9)
    .map(({ deviceId, beyondM }) =>
      say(
        'look',
        'front-lead-behind-picture',
        device(deviceId),
        { number: room.code, beyondM, withinM },
        {
          ...{ measured: beyondM, allowed: withinM, unit: 'm' },
          cures: (house) => movedOut(house, room, deviceId, withinM - beyondM),
        },
      ),
    );

/** Moves a speaker away from the picture. */
function movedOut(project: ProjectDocument, room: Room, deviceId: string, byM: number): Cure[] {
  const out = Math.ceil(byM * 100 - 1e-9) / 100;
  const isLeft = project.devices[deviceId]?.channel?.endsWith('-left') ?? false;
  const shift = { asideM: isLeft ? -out : out, awayM: 0, upM: 0 };
  return movedBy(shiftInTheatre(project, room, { kind: 'device', id: deviceId }, shift), out);
}
