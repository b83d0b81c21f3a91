import { conductorsUsed } from '../devices/index.ts';
import { update } from '../model/index.ts';
import { defineCheck, say } from './check.ts';

/** A run whose conductor map uses more conductors than its cable has. */
export const conductorsFit = defineCheck({
  id: 'conductors-fit',
  stage: 'cabling',
  title: 'Every conductor map fits its cable',
  source: 'Trade practice',
  severity: 'stop',
  appliesTo: 'runs',
  reads: ['cableTypes', 'conductorMaps'],
  ofRun: ({ run }, { project }) => {
    const map = run.mapId === null ? undefined : project.conductorMaps[run.mapId];
    const cable = project.cableTypes[run.cableTypeId];
    const used = map ? conductorsUsed(map) : 0;
    if (!map || used <= cable.conductors) return [];
    return [
      say(
        'stop',
        'conductors-short',
        [{ in: 'runs', id: run.id }],
        { number: run.number, map: map.name, used, cable: cable.name, has: cable.conductors },
        {
          measured: used,
          allowed: cable.conductors,
          cures: ({ runs }) => {
            const operation = runs[run.id] && update('runs', runs[run.id], { mapId: null });
            return operation ? [{ code: 'drop-map', figures: {}, operations: [operation] }] : [];
          },
        },
      ),
    ];
  },
});
