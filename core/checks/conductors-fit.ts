import { conductorsUsed } from '../devices/index.ts';
import { listOf, update } from '../project/index.ts';
import { defineCheck, type Finding } from './check.ts';

/** A run whose conductor map uses more conductors than its cable has. */
export const conductorsFit = defineCheck({
  id: 'conductors-fit',
  title: 'Every conductor map fits its cable',
  source: 'ENGINEERING 16.3, 17; practice A33',
  severity: 'stop',
  appliesTo: 'runs',
  reads: ['runs', 'cableTypes', 'conductorMaps'],
  run: ({ document }) =>
    listOf(document, 'runs').flatMap((run): Finding[] => {
      const map = run.mapId === null ? undefined : document.conductorMaps[run.mapId];
      const cable = document.cableTypes[run.cableTypeId];
      const used = map ? conductorsUsed(map) : 0;
      if (!map || used <= cable.conductors) return [];
      const operation = update('runs', run, { mapId: null });
      return [
        {
          check: 'conductors-fit',
          rank: 'stop',
          code: 'conductors-short',
          subjects: [{ in: 'runs', id: run.id }],
          measured: used,
          allowed: cable.conductors,
          unit: '',
          figures: { number: run.number, map: map.name, used, cable: cable.name, has: cable.conductors },
          cures: operation ? [{ code: 'drop-map', figures: {}, operations: [operation] }] : [],
        },
      ];
    }),
});
