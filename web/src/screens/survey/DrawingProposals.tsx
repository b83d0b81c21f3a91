import type { Proposals } from '@dusky-spool/core/house';
import { formatLength, type UnitSystem } from '@dusky-spool/core/math';
import { Button, Checkbox } from 'antd';
import { text } from '../../ground/text.ts';
import css from './survey.module.css';

interface Props {
  readonly proposals: Proposals;
  readonly units: UnitSystem;
  /** Indexes of the walls that are not accepted. */
  readonly refused: ReadonlySet<number>;
  readonly onRefused: (refused: ReadonlySet<number>) => void;
  readonly onToggle: (index: number) => void;
  readonly onPoint: (index: number | null) => void;
  readonly onLayers: () => void;
  readonly onNextMissed: () => void;
}

/** The walls that were found in a drawing, accepted one by one or all at once. */
export function DrawingProposals({ proposals, units, refused, onRefused, onToggle, onPoint, onLayers, onNextMissed }: Props) {
  const { walls, unclaimed, singleLines } = proposals;
  return (
    <>
      <p>
        <b>
          {text('drawing.found', { walls: walls.length, openings: walls.reduce((sum, wall) => sum + wall.openings.length, 0) })}
        </b>{' '}
        {singleLines && text('drawing.single')}
      </p>
      {unclaimed.length > 0 && (
        <Button size="small" onClick={onNextMissed}>
          {text('drawing.missed', { count: unclaimed.length })}
        </Button>
      )}
      <div className="panel-buttons">
        <Button size="small" onClick={() => onRefused(new Set())}>
          {text('drawing.all')}
        </Button>
        <Button size="small" onClick={() => onRefused(new Set(walls.map((_, i) => i)))}>
          {text('drawing.noneOf')}
        </Button>
        <Button size="small" onClick={onLayers}>
          {text('drawing.layers')}
        </Button>
      </div>
      <ul className={css.proposalList}>
        {walls.map((wall, i) => (
          <li key={i} onMouseEnter={() => onPoint(i)} onMouseLeave={() => onPoint(null)}>
            <Checkbox checked={!refused.has(i)} onChange={() => onToggle(i)}>
              {text('drawing.wall', {
                length: formatLength(Math.hypot(wall.a[0] - wall.b[0], wall.a[1] - wall.b[1]), units),
                thickness: formatLength(wall.thicknessM, units),
              })}
              {wall.openings.length > 0 && ` · ${text('drawing.openings', { count: wall.openings.length })}`}
              {wall.certainty < 0.8 && <em> {text('drawing.unsure')}</em>}
            </Checkbox>
          </li>
        ))}
      </ul>
    </>
  );
}
