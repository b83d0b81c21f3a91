import { type ProjectHeader, updateProject } from '@dusky-spool/core/model';
import { useRight } from '../../ground/api/session.ts';
import { text, textNamed } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';

const DEGREES = 180 / Math.PI;
/** Where north lies on the plan, as degrees clockwise from straight up. */
const COMPASS = [0, 45, 90, 135, 180, 225, 270, 315] as const;

const turnOf = (northRad: number): number => Math.round((((90 - northRad * DEGREES) % 360) + 360) % 360);
const northOf = (turn: number): number => {
  const rad = (90 - turn) / DEGREES;
  return Math.atan2(Math.sin(rad), Math.cos(rad));
};

/** What stands in the title block of a plan: asked where it is printed, kept for every sheet after it. */
export function TitleBlock() {
  const { project: header } = useProject();
  const { edit } = useProjectParts('edit');
  const mayPlan = useRight('plan');
  const change = (after: Partial<ProjectHeader>) => {
    const operation = updateProject(header, after);
    if (operation) edit(text('edit.facts'), [operation]);
  };
  if (!mayPlan) return null;
  const turn = header.northRad === null ? null : turnOf(header.northRad);
  return (
    <>
      <div className="eyebrow">{text('schedule.titleBlock')}</div>
      <div className="fields">
        <WordsField label={text('schedule.firm')} value={header.firm} max={120} onChange={(firm) => change({ firm })} />
        <WordsField
          label={text('schedule.firmContact')}
          value={header.firmContact}
          max={200}
          onChange={(firmContact) => change({ firmContact })}
        />
        <WordsField
          label={text('stage.brief.client')}
          value={header.client}
          max={120}
          onChange={(client) => change({ client })}
        />
        <WordsField
          label={text('stage.brief.address')}
          value={header.address}
          max={300}
          onChange={(address) => change({ address })}
        />
        <ChoiceField
          label={text('schedule.north')}
          value={turn === null ? 'none' : String(turn)}
          options={[
            { value: 'none', label: text('schedule.noNorth') },
            ...COMPASS.map((value) => ({ value: String(value), label: textNamed('schedule.compass', String(value)) })),
            ...(turn === null || (COMPASS as readonly number[]).includes(turn)
              ? []
              : [{ value: String(turn), label: text('schedule.turned', { turn }) }]),
          ]}
          onChange={(value) => change({ northRad: value === 'none' ? null : northOf(Number(value)) })}
        />
        {turn !== null && (
          <NumberField
            label={text('schedule.northTurn')}
            value={turn}
            min={0}
            max={359}
            onChange={(value) => change({ northRad: northOf(value) })}
          />
        )}
      </div>
    </>
  );
}
