import { rackHeat } from '../calculators/index.ts';
import { buildingOf, BUILDING, ceilingHeightOf, roomAt } from '../house/index.ts';
import { tooHot } from '../head-end/index.ts';
import { distance2, type Point2 } from '../math/index.ts';
import type { ProjectDocument, Rack } from '../model/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { HEAD_END_NODES, inHeadEnds, ofEquipment, ofRack } from './head-end-subjects.ts';

const LIMITS = { riseK: { usual: 6, min: 2, max: 15, unit: 'K', safer: 'less' } } as const;

/** A head end stays cool: by the walls of its room, or by air that is moved (ENGINEERING 15.2). */
export const headEndHeat = defineCheck({
  id: 'head-end-heat',
  title: 'Head ends stay cool',
  source: 'Physics: heat balance; 6 K by trade practice',
  calculators: ['rack-heat'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'racks',
  reads: ['levels', 'racks', 'rooms'],
  nodes: [...HEAD_END_NODES, BUILDING],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inHeadEnds(read, (headEnd): RuleFinding[] => {
      const { rack, power } = headEnd;
      const about = { rack: rack.name, number: rack.code };
      const found: RuleFinding[] = tooHot(headEnd).map((one) =>
        say('stop', 'enclosure-too-hot', ofEquipment(one.id), { ...about, equipment: one.name, heatW: one.heatW }),
      );
      const wallsM2 = rack.closet?.wallM2 ?? wallsOfRoom(project, rack);
      if (wallsM2 === null || power.heatW === 0) return found;
      const heat = rackHeat.run({
        watts: power.heatW,
        riseK: limit('riseK'),
        closetM2: wallsM2,
        wallWPerM2K: rack.closet?.wallWPerM2K ?? 2,
        exhaustM3PerS: rack.closet && rack.closet.exhaustBy !== 'none' ? rack.closet.exhaustM3PerS : 0,
      });
      const riseK = heat.ok ? (heat.value.closetRiseK ?? 0) : Infinity;
      if (riseK > limit('riseK') * (1 + 1e-9))
        found.push(
          say(
            'look',
            'closet-too-hot',
            ofRack(headEnd),
            {
              ...about,
              heatW: power.heatW,
              rise: Math.round(riseK),
              mostRise: limit('riseK'),
              litres: Math.ceil(1000 * power.airM3PerS),
            },
            { measured: riseK, allowed: limit('riseK'), unit: 'K' },
          ),
        );
      return found;
    }),
});

/** Walls of the room that a head end stands in, m2; null where it stands in none. */
function wallsOfRoom(project: ProjectDocument, { levelId, x, y }: Rack): number | null {
  const room = roomAt(buildingOf(project), levelId, [x, y]);
  if (!room) return null;
  const corners = room.polygon as readonly Point2[];
  const around = corners.reduce((sum, at, n) => sum + distance2(at, corners[(n + 1) % corners.length]), 0);
  return around * ceilingHeightOf(room, project.levels[levelId]);
}
