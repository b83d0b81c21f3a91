import { addPhase } from '../../commands/add-phase.ts';
import { setTradeDate } from '../../commands/set-trade-date.ts';
import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { setSpeakerColours } from '@dusky-spool/core/devices';
import {
  DATA_CABLES,
  JURISDICTIONS,
  PROJECT_DEFAULTS,
  type ProjectDefaultsReply,
  type ProjectHeader,
  removeWithDependants,
  SLACK_STYLES,
  SPEAKER_COLOURS,
  SPEAKER_PAIRS,
  TRADE_GATES,
  updateProject,
} from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { putJson } from '../../ground/api/http.ts';
import { useRight } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Cautions } from '../../ui/Cautions.tsx';
import { Costs } from '../../ui/Costs.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { DayField } from '../../ui/DayField.tsx';
import { App as AntApp, Button, InputNumber, Segmented, Select } from 'antd';
import css from './brief.module.css';

/** The facts of the job, its phases and the dates of its trades. */
export function JobFacts() {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const header = project.project;
  const mayOwn = useRight('own');
  const change = (after: Partial<ProjectHeader>) => {
    const operation = updateProject(header, after);
    if (operation) edit(text('edit.facts'), [operation]);
  };
  return (
    <section className={css.briefPage}>
      <p className="faint">{text('stage.brief.lead')}</p>
      <Cautions ids={header.construction === 'new-framing' ? ['C21'] : ['C21', 'C17']} />
      <div className={css.briefFacts}>
        <WordsField
          label={text('stage.brief.name')}
          value={header.name}
          max={120}
          required
          onChange={(name) => change({ name })}
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
        <WordsField
          label={text('stage.brief.description')}
          value={header.description}
          max={2000}
          onChange={(description) => change({ description })}
        />
        <div className="field">
          <span>{text('stage.brief.units')}</span>
          <Segmented
            value={header.units}
            onChange={(units) => change({ units })}
            options={(['metric', 'imperial'] as const).map((value) => ({ value, label: term(`units.${value}`) }))}
          />
        </div>
        <label className="field">
          <span>{text('stage.brief.jurisdiction')}</span>
          <Select
            aria-label={text('stage.brief.jurisdiction')}
            value={header.jurisdiction}
            onChange={(jurisdiction) => change({ jurisdiction })}
            options={JURISDICTIONS.map((value) => ({ value, label: text(`stage.brief.regions.${value}`) }))}
          />
        </label>
        <label className="field">
          <span>{text('stage.brief.waste')}</span>
          <InputNumber
            aria-label={text('stage.brief.waste')}
            min={1}
            max={1.5}
            step={0.01}
            value={header.wasteFactor}
            onChange={(wasteFactor) => wasteFactor !== null && change({ wasteFactor })}
          />
        </label>
        <NumberField
          label={text('stage.brief.traced')}
          value={header.tracedFactor}
          min={1}
          max={1.5}
          step={0.01}
          onChange={(tracedFactor) => change({ tracedFactor })}
        />
        <LengthField
          label={text('stage.brief.reserve')}
          valueM={header.reserveM}
          units={header.units}
          onChange={(reserveM) => reserveM !== null && change({ reserveM })}
        />
        <ChoiceField
          label={text('stage.brief.slackStyle')}
          value={header.slackStyle}
          options={SLACK_STYLES.map((value) => ({ value, label: term(`slackStyles.${value}`) }))}
          onChange={(slackStyle) => change({ slackStyle })}
        />
        <Costs>
          {(['channelPerM', 'openingPerM2', 'paintPerM2'] as const).map((rate) => (
            <NumberField
              key={rate}
              label={text(`stage.brief.siteRates.${rate}`)}
              value={header.siteRates[rate]}
              min={0}
              max={10_000}
              onChange={(value) => change({ siteRates: { ...header.siteRates, [rate]: value } })}
            />
          ))}
        </Costs>
        <WordsField
          label={text('stage.brief.channelColour')}
          value={header.channelColour}
          max={40}
          onChange={(channelColour) => change({ channelColour })}
        />
        <LengthField
          label={text('stage.brief.rackSlack')}
          valueM={header.rackSlackM}
          units={header.units}
          onChange={(rackSlackM) => rackSlackM !== null && change({ rackSlackM })}
        />
        <WordsField
          label={text('stage.brief.currency')}
          value={header.currency}
          max={6}
          required
          onChange={(currency) => change({ currency })}
        />
        <Costs>
          <NumberField
            label={text('stage.brief.labourRate')}
            value={header.labourRate}
            min={0}
            max={10_000}
            onChange={(labourRate) => change({ labourRate })}
          />
        </Costs>
        <ChoiceField
          label={text('stage.brief.speakerColours')}
          value={header.speakerColours}
          options={SPEAKER_COLOURS.map((value) => ({ value, label: term(`speakerColours.${value}`) }))}
          onChange={(speakerColours) => edit(text('edit.facts'), setSpeakerColours(project, speakerColours))}
        />
        <ChoiceField
          label={text('stage.brief.speakerPairs')}
          value={header.speakerPairs}
          options={SPEAKER_PAIRS.map((value) => ({ value, label: term(`speakerPairs.${value}`) }))}
          onChange={(speakerPairs) => change({ speakerPairs })}
        />
        <ChoiceField
          label={text('stage.brief.dataCable')}
          value={header.dataCable}
          options={DATA_CABLES.map((value) => ({ value, label: term(`dataCables.${value}`) }))}
          onChange={(dataCable) => change({ dataCable })}
        />
        <NumberField
          label={text('stage.brief.roomDataCables')}
          value={header.roomDataCables}
          min={1}
          max={4}
          onChange={(roomDataCables) => change({ roomDataCables })}
        />
        <NumberField
          label={text('stage.brief.deskDataCables')}
          value={header.deskDataCables}
          min={1}
          max={4}
          onChange={(deskDataCables) => change({ deskDataCables })}
        />
        <FlatPriceField
          label={text('stage.brief.outletPrice')}
          value={header.outletPrice}
          onChange={(outletPrice) => change({ outletPrice })}
        />
        <FlatPriceField
          label={text('stage.brief.windowPrice')}
          value={header.windowPrice}
          onChange={(windowPrice) => change({ windowPrice })}
        />
        <NumberField
          label={text('stage.brief.fixingWall')}
          value={header.fixingFactors.wall}
          min={1}
          max={20}
          onChange={(wall) => change({ fixingFactors: { ...header.fixingFactors, wall } })}
        />
        <NumberField
          label={text('stage.brief.fixingOverhead')}
          value={header.fixingFactors.overhead}
          min={1}
          max={20}
          onChange={(overhead) => change({ fixingFactors: { ...header.fixingFactors, overhead } })}
        />
        <label className="field">
          <span>{text('stage.brief.ambient')}</span>
          <InputNumber
            aria-label={text('stage.brief.ambient')}
            min={-20}
            max={90}
            value={header.ambientC}
            onChange={(ambientC) => ambientC !== null && change({ ambientC })}
          />
        </label>
      </div>
      {mayOwn && <KeepSettings />}
      <Phases />
      <TradeDates />
    </section>
  );
}

/** Makes the settings of this job those that new projects of the firm start with. */
function KeepSettings() {
  const { project } = useProject();
  const { message } = AntApp.useApp();
  const keep = async () => {
    try {
      const settings = Object.fromEntries(PROJECT_DEFAULTS.map((field) => [field, project[field]]));
      await putJson<ProjectDefaultsReply>('/library/defaults', { settings });
      void message.success(text('stage.brief.settingsKept'));
    } catch (error) {
      void message.warning(sentenceOf(error));
    }
  };
  return (
    <p className={css.keepSettings}>
      <Button onClick={() => void keep()}>{text('stage.brief.keepSettings')}</Button>{' '}
      <span className="faint">{text('stage.brief.keepSettingsNote')}</span>
    </p>
  );
}

/** A price that may be left empty: then cable and hours count. */
function FlatPriceField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: number | null;
  readonly onChange: (price: number | null) => void;
}) {
  return (
    <label className="field">
      <span>{label}</span>
      <InputNumber
        aria-label={label}
        min={0}
        max={10_000}
        value={value}
        placeholder={text('stage.brief.byCableAndHours')}
        onChange={onChange}
      />
    </label>
  );
}

/** Parts of the job with their own time: what is not in the first is prepared. */
function Phases() {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const phases = listOf(project, 'phases').toSorted((a, b) => a.order - b.order);
  return (
    <>
      <h3 className="eyebrow">{text('brief.phases')}</h3>
      <p className="faint">{text('brief.phasesLead')}</p>
      {phases.map((phase) => (
        <div key={phase.id} className={css.briefRow}>
          <WordsField
            label={text('brief.phaseName')}
            value={phase.name}
            max={60}
            required
            onChange={(name) => edit(text('brief.phases'), changeRecord('phases', phase, { name }))}
          />
          <DayField
            label={text('brief.phaseOn')}
            value={phase.on}
            onChange={(on) => edit(text('brief.phases'), changeRecord('phases', phase, { on }))}
          />
          <Button onClick={() => edit(text('brief.phases'), removeWithDependants(project, 'phases', phase.id))}>
            {text('brief.remove')}
          </Button>
        </div>
      ))}
      <Button
        onClick={() =>
          edit(
            text('brief.phases'),
            addPhase(project, { id: newRecordId('ph'), nameOf: (number) => text('brief.phaseNew', { number }) }),
          )
        }
      >
        {text('brief.phaseAdd')}
      </Button>
    </>
  );
}

/** When each gate of the job is reached: the last safe dates of decisions follow from it. */
function TradeDates() {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  return (
    <>
      <h3 className="eyebrow">{text('brief.dates')}</h3>
      <p className="faint">{text('brief.datesLead')}</p>
      <div className={css.briefFacts}>
        {TRADE_GATES.map((gate) => {
          const known = Object.values(project.tradeDates).find((date) => date.gate === gate);
          return (
            <DayField
              key={gate}
              label={term(`gates.${gate}`)}
              value={known?.on ?? ''}
              onChange={(on) => edit(text('brief.dates'), setTradeDate(project, { id: newRecordId('td'), gate, on }))}
            />
          );
        })}
      </div>
    </>
  );
}
