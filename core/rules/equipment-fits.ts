import { deepest, isBeside, isRackMounted, overlaps } from '../head-end/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { equipmentName, HEAD_END_NODES, inHeadEnds, ofEquipment } from './head-end-subjects.ts';

/** Equipment has a place of its own in its head end, and plugs and cords fit behind it (ENGINEERING 15.1). */
export const equipmentFits = defineCheck({
  id: 'equipment-fits',
  title: 'Equipment fits its head end',
  source: 'IEC 60297; depth by trade practice',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  run: ({ read }) =>
    inHeadEnds(read, (headEnd): RuleFinding[] => {
      const { rack, equipment } = headEnd;
      const about = { rack: rack.name, number: rack.code };
      const found: RuleFinding[] = overlaps(headEnd).map(({ id, otherId }) =>
        say(
          'stop',
          otherId === null ? 'equipment-beyond' : 'equipment-overlaps',
          ofEquipment(...[id, otherId].flatMap((one) => one ?? [])),
          {
            ...about,
            equipment: equipmentName(headEnd, id),
            other: otherId === null ? '' : equipmentName(headEnd, otherId),
          },
        ),
      );
      const deep = deepest(headEnd);
      if (deep && (isRackMounted(rack) || rack.kind === 'enclosure') && deep.neededM > rack.depthM * (1 + 1e-9))
        found.push(
          say(
            'look',
            'equipment-too-deep',
            ofEquipment(deep.id),
            { ...about, equipment: equipmentName(headEnd, deep.id), neededM: deep.neededM, depthM: rack.depthM },
            { measured: deep.neededM, allowed: rack.depthM, unit: 'm' },
          ),
        );
      const loose = isRackMounted(rack) ? equipment.filter((one) => one.atUnit === null && !isBeside(one)) : [];
      for (const one of loose)
        found.push(say('look', 'equipment-not-placed', ofEquipment(one.id), { ...about, equipment: one.name }));
      return found;
    }),
});
