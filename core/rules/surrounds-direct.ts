import { THEATRES } from '../theatre/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { inTheatres } from './theatre-subjects.ts';

/** Surround speakers with wide dispersion stand only where no direct one can be placed, and the reason is written down (ENGINEERING 10.2). */
export const surroundsDirect = defineCheck({
  id: 'surrounds-direct',
  title: 'Surround speakers radiate as the layout wants',
  source: 'Trade practice',
  severity: 'look',
  stage: 'devices',
  appliesTo: 'rooms',
  reads: ['rooms'],
  nodes: [THEATRES],
  run: ({ project, read }) =>
    inTheatres(read, project, ({ aim, layout }, room): RuleFinding[] => {
      if (aim.surroundKind !== 'wide' || aim.surroundReason.trim() !== '') return [];
      const hasTops = layout !== null && layout.split('.').length === 3;
      return [
        say('look', hasTops ? 'surrounds-wide-with-tops' : 'surrounds-wide-no-reason', [{ in: 'rooms', id: room.id }], {
          number: room.code,
          layout: layout ?? '',
        }),
      ];
    }),
});
