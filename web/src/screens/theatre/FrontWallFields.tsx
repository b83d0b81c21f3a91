import { FRONT_WALLS, SURROUND_KINDS, type TheatreAim } from '@dusky-spool/core/model';
import { formatLength } from '@dusky-spool/core/math';
import { type FrontWall, frontWallOf, type Theatre } from '@dusky-spool/core/theatre';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import css from './theatre.module.css';

interface Props {
  readonly theatre: Theatre;
  readonly onChange: (after: Partial<TheatreAim>) => void;
}

/** What the picture and the surrounds are built into, and what that makes of the fronts. */
export function FrontWallFields({ theatre, onChange }: Props) {
  const { aim } = theatre;
  const project = useProject();
  const { units } = project.project;
  const front = frontWallOf(project, project.rooms[theatre.roomId], theatre);
  return (
    <>
      <h4>{text('theatre.frontWall.title')}</h4>
      <div className={css.fields}>
        <ChoiceField
          label={text('theatre.frontWall.kind')}
          value={aim.frontWall}
          options={FRONT_WALLS.map((value) => ({ value, label: text(`theatre.frontWall.kinds.${value}`) }))}
          onChange={(frontWall) => onChange({ frontWall })}
        />
        {aim.frontWall === 'panels' && (
          <>
            <LengthField
              label={text('theatre.frontWall.standOff')}
              valueM={aim.standOffM}
              units={units}
              minM={0}
              maxM={2}
              onChange={(standOffM) => standOffM !== null && onChange({ standOffM })}
            />
            <NumberField
              label={text('theatre.frontWall.weight')}
              value={aim.panelKgM2}
              min={0.5}
              max={60}
              step={0.5}
              onChange={(panelKgM2) => onChange({ panelKgM2 })}
            />
          </>
        )}
        <LengthField
          label={text('theatre.frontWall.columns')}
          valueM={aim.columnDepthM}
          units={units}
          minM={0}
          maxM={1}
          onChange={(columnDepthM) => columnDepthM !== null && onChange({ columnDepthM })}
        />
        <ChoiceField
          label={text('theatre.frontWall.surrounds')}
          value={aim.surroundKind}
          options={SURROUND_KINDS.map((value) => ({ value, label: text(`theatre.frontWall.surroundKinds.${value}`) }))}
          onChange={(surroundKind) => onChange({ surroundKind })}
        />
        {aim.surroundKind === 'wide' && (
          <WordsField
            label={text('theatre.frontWall.reason')}
            value={aim.surroundReason}
            max={200}
            onChange={(surroundReason) => onChange({ surroundReason })}
          />
        )}
      </div>
      {front && <FrontFigures front={front} length={(valueM) => formatLength(valueM, units)} />}
    </>
  );
}

function FrontFigures({ front, length }: { readonly front: FrontWall; readonly length: (valueM: number) => string }) {
  const { kind, marginM, cabinetM, place, panels, soundBar, leads } = front;
  return (
    <ul className={css.methods}>
      <li>{text(`theatre.frontWall.places.${place}`, { margin: length(Math.max(0, marginM)), cabinet: length(cabinetM) })}</li>
      {panels && (
        <li>
          {text('theatre.frontWall.panels', {
            count: panels.count,
            width: length(panels.widthM),
            height: length(panels.heightM),
            kg: panels.eachKg.toFixed(1),
          })}
        </li>
      )}
      {soundBar && (kind === 'sound-bar' || soundBar.missingDeg > 0) && (
        <li>
          {text('theatre.frontWall.soundBar', {
            width: length(soundBar.widthM),
            deg: soundBar.endsDeg.toFixed(0),
            missing: soundBar.missingDeg.toFixed(0),
            points: soundBar.lostPoints.toFixed(1),
            needed: length(soundBar.neededM),
          })}
        </li>
      )}
      {leads.map(({ deviceId, beyondM }) => (
        <li key={deviceId}>
          {text(beyondM < 0 ? 'theatre.frontWall.leadBehind' : 'theatre.frontWall.lead', { by: length(Math.abs(beyondM)) })}
        </li>
      ))}
    </ul>
  );
}
