import { distance2 } from '@dusky-spool/core/geometry';
import {
  DECISIONS,
  FACT_STATES,
  HEIGHT_EDGES,
  OPENING_KINDS,
  RACK_KINDS,
  update,
  type CollectionName,
  type Decision,
  type Feature,
  type Opening,
  type ProjectDocument,
  type Rack,
  type RecordOf,
  type Riser,
} from '@dusky-spool/core/project';
import { featureMake, placeOpening } from '@dusky-spool/core/survey';
import { Button } from 'antd';
import { term, text } from '../../../app/text.ts';
import { useProject } from '../../../state/project.ts';
import { LengthField } from '../../../ui/LengthField.tsx';
import { FactField } from './FactField.tsx';
import { ChoiceField, NumberField, SwitchField, WordsField } from './fields.tsx';

const DEGREES = 180 / Math.PI;

function Head({ title, line }: { readonly title: string; readonly line: string }) {
  return (
    <div className="punched-tag">
      <span className="punch" aria-hidden="true" />
      <div>
        <h2>{title}</h2>
        <p>{line}</p>
      </div>
    </div>
  );
}

/** Writes some fields of a record as one edit. */
function useChange<C extends CollectionName>(name: C, record: RecordOf<C>, title: string) {
  const edit = useProject((state) => state.edit);
  return (after: Partial<RecordOf<C>>) => {
    const operation = update(name, record, after);
    if (operation) edit(text('survey.change', { what: title }), [operation]);
  };
}

/** A door, window or arch. */
export function OpeningPanel({ document, opening }: { readonly document: ProjectDocument; readonly opening: Opening }) {
  const edit = useProject((state) => state.edit);
  const { units } = document.project;
  const wall = document.walls[opening.wallId];
  const title = term(`openings.${opening.kind}`);
  const change = (after: Partial<Opening>) =>
    edit(text('survey.change', { what: title }), placeOpening(document, { ...opening, ...after }));
  const sides = [
    { value: 'start', label: text('survey.atStart') },
    { value: 'end', label: text('survey.atEnd') },
  ] as const;
  return (
    <>
      <Head title={title} line={document.levels[wall.levelId].name} />
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
        <FactField document={document} subject="openings" subjectId={opening.id} field="sillM" label={text('survey.sill')} />
        <FactField document={document} subject="openings" subjectId={opening.id} field="headM" label={text('survey.head')} />
        <LengthField
          label={text('survey.casing')}
          valueM={opening.casingWidthM}
          units={units}
          onChange={(casingWidthM) => casingWidthM !== null && change({ casingWidthM })}
        />
        <FactField
          document={document}
          subject="openings"
          subjectId={opening.id}
          field="casingDepthM"
          label={text('survey.recess')}
        />
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

/** Any other thing in or around the house; the fields are those that its kind has. */
export function FeaturePanel({ document, feature }: { readonly document: ProjectDocument; readonly feature: Feature }) {
  const make = featureMake(feature.kind);
  const { units } = document.project;
  const title = term(`features.${feature.kind}`);
  const change = useChange('features', feature, title);
  const has = (field: keyof Feature) => make.fields.includes(field);
  const point = feature.points.length === 1;
  return (
    <>
      <Head title={feature.name || title} line={`${title}, ${document.levels[feature.levelId].name}`} />
      {make.kind === 'mains-route' || make.kind === 'service-panel' ? <p className="caution">{text('cautions.mains')}</p> : null}
      {make.kind === 'flue' || make.kind === 'fireplace' ? <p className="caution">{text('cautions.heat')}</p> : null}
      {make.kind === 'beam' || make.kind === 'steel' ? <p className="caution">{text('run.boring')}</p> : null}
      {make.kind === 'attic' || make.kind === 'roof-plane' ? <p className="caution">{text('cautions.heights')}</p> : null}
      <div className="fields">
        <WordsField label={text('device.name')} value={feature.name} onChange={(name) => change({ name })} />
        {point &&
          ([0, 1] as const).map((axis) => (
            <LengthField
              key={axis}
              label={text(axis === 0 ? 'device.x' : 'device.y')}
              valueM={feature.points[0][axis]}
              units={units}
              onChange={(value) =>
                value !== null && change({ points: [axis === 0 ? [value, feature.points[0][1]] : [feature.points[0][0], value]] })
              }
            />
          ))}
        {!feature.area && (
          <LengthField
            label={text('survey.width')}
            valueM={feature.widthM}
            units={units}
            onChange={(widthM) => widthM && change({ widthM })}
          />
        )}
        {point && (
          <LengthField
            label={text('survey.depth')}
            valueM={feature.depthM}
            units={units}
            onChange={(depthM) => depthM !== null && change({ depthM })}
          />
        )}
        {point && (
          <NumberField
            label={text('survey.turned')}
            value={Math.round(feature.facingRad * DEGREES)}
            min={-360}
            max={360}
            step={15}
            onChange={(degrees) => change({ facingRad: degrees / DEGREES })}
          />
        )}
        <FactField
          document={document}
          subject="features"
          subjectId={feature.id}
          field="bottomM"
          label={text('survey.lowerEdge')}
          onValue={(value) => value !== null && change({ bottomM: value, topM: Math.max(value, feature.topM) })}
        />
        <FactField
          document={document}
          subject="features"
          subjectId={feature.id}
          field="topM"
          label={text('survey.upperEdge')}
          onValue={(value) => value !== null && change({ topM: value, bottomM: Math.min(value, feature.bottomM) })}
        />
        <ChoiceField
          label={text('survey.edge')}
          value={feature.edge}
          options={HEIGHT_EDGES.map((value) => ({ value, label: term(`edges.${value}`) }))}
          onChange={(edge) => change({ edge })}
        />
        {(make.group === 'obstacle' || make.group === 'service') && (
          <LengthField
            label={text('survey.clearance')}
            valueM={feature.clearanceM}
            units={units}
            onChange={(clearanceM) => clearanceM !== null && change({ clearanceM })}
          />
        )}
        {has('pitchRad') && (
          <NumberField
            label={text('survey.pitch')}
            value={Math.round((feature.pitchRad ?? 0) * DEGREES)}
            min={0}
            max={85}
            onChange={(degrees) => change({ pitchRad: degrees / DEGREES })}
          />
        )}
        {has('insideDiameterM') && (
          <LengthField
            label={text('survey.insideDiameter')}
            valueM={feature.insideDiameterM}
            units={units}
            mayBeEmpty
            onChange={(insideDiameterM) => change({ insideDiameterM })}
          />
        )}
        {has('topLevelId') && (
          <ChoiceField
            label={text('survey.endsOn')}
            value={feature.topLevelId ?? ''}
            options={[
              { value: '', label: text('survey.sameLevel') },
              ...Object.values(document.levels).map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(id) => change({ topLevelId: id || null })}
          />
        )}
        {has('contents') && (
          <WordsField
            label={text('survey.contents')}
            value={feature.contents}
            max={300}
            onChange={(contents) => change({ contents })}
          />
        )}
        {has('tested') && (
          <ChoiceField
            label={text('survey.tested')}
            value={feature.tested ?? 'not-known'}
            options={FACT_STATES.map((value) => ({ value, label: term(`tests.${value}`) }))}
            onChange={(tested) => change({ tested })}
          />
        )}
        {has('decision') && (
          <ChoiceField
            label={text('survey.decision')}
            value={feature.decision ?? 'open'}
            options={decisionsFor(make.group).map((value) => ({ value, label: term(`decisions.${value}`) }))}
            onChange={(decision) => change({ decision })}
          />
        )}
        {has('owner') && (
          <WordsField label={text('survey.owner')} value={feature.owner} max={60} onChange={(owner) => change({ owner })} />
        )}
        {has('choiceOf') && (
          <>
            <WordsField
              label={text('survey.choiceOf')}
              value={feature.choiceOf}
              max={60}
              onChange={(choiceOf) => change({ choiceOf })}
            />
            <ChooseAlternative document={document} feature={feature} />
          </>
        )}
        <WordsField long label={text('device.note')} value={feature.note} max={2000} onChange={(note) => change({ note })} />
      </div>
    </>
  );
}

const decisionsFor = (group: string): readonly Decision[] =>
  group === 'trade' ? ['open', 'accept', 'move', 'strike'] : DECISIONS.filter((d) => !['accept', 'move', 'strike'].includes(d));

/** Of things that are alternatives to each other, one holds. */
function ChooseAlternative({ document, feature }: { readonly document: ProjectDocument; readonly feature: Feature }) {
  const edit = useProject((state) => state.edit);
  if (feature.choiceOf === '') return null;
  const choose = () => {
    const others = Object.values(document.features).filter((one) => one.choiceOf === feature.choiceOf);
    edit(
      text('survey.choose', { what: feature.choiceOf }),
      others.flatMap((one) => update('features', one, { chosen: one.id === feature.id }) ?? []),
    );
  };
  return (
    <Button size="small" disabled={feature.chosen} onClick={choose}>
      {text(feature.chosen ? 'survey.isChosen' : 'survey.chooseThis')}
    </Button>
  );
}

export function RackPanel({ document, rack }: { readonly document: ProjectDocument; readonly rack: Rack }) {
  const { units } = document.project;
  const change = useChange('racks', rack, rack.name);
  return (
    <>
      <Head title={rack.name} line={document.levels[rack.levelId].name} />
      <div className="fields">
        <WordsField label={text('device.name')} value={rack.name} max={60} onChange={(name) => name && change({ name })} />
        <ChoiceField
          label={text('survey.kind')}
          value={rack.kind}
          options={RACK_KINDS.map((value) => ({ value, label: term(`racks.${value}`) }))}
          onChange={(kind) => change({ kind })}
        />
        <LengthField label={text('device.x')} valueM={rack.x} units={units} onChange={(x) => x !== null && change({ x })} />
        <LengthField label={text('device.y')} valueM={rack.y} units={units} onChange={(y) => y !== null && change({ y })} />
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
        <FactField
          document={document}
          subject="racks"
          subjectId={rack.id}
          field="entryHeightM"
          label={text('survey.entryHeight')}
        />
      </div>
    </>
  );
}

export function RiserPanel({ document, riser }: { readonly document: ProjectDocument; readonly riser: Riser }) {
  const { units } = document.project;
  const change = useChange('risers', riser, riser.name);
  const levels = Object.values(document.levels).map(({ id, name }) => ({ value: id, label: name }));
  return (
    <>
      <Head
        title={riser.name}
        line={`${document.levels[riser.bottomLevelId].name} – ${document.levels[riser.topLevelId].name}`}
      />
      <p className="caution">{text('cautions.fire')}</p>
      <div className="fields">
        <WordsField label={text('device.name')} value={riser.name} max={60} onChange={(name) => name && change({ name })} />
        <LengthField label={text('device.x')} valueM={riser.x} units={units} onChange={(x) => x !== null && change({ x })} />
        <LengthField label={text('device.y')} valueM={riser.y} units={units} onChange={(y) => y !== null && change({ y })} />
        <FactField document={document} subject="risers" subjectId={riser.id} field="widthM" label={text('survey.width')} />
        <FactField document={document} subject="risers" subjectId={riser.id} field="depthM" label={text('survey.depth')} />
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
