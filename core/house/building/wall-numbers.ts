import { derivationsOf, listOf, onLevel, whole } from '../../derive/index.ts';
import type { ProjectDocument, Wall } from '../../model/index.ts';

/** Walls whose middles lie less apart than this up the sheet are in one row, m. */
const ROW_M = 0.5;

/** The numbers of walls on sheets, W1, W2 and so on for each level: row by row from the upper left of the plan. */
const WALL_NUMBERS = whole<ReadonlyMap<string, string>>({
  name: 'wall numbers',
  tables: ['levels', 'walls'],
  make: ({ project }) =>
    new Map(
      listOf(project, 'levels').flatMap(({ id }) =>
        [...(onLevel(project, 'walls', id) as readonly Wall[])]
          .sort(fromUpperLeft)
          .map((wall, n): [string, string] => [wall.id, `W${n + 1}`]),
      ),
    ),
});

const middleOf = ({ a, b }: Wall) => ({ x: (a[0] + b[0]) / 2, row: -Math.round((a[1] + b[1]) / 2 / ROW_M) });

function fromUpperLeft(one: Wall, other: Wall): number {
  const [p, q] = [middleOf(one), middleOf(other)];
  return p.row - q.row || p.x - q.x || (one.id < other.id ? -1 : 1);
}

/** The number of each wall by its id. */
export const wallNumbers = (project: ProjectDocument): ReadonlyMap<string, string> => derivationsOf(project).get(WALL_NUMBERS);
