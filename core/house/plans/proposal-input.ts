import type { Point2 } from '../../math/index.ts';
import type { Drawing } from './drawing.ts';
import { isNamedForWalls } from './layer-names.ts';
import type { ProposalInput } from './wall-proposals.ts';

/**
 * What some layers of a drawing say to the wall proposals, m from the drawing's own corner. Door swings may lie on any layer. A layer
 * that is not named for walls holds more than walls.
 */
export function proposalInput(
  drawing: Pick<Drawing, 'layers'>,
  metresPerUnit: number,
  walls: readonly string[],
  openings: readonly string[],
): ProposalInput {
  const m = metresPerUnit;
  const lines = (names: readonly string[]): [Point2, Point2][] =>
    drawing.layers
      .filter(({ name }) => names.includes(name))
      .flatMap(({ lines: list }) =>
        Array.from({ length: list.length / 4 }, (_, i): [Point2, Point2] => [
          [list[4 * i] * m, list[4 * i + 1] * m],
          [list[4 * i + 2] * m, list[4 * i + 3] * m],
        ]),
      );
  const arcs = drawing.layers.flatMap(({ arcs: list }) =>
    Array.from({ length: list.length / 5 }, (_, i) => ({
      centre: [list[5 * i] * m, list[5 * i + 1] * m] as Point2,
      radiusM: list[5 * i + 2] * m,
      startRad: list[5 * i + 3],
      endRad: list[5 * i + 4],
    })),
  );
  return { lines: lines(walls), openingLines: lines(openings), arcs, isMixed: !walls.some(isNamedForWalls) };
}
