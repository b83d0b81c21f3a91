import { THEATRES } from '../theatre/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';
import { inTheatres } from './theatre-subjects.ts';

const LIMITS = { contrast: { usual: 7, min: 7, max: 80, unit: '', safer: 'more' } } as const;

/** The white of a projected picture, and what the light in the room leaves of its blacks (ENGINEERING 9.4). */
export const pictureBright = defineCheck({
  id: 'picture-bright',
  title: 'Projected pictures are bright enough',
  source: 'SMPTE ST 431-1; contrast with light on by ANSI/INFOCOMM 3M',
  calculators: ['screen-brightness'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['rooms'],
  nodes: [THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, ({ projections, aim }, room) =>
      projections.flatMap(({ deviceId, cdM2, footLamberts, contrast, neededLm }): RuleFinding[] => {
        const subjects = [{ in: 'devices' as const, id: deviceId }];
        const { wantedCdM2 } = aim;
        if (cdM2 < wantedCdM2 * (1 - 1e-9))
          return [
            say(
              'look',
              'picture-dim',
              subjects,
              { number: room.code, cdM2, footLamberts, wantedCdM2, neededLm },
              {
                ...{ measured: cdM2, allowed: wantedCdM2, unit: 'cd/m²' },
              },
            ),
          ];
        if (contrast < limit('contrast') * (1 - 1e-9))
          return [
            say(
              'look',
              'picture-washed-out',
              subjects,
              { number: room.code, contrast, leastContrast: limit('contrast') },
              {
                ...{ measured: contrast, allowed: limit('contrast') },
              },
            ),
          ];
        return [];
      }),
    ),
});
