import { useProject } from '../../state/open-project.ts';
import { changeRackKind, moveRack } from '@dusky-spool/core/devices';
import { distance2, type Point2 } from '@dusky-spool/core/math';
import { setRackSlack } from '@dusky-spool/core/runs';
import {
  type Opening,
  OPENING_KINDS,
  type Rack,
  RACK_ENTRIES,
  RACK_KINDS,
  RACK_SLACKS,
  type Riser,
} from '@dusky-spool/core/model';
import { placeOpening } from '@dusky-spool/core/survey';
import { term, text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { FactField } from './FactField.tsx';
import { NumberField, SwitchField, WordsField } from '../../ui/fields.tsx';
import { Head } from './Head.tsx';
import { useChange } from './useChange.ts';

const DEGREES = 180 / Math.PI;

/** A door, window or arch. */
export function OpeningPanel({ opening }: { readonly opening: Opening }) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const { units } = project.project;
  const wall = project.walls[opening.wallId];
  const title = term(`openings.${opening.kind}`);
  const change = (after: Partial<Opening>) =>
    edit(text('survey.change', { what: title }), placeOpening(project, { ...opening, ...after }));
  const sides = [
    { value: 'start', label: text('survey.atStart') },
    { value: 'end', label: text('survey.atEnd') },
  ] as const;
  return (
    <>
      <Head title={title} line={project.levels[wall.levelId].name} />
      <div className="fields">
        <ChoiceField
          label={text('survey.kind')}
          value={opening.kind}
          options={OPENING_KINDS.map((value) => ({ value, label: term(`openings.${value}`) }))}
          onChange={(kind) => change({ kind })}
        />
        <LengthField
          label={text('survey.width')}
          valueM={opening.widthM}
          units={units}
          onChange={(widthM) => widthM && change({ widthM })}
        />
        <LengthField
          label={text('survey.fromStart')}
          valueM={opening.offsetM - opening.widthM / 2}
          units={units}
          onChange={(value) => value !== null && change({ offsetM: value + opening.widthM / 2 })}
        />
        <LengthField
          label={text('survey.fromEnd')}
          valueM={distance2(wall.a, wall.b) - opening.offsetM - opening.widthM / 2}
          units={units}
          onChange={(value) => value !== null && change({ offsetM: distance2(wall.a, wall.b) - value - opening.widthM / 2 })}
        />
        <FactField subject="openings" subjectId={opening.id} field="sillM" label={text('survey.sill')} />
        <FactField subject="openings" subjectId={opening.id} field="headM" label={text('survey.head')} />
        <LengthField
          label={text('survey.casing')}
          valueM={opening.casingWidthM}
          units={units}
          onChange={(casingWidthM) => casingWidthM !== null && change({ casingWidthM })}
        />
        <FactField subject="openings" subjectId={opening.id} field="casingDepthM" label={text('survey.recess')} />
        {opening.kind === 'door' && (
          <>
            <ChoiceField
              label={text('survey.hinge')}
              value={opening.hinge ?? 'start'}
              options={sides}
              onChange={(hinge) => change({ hinge })}
            />
            <ChoiceField
              label={text('survey.swing')}
              value={opening.swing ?? 'left'}
              options={[
                { value: 'left', label: text('survey.left') },
                { value: 'right', label: text('survey.right') },
              ]}
              onChange={(swing) => change({ swing })}
            />
          </>
        )}
        <SwitchField label={text('survey.pocket')} value={opening.pocket} onChange={(pocket) => change({ pocket })} />
        <WordsField
          label={text('survey.hardware')}
          value={opening.hardware}
          max={120}
          onChange={(hardware) => change({ hardware })}
        />
      </div>
    </>
  );
}

export function RackPanel({ rack }: { readonly rack: Rack }) {
  const project = useProject();
  const { units } = project.project;
  const change = useChange('racks', rack, rack.name);
  const edit = useProjectStore((state) => state.edit);
  const moveTo = (to: Point2) => edit(text('edit.move'), moveRack(project, rack.id, to, true));
  return (
    <>
      <Head title={rack.name} line={project.levels[rack.levelId].name} />
      <div className="fields">
        <WordsField label={text('device.name')} value={rack.name} max={60} required onChange={(name) => change({ name })} />
        <ChoiceField
          label={text('survey.kind')}
          value={rack.kind}
          options={RACK_KINDS.map((value) => ({ value, label: term(`racks.${value}`) }))}
          onChange={(kind) => edit(text('survey.kind'), changeRackKind(project, rack, kind))}
        />
        <ChoiceField
          label={text('survey.rackEntry')}
          value={rack.entry}
          options={RACK_ENTRIES.map((value) => ({ value, label: term(`rackEntries.${value}`) }))}
          onChange={(entry) => change({ entry })}
        />
        <LengthField label={text('device.x')} valueM={rack.x} units={units} onChange={(x) => x !== null && moveTo([x, rack.y])} />
        <LengthField label={text('device.y')} valueM={rack.y} units={units} onChange={(y) => y !== null && moveTo([rack.x, y])} />
        <LengthField
          label={text('survey.width')}
          valueM={rack.widthM}
          units={units}
          onChange={(widthM) => widthM && change({ widthM })}
        />
        <LengthField
          label={text('survey.depth')}
          valueM={rack.depthM}
          units={units}
          onChange={(depthM) => depthM && change({ depthM })}
        />
        <NumberField
          label={text('survey.turned')}
          value={Math.round(rack.facingRad * DEGREES)}
          min={-360}
          max={360}
          step={90}
          onChange={(degrees) => change({ facingRad: degrees / DEGREES })}
        />
        <NumberField
          label={text('survey.units')}
          value={rack.units}
          min={1}
          max={60}
          onChange={(count) => change({ units: count })}
        />
        <FactField subject="racks" subjectId={rack.id} field="entryHeightM" label={text('survey.entryHeight')} />
        <ChoiceField
          label={text('survey.rackSlack')}
          value={rack.slackStyle}
          options={RACK_SLACKS.map((value) => ({ value, label: term(`rackSlacks.${value}`) }))}
          onChange={(slackStyle) => edit(text('survey.rackSlack'), setRackSlack(project, rack, slackStyle))}
        />
      </div>
    </>
  );
}

export function RiserPanel({ riser }: { readonly riser: Riser }) {
  const project = useProject();
  const { units } = project.project;
  const change = useChange('risers', riser, riser.name);
  const levels = Object.values(project.levels).map(({ id, name }) => ({ value: id, label: name }));
  return (
    <>
      <Head title={riser.name} line={`${project.levels[riser.bottomLevelId].name} – ${project.levels[riser.topLevelId].name}`} />
      <p className="caution">{text('cautions.fire')}</p>
      <div className="fields">
        <WordsField label={text('device.name')} value={riser.name} max={60} required onChange={(name) => change({ name })} />
        <LengthField label={text('device.x')} valueM={riser.x} units={units} onChange={(x) => x !== null && change({ x })} />
        <LengthField label={text('device.y')} valueM={riser.y} units={units} onChange={(y) => y !== null && change({ y })} />
        <FactField subject="risers" subjectId={riser.id} field="widthM" label={text('survey.width')} />
        <FactField subject="risers" subjectId={riser.id} field="depthM" label={text('survey.depth')} />
        <ChoiceField
          label={text('survey.from')}
          value={riser.bottomLevelId}
          options={levels}
          onChange={(bottomLevelId) => change({ bottomLevelId })}
        />
        <ChoiceField
          label={text('survey.to')}
          value={riser.topLevelId}
          options={levels}
          onChange={(topLevelId) => change({ topLevelId })}
        />
        <WordsField
          label={text('survey.contents')}
          value={riser.contents}
          max={200}
          onChange={(contents) => change({ contents })}
        />
      </div>
    </>
  );
}
