import { buildingOf, wallsOf } from '../house/index.ts';
import type { Point2 } from '../math/index.ts';
import { type ProjectDocument, type Rack, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** One can stand and work before a rack or panel (ENGINEERING 8.1, 15.1). */
export const rackFrontClear = defineCheck({
  id: 'rack-front-clear',
  title: 'There is room to work before every rack and panel',
  source: 'Trade practice: 760 mm wide, 760 to 910 mm deep',
  severity: 'look',
  stage: 'survey',
  appliesTo: 'racks',
  reads: ['features', 'framingMembers', 'levels', 'openings', 'racks', 'risers', 'rooms', 'walls'],
  limits: { depthM: { usual: 0.76, min: 0.6, max: 1.2, unit: 'm', safer: 'more' } },
  run: ({ project, limit }) =>
    listOf(project, 'racks').flatMap((rack): RuleFinding[] => {
      const wantedM = limit('depthM');
      const freeM = freeBefore(project, rack, rack.facingRad, wantedM);
      if (freeM >= wantedM * (1 - 1e-9)) return [];
      return [
        say(
          'look',
          'rack-no-room',
          [{ in: 'racks', id: rack.id }],
          { number: rack.code, rack: rack.name, freeM, needM: wantedM },
          {
            measured: freeM,
            allowed: wantedM,
            unit: 'm',
            cures: (house) => turned(house, house.racks[rack.id], wantedM),
          },
        ),
      ];
    }),
});

/** How far it is from the front of a rack to the next wall, as far as it matters, m. */
function freeBefore(project: ProjectDocument, rack: Rack, facingRad: number, wantedM: number): number {
  const [fx, fy] = [Math.cos(facingRad), Math.sin(facingRad)];
  const front: Point2 = [rack.x + (fx * rack.depthM) / 2, rack.y + (fy * rack.depthM) / 2];
  let min = Infinity;
  for (const aside of [-0.38, -0.2, 0, 0.2, 0.38]) {
    const from: Point2 = [front[0] - fy * aside, front[1] + fx * aside];
    const to: Point2 = [from[0] + fx * (wantedM + 0.3), from[1] + fy * (wantedM + 0.3)];
    for (const { wall, t } of wallsOf(buildingOf(project), rack.levelId).crossing(from, to))
      min = Math.min(min, t * (wantedM + 0.3) - wall.thicknessM / 2);
  }
  return Math.max(0, min);
}

function turned(project: ProjectDocument, rack: Rack | undefined, wantedM: number) {
  if (!rack) return [];
  for (const by of [Math.PI, Math.PI / 2, -Math.PI / 2]) {
    const facingRad = Math.atan2(Math.sin(rack.facingRad + by), Math.cos(rack.facingRad + by));
    if (freeBefore(project, rack, facingRad, wantedM) < wantedM) continue;
    const operation = update('racks', rack, { facingRad });
    return operation ? [{ code: 'turn-rack', figures: {}, operations: [operation] }] : [];
  }
  return [];
}
