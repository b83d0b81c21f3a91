import { FRAMINGS, type Room } from '@dusky-spool/core/model';
import type { JoistDefaults } from '@dusky-spool/core/survey';
import { useProject } from '../../state/open-project.ts';
import { term, text } from '../../ground/text.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { commonValue } from '../../ui/common.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { FactField } from './FactField.tsx';

const DEGREES = 180 / Math.PI;
const LABELS = { joistSpacingM: 'survey.spacing', joistDepthM: 'survey.joistDepth' } as const;
const FRAMED = new Set<Room['framing']>(['solid', 'i-joist', 'open-web']);

/** Whether a framing has joists of a spacing, a depth and a direction. */
const hasJoists = (framing: Room['framing'] | undefined) => framing === undefined || FRAMED.has(framing);

/** What carries the ceiling of a level's rooms, or of several rooms; what they do not share is shown as mixed. */
export function JoistFields({
  of,
  facts,
  onChange,
}: {
  readonly of: readonly JoistDefaults[];
  /** The room whose values are facts: assumed, measured or not known. */
  readonly facts?: string;
  readonly onChange: (after: Partial<JoistDefaults>) => void;
}) {
  const { units } = useProject().project;
  const framing = commonValue(of, 'framing');
  const angleRad = commonValue(of, 'joistAngleRad');
  return (
    <div className="fields">
      <ChoiceField
        label={text('survey.framing')}
        value={framing}
        options={FRAMINGS.map((value) => ({ value, label: term(`framings.${value}`) }))}
        onChange={(next) => onChange({ framing: next })}
      />
      {hasJoists(framing) && (
        <>
          <NumberField
            label={text('survey.joistAngle')}
            value={angleRad === undefined ? undefined : Math.round(angleRad * DEGREES)}
            min={-180}
            max={360}
            step={15}
            onChange={(degrees) => onChange({ joistAngleRad: degrees / DEGREES })}
          />
          {(['joistSpacingM', 'joistDepthM'] as const).map((field) =>
            facts !== undefined ? (
              <FactField key={field} subject="rooms" subjectId={facts} field={field} label={text(LABELS[field])} />
            ) : (
              <LengthField
                key={field}
                label={text(LABELS[field])}
                valueM={commonValue(of, field) ?? null}
                placeholder={text('form.mixed')}
                units={units}
                onChange={(valueM) => valueM !== null && onChange({ [field]: valueM })}
              />
            ),
          )}
          {facts !== undefined && (
            <FactField subject="rooms" subjectId={facts} field="joistOffsetM" label={text('survey.firstJoist')} />
          )}
        </>
      )}
    </div>
  );
}
