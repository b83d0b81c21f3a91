import { tidyM } from '../math/index.ts';
import type { ProjectDocument, Room } from '../model/index.ts';
import { fromMiddle, onPlan, pictureOf, THEATRES } from '../theatre/index.ts';
import { type Cure, defineCheck, say } from './check.ts';
import { moveTo } from './cures.ts';
import { inTheatres } from './theatre-subjects.ts';

const LIMITS = { mirrorM: { usual: 0.1, min: 0.02, max: 0.5, unit: 'm', safer: 'less' } } as const;

/** The two speakers of a pair mirror each other about the middle of the picture. */
export const pairsEven = defineCheck({
  id: 'pairs-even',
  title: 'Pairs of speakers mirror each other',
  source: 'Trade practice',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['rooms'],
  nodes: [THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, ({ pairs, aim }, room) =>
      pairs.flatMap(({ pair, leftId, rightId, mirrorErrorM }) => {
        if (mirrorErrorM <= limit('mirrorM') * (1 + 1e-9)) return [];
        const [moved, kept] = aim.fixedDeviceIds.includes(rightId) ? [leftId, rightId] : [rightId, leftId];
        return [
          say(
            'look',
            'pair-not-even',
            [
              { in: 'devices', id: leftId },
              { in: 'devices', id: rightId },
            ],
            { number: room.code, channel: `${pair}-left`, mirrorErrorM },
            {
              ...{ measured: mirrorErrorM, allowed: limit('mirrorM'), unit: 'm' },
              cures: (house) => (aim.fixedDeviceIds.includes(moved) ? [] : mirrored(house, room, moved, kept)),
            },
          ),
        ];
      }),
    ),
});

/** Puts one speaker of a pair where the other one is mirrored. */
function mirrored(project: ProjectDocument, room: Room, movedId: string, keptId: string): Cure[] {
  const picture = project.rooms[room.id] ? pictureOf(project, project.rooms[room.id]) : null;
  const [moved, kept] = [project.devices[movedId], project.devices[keptId]];
  if (!picture || !moved || !kept) return [];
  const { asideM } = fromMiddle(picture.middle, picture.facingDeg)([kept.x, kept.y]);
  const [dx, dy] = onPlan(picture.facingDeg, { asideM: -2 * asideM, awayM: 0 });
  const to = [tidyM(kept.x + dx), tidyM(kept.y + dy)] as const;
  return moveTo(project, movedId, to, Math.hypot(to[0] - moved.x, to[1] - moved.y));
}
