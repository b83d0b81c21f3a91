import { HEAD_END_PARTS, RF_LEVELS } from '../head-end/index.ts';
import { type Equipment, update } from '../model/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { ofEquipment } from './head-end-subjects.ts';

/** Coax outputs that nothing hangs on are closed with 75 ohm (ENGINEERING 5.6). */
export const rfTerminated = defineCheck({
  id: 'rf-terminated',
  title: 'Unused coax outputs are terminated',
  source: 'Trade practice: what is open reflects',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: [],
  nodes: [HEAD_END_PARTS, RF_LEVELS],
  run: ({ read }): RuleFinding[] => {
    const { equipmentById } = read.get(HEAD_END_PARTS);
    const open = new Map<string, string[]>();
    for (const { equipmentId, port } of read.get(RF_LEVELS).unterminated)
      open.set(equipmentId, [...(open.get(equipmentId) ?? []), port]);
    return [...open].map(([id, ports]) =>
      say(
        'look',
        'coax-open',
        ofEquipment(id),
        { equipment: equipmentById.get(id)!.name, count: ports.length, ports },
        {
          cures: ({ equipment }) => {
            const change = update('equipment', equipment[id] as Equipment, { closesUnused: true });
            return change ? [{ code: 'close-with-75-ohm', figures: { count: ports.length }, operations: [change] }] : [];
          },
        },
      ),
    );
  },
});
