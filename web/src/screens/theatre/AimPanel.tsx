import { ROOM_SURFACES, type TheatreAim } from '@dusky-spool/core/model';
import { type Reflection, reflectionsOf, type Theatre, type TheatreFrame } from '@dusky-spool/core/theatre';
import { formatArea, formatLength } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, SwitchField } from '../../ui/fields.tsx';
import { FrontWallFields } from './FrontWallFields.tsx';
import { ModeList } from './Modes.tsx';
import css from './theatre.module.css';

interface Props {
  readonly theatre: Theatre;
  readonly frame: TheatreFrame;
  readonly mayPlan: boolean;
  readonly onChange: (after: Partial<TheatreAim>) => void;
}

/** What the room is designed for, and what it is made of. */
export function AimPanel({ theatre, frame, mayPlan, onChange }: Props) {
  const { aim, sound, bass } = theatre;
  const project = useProject();
  const { units } = project.project;
  const number = (
    field: 'peakDb' | 'amplifierW' | 'wantedCdM2' | 'lightLeft' | 'ambientLx' | 't60S' | 'panelsM2',
    min: number,
    max: number,
    step: number,
  ) => (
    <NumberField
      label={text(`theatre.aim.${field}`)}
      value={aim[field]}
      {...{ min, max, step }}
      onChange={(value) => onChange({ [field]: value })}
    />
  );
  const optional = (field: 'wantedDeg' | 'workBudgetH', min: number, max: number) => (
    <NumberField
      label={text(`theatre.aim.${field}`)}
      value={aim[field] ?? undefined}
      placeholder={text('theatre.aim.any')}
      {...{ min, max }}
      onChange={(value) => onChange({ [field]: value })}
      onEmpty={() => onChange({ [field]: null })}
    />
  );
  return (
    <fieldset className={css.panel} disabled={!mayPlan}>
      <div className={css.fields}>
        {optional('wantedDeg', 10, 120)}
        {optional('workBudgetH', 0.5, 1000)}
        {number('peakDb', 60, 125, 1)}
        {number('amplifierW', 1, 10_000, 10)}
        {number('wantedCdM2', 5, 2000, 1)}
        {number('lightLeft', 0.05, 1, 0.05)}
        {number('ambientLx', 0, 100_000, 1)}
      </div>
      <ModeList {...{ theatre, onChange }} room={project.rooms[theatre.roomId]} />
      <FrontWallFields {...{ theatre, onChange }} />
      <h4>{text('theatre.aim.room')}</h4>
      <div className={css.fields}>
        {(['floor', 'walls', 'ceiling'] as const).map((part) => (
          <ChoiceField
            key={part}
            label={text(`theatre.aim.${part}`)}
            value={aim.surfaces[part]}
            options={ROOM_SURFACES.map((value) => ({ value, label: text(`theatre.surfaces.${value}`) }))}
            onChange={(value) => onChange({ surfaces: { ...aim.surfaces, [part]: value } })}
          />
        ))}
        {number('panelsM2', 0, 1000, 1)}
        {number('t60S', 0.1, 5, 0.1)}
      </div>
      <ul className={css.methods}>
        {sound.rt60S !== null && sound.targetS !== null && (
          <li>{text('theatre.room.reverberation', { s: sound.rt60S.toFixed(2), target: sound.targetS.toFixed(2) })}</li>
        )}
        {sound.panelsM2 && (
          <li>
            {text('theatre.room.panels', {
              from: formatArea(sound.panelsM2[0], units),
              to: formatArea(sound.panelsM2[1], units),
            })}
          </li>
        )}
        <li>{text(sound.ratiosPass ? 'theatre.room.ratiosPass' : 'theatre.room.ratiosFail')}</li>
        {bass.isApproximate && <li>{text('theatre.room.approximate')}</li>}
        <li>{text('theatre.room.noise')}</li>
      </ul>
      <Drapes {...{ theatre, onChange }} />
      <Reflections {...{ theatre, frame }} />
      <Cautions ids={['C14']} />
    </fieldset>
  );
}

/** Doors and windows of the room: behind heavy drapes they neither shine nor ring. */
function Drapes({ theatre, onChange }: Pick<Props, 'theatre' | 'onChange'>) {
  const { units } = useProject().project;
  const { openings } = theatre.sound;
  const { drapedOpeningIds } = theatre.aim;
  if (openings.length === 0) return null;
  const drape = (id: string, isDraped: boolean) =>
    onChange({ drapedOpeningIds: isDraped ? [...drapedOpeningIds, id] : drapedOpeningIds.filter((one) => one !== id) });
  return (
    <>
      <h4>{text('theatre.room.drapes')}</h4>
      <div className={css.fields}>
        {openings.map(({ opening, areaM2, isDraped }, n) => (
          <SwitchField
            key={opening.id}
            label={text(`theatre.room.openings.${opening.kind}`, { n: n + 1, area: formatArea(areaM2, units) })}
            value={isDraped}
            onChange={(value) => drape(opening.id, value)}
          />
        ))}
      </div>
    </>
  );
}

const reflectionWords = (
  { channel, surface, awayM, atM, laterMs, levelDb }: Reflection,
  length: (valueM: number) => string,
): string =>
  text(`theatre.room.reflection.${surface}`, {
    channel: term(`channels.${channel}`),
    away: length(awayM),
    at: length(Math.abs(atM)),
    ms: laterMs.toFixed(1),
    db: levelDb.toFixed(1),
  });

/** Where panels belong for the fronts. */
function Reflections({ theatre, frame }: Pick<Props, 'theatre' | 'frame'>) {
  const project = useProject();
  const { units } = project.project;
  const panels = reflectionsOf(project, project.rooms[theatre.roomId], theatre, frame).filter(({ treat }) => treat);
  return (
    <>
      <h4>{text('theatre.room.reflections')}</h4>
      <ul className={css.methods}>
        {panels.map((one) => (
          <li key={`${one.channel} ${one.surface} ${one.awayM}`}>
            {reflectionWords(one, (valueM) => formatLength(valueM, units))}
          </li>
        ))}
        {panels.length === 0 && <li>{text('theatre.room.noReflections')}</li>}
      </ul>
    </>
  );
}
