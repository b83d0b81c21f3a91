import { memo, useMemo } from 'react';
import {
  type Bounds,
  boundsOf,
  type Box,
  centroidOf,
  formatLength,
  type LabelWish,
  placeLabels,
  type Point2,
  type UnitSystem,
} from '@dusky-spool/core/math';
import { ceilingHeightOf, slopeOf } from '@dusky-spool/core/house';
import { onLevel } from '@dusky-spool/core/derive';
import type { Device, Level, ProjectDocument, Room, Wall } from '@dusky-spool/core/model';
import { text } from '../ground/text.ts';
import type { RunLine } from './route-drawing.ts';
import type { Camera } from './picture.ts';
import css from './canvas.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly levelId: string;
  readonly devices: readonly Device[];
  readonly lines: readonly RunLine[];
  readonly camera: Camera;
}

/** Widths of one letter of a room's name and of its ceiling line, px. */
const NAME_CHARACTER = 7.9;
const LINE_CHARACTER = 6.2;

interface Words {
  readonly name: string;
  readonly ceiling: string | null;
}

const widthOf = ({ name, ceiling }: Words) => Math.max(name.length * NAME_CHARACTER, (ceiling?.length ?? 0) * LINE_CHARACTER);

/** A wall this near to a side of a room stands on it, m. */
const ON_SIDE_M = 0.05;

/** The bounds of a room inside the bodies of the straight walls on its sides, m. */
function insideOf(b: Bounds, walls: readonly Wall[]): Bounds {
  const half = (isOn: (p: Readonly<Point2>) => boolean) =>
    Math.max(0, ...walls.filter((wall) => isOn(wall.a) && isOn(wall.b)).map(({ thicknessM }) => thicknessM / 2));
  const near = (value: number, side: number) => Math.abs(value - side) <= ON_SIDE_M;
  return {
    minX: b.minX + half(([x]) => near(x, b.minX)),
    maxX: b.maxX - half(([x]) => near(x, b.maxX)),
    minY: b.minY + half(([, y]) => near(y, b.minY)),
    maxY: b.maxY - half(([, y]) => near(y, b.maxY)),
  };
}

/** Room names and ceiling heights; they move aside from beads and from each other, and leave where there is no room. */
export const LabelLayer = memo(function LabelLayer({ project, levelId, devices, lines, camera }: Props) {
  const { k } = camera;
  const labels = useMemo(() => {
    const obstacles: Box[] = devices.map(({ x, y }) => ({ x: x * k - 16, y: -y * k - 13, width: 32, height: 26 }));
    const level = project.levels[levelId];
    const rooms = Object.values(project.rooms).filter((room) => room.levelId === levelId);
    const walls = onLevel(project, 'walls', levelId);
    const said = new Map<string, Words>();
    const wishes: LabelWish[] = rooms.flatMap((room) => {
      const b = boundsOf(room.polygon as Point2[])!;
      const inside = insideOf(b, walls);
      const [left, right, top, bottom] = [inside.minX * k + 9, inside.maxX * k - 9, -inside.maxY * k + 8, -inside.minY * k - 8];
      const [cx, cy] = centroidOf(room.polygon as Point2[]);
      const ceiling = text('plan.ceiling', { height: ceilingWords(room, level, project.project.units) });
      // As much as there is room for: name and ceiling, the name alone, the code.
      const pathways: Words[] = [
        ...(k > 24 ? [{ name: room.name, ceiling }] : []),
        { name: room.name, ceiling: null },
        { name: room.code, ceiling: null },
      ];
      const words = pathways.find((pathway) => widthOf(pathway) <= right - left && (pathway.ceiling ? 30 : 15) <= bottom - top);
      if (!words) return [];
      said.set(room.id, words);
      const [width, height] = [widthOf(words), words.ceiling ? 30 : 15];
      const ys = [bottom - height, cy * -k - height / 2, top, bottom - height - 30, top + 30, (top + bottom) / 2 + 24];
      const xs = [left, cx * k - width / 2, right - width];
      return [{ id: room.id, width, height, places: ys.flatMap((y) => xs.map((x) => [x, y] as const)) }];
    });
    const placed = placeLabels(wishes, obstacles, lineBoxes(lines, k));
    return rooms.flatMap((room) => {
      const at = placed.get(room.id);
      return at ? [{ id: room.id, at, ...said.get(room.id)! }] : [];
    });
  }, [project, levelId, devices, lines, k]);
  return (
    <g className={css.labels} aria-hidden="true">
      {labels.map(({ id, at, name, ceiling }) => (
        <g key={id} transform={`translate(${at[0] / k},${-at[1] / k})`}>
          <g className="upright">
            {ceiling && (
              <text y={12} className={css.ceilingLabel}>
                {ceiling}
              </text>
            )}
            <text y={ceiling ? 27 : 12} className={css.roomLabel}>
              {name}
            </text>
          </g>
        </g>
      ))}
    </g>
  );
});

/** One height, or the low and the high one of a ceiling that slopes. */
function ceilingWords(room: Room, level: Level, units: UnitSystem): string {
  const length = (valueM: number) => formatLength(valueM, units);
  const slope = slopeOf(room);
  return slope ? `${length(slope.lowM)} – ${length(slope.highM)}` : length(ceilingHeightOf(room, level));
}

/** The screen boxes of all strands on the level. */
function lineBoxes(lines: readonly RunLine[], k: number): Box[] {
  return lines.flatMap(({ strokes }) =>
    strokes.flatMap((points) =>
      points.slice(1).map(([x, y], i): Box => {
        const [px, py] = points[i];
        return {
          x: Math.min(x, px) * k - 1,
          y: -Math.max(y, py) * k - 1,
          width: Math.abs(x - px) * k + 2,
          height: Math.abs(y - py) * k + 2,
        };
      }),
    ),
  );
}
