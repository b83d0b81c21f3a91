import { chooseAlternative } from '../../commands/choose-alternative.ts';
import { useProject } from '../../state/open-project.ts';
import { featureMake, signatureOf } from '@dusky-spool/core/house';
import {
  CONDITIONS,
  type Decision,
  DECISIONS,
  FACT_STATES,
  type Feature,
  HEIGHT_EDGES,
  NEUTRALS,
  SUBSTRATES,
} from '@dusky-spool/core/model';
import { keepFromMains } from '@dusky-spool/core/calculators';
import { formatLength } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { FactField } from './FactField.tsx';
import { NumberField, SwitchField, WordsField } from '../../ui/fields.tsx';
import { FoundUses } from './FoundUses.tsx';
import { Head } from './Head.tsx';
import { OnSite } from './OnSite.tsx';
import { useChange } from './useChange.ts';
import { Button } from 'antd';

const DEGREES = 180 / Math.PI;

/** Any other thing in or around the house; the fields are those that its kind has. */
export function FeaturePanel({ feature }: { readonly feature: Feature }) {
  const project = useProject();
  const make = featureMake(feature.kind);
  const { units } = project.project;
  const title = term(`features.${feature.kind}`);
  const change = useChange('features', feature, title);
  const has = (field: keyof Feature) => make.fields.includes(field);
  const point = feature.points.length === 1;
  const signed = signatureOf(project, feature.id);
  return (
    <>
      <Head title={feature.name || title} line={`${title}, ${project.levels[feature.levelId].name}`} />
      {signed && <p className="caution">{text('survey.waySigned', { by: signed.by, on: signed.on })}</p>}
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
          subject="features"
          subjectId={feature.id}
          field="bottomM"
          label={text('survey.lowerEdge')}
          onValue={(value) => value !== null && change({ bottomM: value, topM: Math.max(value, feature.topM) })}
        />
        <FactField
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
        {has('circuits') && (
          <NumberField
            label={text('survey.circuits')}
            value={feature.circuits}
            min={0}
            max={1000}
            step={1}
            onChange={(circuits) => change({ circuits: Math.round(circuits) })}
          />
        )}
        {has('circuits') && feature.clearanceM === 0 && (
          <p className="faint wide">
            {text('survey.keepByTable', {
              keep: formatLength(keepFromMains(feature, project.project.jurisdiction, 'a'), units),
            })}
          </p>
        )}
        {!point && has('facingRad') && (
          <NumberField
            label={text('survey.ridgeRuns')}
            value={Math.round(feature.facingRad * DEGREES)}
            min={-360}
            max={360}
            step={15}
            onChange={(degrees) => change({ facingRad: degrees / DEGREES })}
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
        {(feature.kind === 'conduit' || feature.kind === 'underground-way' || feature.kind === 'screed-way') && (
          <SwitchField label={text('survey.reserved')} value={feature.reserved} onChange={(reserved) => change({ reserved })} />
        )}
        {has('topLevelId') && (
          <ChoiceField
            label={text('survey.endsOn')}
            value={feature.topLevelId ?? ''}
            options={[
              { value: '', label: text('survey.sameLevel') },
              ...Object.values(project.levels).map(({ id, name }) => ({ value: id, label: name })),
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
        {has('substrate') && (
          <ChoiceField
            label={text('survey.substrate')}
            value={feature.substrate ?? 'unknown'}
            options={SUBSTRATES.map((value) => ({ value, label: term(`substrates.${value}`) }))}
            onChange={(substrate) => change({ substrate })}
          />
        )}
        {has('condition') && (
          <ChoiceField
            label={text('survey.condition')}
            value={feature.condition ?? 'not-known'}
            options={CONDITIONS.map((value) => ({ value, label: term(`conditions.${value}`) }))}
            onChange={(condition) => change({ condition })}
          />
        )}
        {has('neutral') && (
          <ChoiceField
            label={text('survey.neutral')}
            value={feature.neutral ?? 'not-known'}
            options={NEUTRALS.map((value) => ({ value, label: term(`neutrals.${value}`) }))}
            onChange={(neutral) => change({ neutral })}
          />
        )}
        {has('partners') && (
          <WordsField
            label={text('survey.partners')}
            value={feature.partners}
            max={120}
            onChange={(partners) => change({ partners })}
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
        {has('routeKnown') && (
          <SwitchField
            label={text('survey.routeKnown')}
            value={feature.routeKnown}
            onChange={(routeKnown) => change({ routeKnown })}
          />
        )}
        {has('boreLeave') && (
          <WordsField
            label={text('survey.boreLeave')}
            value={feature.boreLeave}
            max={120}
            onChange={(boreLeave) => change({ boreLeave })}
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
              onChange={(choiceOf) => change({ choiceOf, ...(choiceOf === '' ? { chosen: true } : {}) })}
            />
            <ChooseAlternative feature={feature} />
          </>
        )}
        <WordsField long label={text('device.note')} value={feature.note} max={2000} onChange={(note) => change({ note })} />
      </div>
      <OnSite feature={feature} />
      {make.group === 'existing' && <FoundUses feature={feature} />}
    </>
  );
}

const decisionsFor = (group: string): readonly Decision[] =>
  group === 'trade' ? ['open', 'accept', 'move', 'strike'] : DECISIONS.filter((d) => !['accept', 'move', 'strike'].includes(d));

/** Of things that are alternatives to each other, one holds. */
function ChooseAlternative({ feature }: { readonly feature: Feature }) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  if (feature.choiceOf === '') return null;
  const choose = () => {
    edit(text('survey.choose', { what: feature.choiceOf }), chooseAlternative(project, feature));
  };
  return (
    <Button size="small" disabled={feature.chosen} onClick={choose}>
      {text(feature.chosen ? 'survey.isChosen' : 'survey.chooseThis')}
    </Button>
  );
}
