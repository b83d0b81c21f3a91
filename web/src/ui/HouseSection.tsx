import { memo } from 'react';
import { levelsFromBelow } from '@dusky-spool/core/house';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { text } from '../ground/text.ts';
import css from './ui.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly levelId: string;
  readonly onPick: (levelId: string) => void;
}

const WIDTH = 92;
const LEFT = 8;

/** The building from the side, with its risers: levels are picked on it. */
export const HouseSection = memo(function HouseSection({ project, levelId, onPick }: Props) {
  const levels = levelsFromBelow(project).reverse();
  const heights = levels.map((level) => Math.max(20, Math.min(30, level.ceilingHeightM * 8)));
  const tops = heights.map((_, i) => 26 + heights.slice(0, i).reduce((sum, h) => sum + h, 0));
  const bottom = 26 + heights.reduce((sum, h) => sum + h, 0);
  const xs = Object.values(project.walls).flatMap((wall) => [wall.a[0], wall.b[0]]);
  const [minX, maxX] = [Math.min(...xs), Math.max(...xs)];
  const at = (x: number) =>
    LEFT + 6 + (xs.length === 0 || maxX === minX ? 0.5 : (x - minX) / (maxX - minX)) * (WIDTH - 2 * LEFT - 12);
  return (
    <div className={css.houseSection}>
      <div className="eyebrow" id="levels-title">
        {text('plan.levels')}
      </div>
      <svg
        width={WIDTH}
        height={bottom + 6}
        viewBox={`0 0 ${WIDTH} ${bottom + 6}`}
        role="radiogroup"
        aria-labelledby="levels-title"
      >
        <path d={`M2 26 ${WIDTH / 2} 4 ${WIDTH - 2} 26Z`} className="section-roof" />
        <path d={`M${LEFT - 6} ${bottom}H${WIDTH - LEFT + 6}`} className="section-ground" />
        {levels.map((level, i) => (
          <g
            key={level.id}
            role="radio"
            tabIndex={0}
            aria-checked={level.id === levelId}
            aria-label={level.name}
            className={level.id === levelId ? `${css.sectionLevel} here` : css.sectionLevel}
            onClick={() => onPick(level.id)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') onPick(level.id);
            }}
          >
            <rect x={LEFT} y={tops[i]} width={WIDTH - 2 * LEFT} height={heights[i]} />
            <text x={LEFT + 7} y={tops[i] + heights[i] / 2 + 4}>
              {level.name.length > 9 ? `${level.name.slice(0, 8)}.` : level.name}
            </text>
          </g>
        ))}
        {listOf(project, 'risers').map((riser) => {
          const index = (id: string) => levels.findIndex((level) => level.id === id);
          const [high, low] = [
            Math.min(index(riser.topLevelId), index(riser.bottomLevelId)),
            Math.max(index(riser.topLevelId), index(riser.bottomLevelId)),
          ];
          return (
            <path
              key={riser.id}
              d={`M${at(riser.x)} ${tops[high] + 3}V${tops[low] + heights[low] - 3}`}
              className="section-riser"
            />
          );
        })}
      </svg>
    </div>
  );
});
