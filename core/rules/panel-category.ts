import { weakPanels } from '../head-end/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { equipmentName, HEAD_END_NODES, inHeadEnds, ofEquipment } from './head-end-subjects.ts';

/** A panel is at least of the category of the cables on it: the weakest part is that of the link. */
export const panelCategory = defineCheck({
  id: 'panel-category',
  title: 'Panels match their cables',
  source: 'ANSI/TIA-568',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: ['racks'],
  nodes: [...HEAD_END_NODES],
  run: ({ read }) =>
    inHeadEnds(read, (headEnd, parts): RuleFinding[] =>
      weakPanels(headEnd, parts).map(({ runId, equipmentId }) =>
        say('look', 'panel-below-cable', [{ in: 'runs', id: runId }, ...ofEquipment(equipmentId)], {
          number: headEnd.needs.find((need) => need.runId === runId)?.number ?? '',
          rack: headEnd.rack.name,
          equipment: equipmentName(headEnd, equipmentId),
        }),
      ),
    ),
});
