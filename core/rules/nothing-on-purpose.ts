import { againstBrief, DEVICES_BY_AREA } from '../brief/index.ts';
import { update } from '../model/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { cellSubject } from './brief-subject.ts';

/** A device where nothing was to come on purpose: one of the two is wrong. */
export const nothingOnPurpose = defineCheck({
  id: 'nothing-on-purpose',
  stage: 'brief',
  title: 'Nothing stands where the brief wants nothing',
  source: 'Trade practice',
  severity: 'look',
  appliesTo: 'rooms',
  reads: ['briefCells', 'deviceTypes', 'devices', 'features', 'levels', 'rooms'],
  nodes: [DEVICES_BY_AREA],
  run: ({ project }) =>
    againstBrief(project).map(({ cell, devices }): RuleFinding => {
      const { subjects, figures } = cellSubject(project, cell);
      return say(
        'look',
        'brief-nothing-wanted',
        [...subjects, ...devices.map(({ id }) => ({ in: 'devices' as const, id }))],
        { ...figures, placed: devices.length },
        {
          measured: devices.length,
          allowed: 0,
          cures: ({ briefCells }) => {
            const now = briefCells[cell.id];
            const operation = now && update('briefCells', now, { answer: 'wanted', count: devices.length });
            return operation ? [{ code: 'brief-want', figures: { topic: cell.topic }, operations: [operation] }] : [];
          },
        },
      );
    }),
});
