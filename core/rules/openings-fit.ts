import { distance2 } from '../math/index.ts';
import type { Opening, ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { openingFits } from '../survey/index.ts';
import { type Cure, defineCheck, say } from './check.ts';

/** A door or window that does not fit its wall cannot be built; one that can be moved or narrowed to fit is offered so. */
export const openingsFit = defineCheck({
  id: 'openings-fit',
  stage: 'survey',
  title: 'Doors and windows fit their walls and end below the ceiling',
  source: 'Geometry of the survey',
  severity: 'stop',
  appliesTo: 'openings',
  reads: ['levels', 'openings', 'rooms', 'walls'],
  run: ({ project }) =>
    listOf(project, 'openings').flatMap((opening) => {
      const fits = openingFits(project, opening);
      if (fits.ok) return [];
      const { code, ...figures } = fits.problem;
      return [
        say(
          'stop',
          code,
          [{ in: 'openings', id: opening.id }],
          { ...figures, number: project.levels[project.walls[opening.wallId].levelId].name, kind: opening.kind },
          { measured: opening.widthM, unit: 'm', cures: (house) => fittingCures(house, house.openings[opening.id]) },
        ),
      ];
    }),
});

function fittingCures(project: ProjectDocument, opening: Opening | undefined): Cure[] {
  if (!opening) return [];
  const wall = project.walls[opening.wallId];
  const lengthM = distance2(wall.a, wall.b);
  const widthM = Math.min(opening.widthM, lengthM);
  const offsetM = Math.min(lengthM - widthM / 2, Math.max(widthM / 2, opening.offsetM));
  const next = { ...opening, widthM, offsetM };
  if (!openingFits(project, next).ok) return [];
  const changed = (['widthM', 'offsetM'] as const).filter((field) => next[field] !== opening[field]);
  const pick = (from: Opening) => Object.fromEntries(changed.map((field) => [field, from[field]]));
  return [
    {
      code: 'fit-opening',
      figures: { widthM, kind: opening.kind },
      operations: [{ op: 'update', in: 'openings', id: opening.id, before: pick(opening), after: pick(next) }],
    },
  ];
}
