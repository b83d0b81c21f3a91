import type { ProjectDocument } from '../model/index.ts';
import { listOf, partOf, pickedFrom } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** A box this near to a switch is its own, m. */
const OWN_BOX_M = 0.35;

const SWITCHES = partOf('smart switches', 'devices', ({ typeId }) => /smart-(switch|dimmer)/.test(typeId));

/** A smart switch has a neutral in its box (practice B07). */
export const neutralThere = defineCheck({
  id: 'neutral-there',
  title: 'Smart switches have a neutral',
  source: 'Trade practice; only a licensed electrician opens the box',
  severity: 'stop',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['deviceTypes', 'features', 'rooms'],
  nodes: [SWITCHES],
  safety: true,
  run: ({ project }) => {
    const switches = pickedFrom(project, SWITCHES);
    if (switches.length === 0) return [];
    const boxes = listOf(project, 'features').filter(({ kind }) => kind === 'existing-switch-box');
    return switches.flatMap((device): RuleFinding[] => {
      const box = boxes.find(
        ({ levelId, points: [[x, y]] }) => levelId === device.levelId && Math.hypot(x - device.x, y - device.y) <= OWN_BOX_M,
      );
      // A new box gets its neutral from the electrician.
      if (!box || box.neutral === 'present') return [];
      const isAbsent = box.neutral === 'absent';
      return [
        say(
          isAbsent ? 'stop' : 'look',
          isAbsent ? 'neutral-absent' : 'neutral-not-known',
          [
            { in: 'devices', id: device.id },
            { in: 'features', id: box.id },
          ],
          { number: roomCode(project, device.roomId), device: project.deviceTypes[device.typeId].name },
        ),
      ];
    });
  },
});

const roomCode = (project: ProjectDocument, roomId: string | null) => (roomId === null ? '' : project.rooms[roomId].code);
