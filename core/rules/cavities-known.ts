import { distance2 } from '../math/index.ts';
import { listOf } from '../derive/index.ts';
import { factOf } from '../house/index.ts';
import { defineCheck, say } from './check.ts';

/** A cavity that somebody looked for and could not know, in a wall that devices are meant for: practice B07. */
export const cavitiesKnown = defineCheck({
  id: 'cavities-known',
  stage: 'survey',
  title: 'Cavities that devices go into are measured',
  source: 'Trade practice',
  severity: 'look',
  appliesTo: 'walls',
  reads: ['facts', 'levels', 'walls'],
  run: ({ project }) =>
    listOf(project, 'walls').flatMap((wall) =>
      factOf(project, 'walls', wall.id, 'cavityDepthM')?.state === 'not-known'
        ? [
            say(
              'look',
              'cavity-not-known',
              [{ in: 'walls', id: wall.id }],
              {
                number: project.levels[wall.levelId].code,
                place: project.levels[wall.levelId].name,
                wallM: distance2(wall.a, wall.b),
              },
              { measured: wall.cavityDepthM, unit: 'm' },
            ),
          ]
        : [],
    ),
});
