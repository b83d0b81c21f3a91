import { onLevel } from '@dusky-spool/core/derive';
import { pointInPolygon, type Point2 } from '@dusky-spool/core/math';
import type { Room, TheatreAim } from '@dusky-spool/core/model';
import { modesOf, switchMode, type Theatre } from '@dusky-spool/core/theatre';
import { Segmented } from 'antd';
import { useMemo } from 'react';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import css from './theatre.module.css';

interface Props {
  readonly theatre: Theatre;
  readonly room: Room;
}

/** The ways the room is used as one switch: its furniture changes with it. Nothing where the room has one way. */
export function ModeSwitch({ theatre, room, mayPlan }: Props & { readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { modes } = theatre.aim;
  if (modes.length < 2) return null;
  // The header is drawn with every step of a drag: what stands is enough, no mode is judged for it.
  const on = modes.findIndex((mode) => switchMode(project, room, modes, mode).length === 0);
  return (
    <Segmented
      size="small"
      disabled={!mayPlan}
      aria-label={text('theatre.modes.label')}
      value={on}
      options={modes.map(({ name }, value) => ({ value, label: name }))}
      onChange={(n) => edit(text('theatre.modes.switch', { name: modes[n].name }), switchMode(project, room, modes, modes[n]))}
    />
  );
}

/** Every mode with what it is worth; what stands now can be kept as another. */
export function ModeList({ theatre, room, onChange }: Props & { readonly onChange: (after: Partial<TheatreAim>) => void }) {
  const project = useProject();
  const { modes } = theatre.aim;
  const figures = useMemo(() => modesOf(project, room, { modes }), [project, room, modes]);
  const furniture = furnitureOf(project, room);
  const keep = () => {
    const featureIds = furniture.filter(({ chosen, choiceOf }) => chosen || choiceOf === '').map(({ id }) => id);
    onChange({ modes: [...modes, { name: text('theatre.modes.new', { n: modes.length + 1 }), featureIds }] });
  };
  return (
    <>
      <h4>{text('theatre.modes.title')}</h4>
      <p className="faint">{text('theatre.modes.lead')}</p>
      {figures.map((one, n) => (
        <div key={n} className={css.mode}>
          <WordsField
            label={text('theatre.modes.name', { n: n + 1 })}
            value={one.name}
            max={40}
            required
            onChange={(name) => onChange({ modes: modes.map((mode, k) => (k === n ? { ...mode, name } : mode)) })}
          />
          <span>
            {text('theatre.modes.figures', { count: one.seats, score: one.score === null ? '–' : one.score.toFixed(0) })}
            {one.hidden > 0 && ` ${text('theatre.modes.hidden', { count: one.hidden })}`}
            {one.isOn && ` ${text('theatre.modes.on')}`}
          </span>
          <SmallButton onClick={() => onChange({ modes: modes.filter((_, k) => k !== n) })}>
            {text('theatre.modes.remove')}
          </SmallButton>
        </div>
      ))}
      {furniture.length > 0 && modes.length < 6 && <SmallButton onClick={keep}>{text('theatre.modes.keep')}</SmallButton>}
    </>
  );
}

const FURNITURE = new Set(['bed', 'sofa', 'chair', 'table', 'desk', 'cabinet', 'seat-row', 'other-furniture']);

const furnitureOf = (project: ReturnType<typeof useProject>, room: Room) =>
  onLevel(project, 'features', room.levelId).filter(
    ({ kind, points }) => FURNITURE.has(kind) && pointInPolygon(points[0] as Point2, room.polygon as readonly Point2[]),
  );
