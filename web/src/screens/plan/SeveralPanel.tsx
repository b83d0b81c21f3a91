import { alignDevices, alignHeights, ALIGNMENTS, pairSpeakers, removeRuns, runSpeakersHome } from '@dusky-spool/core/devices';
import { listOf } from '@dusky-spool/core/derive';
import { type Device, FITTINGS, type Run, RUN_STATES, SLACK_STYLES, type SlackStyle } from '@dusky-spool/core/model';
import { isKept, runState } from '@dusky-spool/core/runs';
import { Button } from 'antd';
import { changeRecords } from '../../commands/change-record.ts';
import { term, text } from '../../ground/text.ts';
import { editOnRoutes } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { commonValue } from '../../ui/common.ts';
import { WordsField } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import type { Copies } from './useCopies.ts';
import { AddCable } from './AddCable.tsx';
import { GroupPicker } from './GroupPicker.tsx';
import { RecipeLegs } from './RecipeLegs.tsx';
import { TypeField } from './TypeField.tsx';

/** The same of several records where they share it, or the word for what is mixed. */
const mixed = (value: unknown) => (value === undefined ? text('form.mixed') : undefined);

/** What several devices have in common; a change is made to all of them, as one step of undo. */
export function SeveralDevices({
  ids,
  onSelect,
  copies,
}: {
  readonly ids: readonly string[];
  readonly onSelect: (selection: Selection) => void;
  readonly copies: Copies | null;
}) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const devices = ids.flatMap((id) => project.devices[id] ?? []);
  const change = (title: string, after: Partial<Device>) => {
    const operations = changeRecords('devices', devices, after);
    if (operations.length > 0) edit(title, operations);
  };
  const phases = listOf(project, 'phases').toSorted((a, b) => a.order - b.order);
  const height = commonValue(devices, 'heightM');
  const phaseId = commonValue(devices, 'phaseId');
  const chosen = new Set(ids);
  const runIds = listOf(project, 'runs').flatMap(({ id, deviceId }) => (chosen.has(deviceId) ? [id] : []));
  return (
    <>
      <div className="fields">
        <TypeField deviceIds={ids} />
        <LengthField
          label={text('device.height')}
          valueM={height ?? null}
          placeholder={height === undefined ? text('form.mixed') : text('device.atCeiling')}
          units={project.project.units}
          minM={0}
          onChange={(heightM) => heightM !== null && change(text('edit.height'), { heightM })}
        />
        <ChoiceField
          label={text('device.fitting')}
          value={commonValue(devices, 'fitting')}
          options={FITTINGS.map((value) => ({ value, label: term(`fittings.${value}`) }))}
          onChange={(fitting) => change(text('device.fitting'), { fitting })}
        />
        {phases.length > 0 && (
          <ChoiceField
            label={text('device.phase')}
            value={phaseId === null ? '' : phaseId}
            options={[
              { value: '', label: text('device.firstPhase') },
              ...phases.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(id) => change(text('device.phase'), { phaseId: id || null })}
          />
        )}
        <WordsField
          label={text('device.finish')}
          value={commonValue(devices, 'finish') ?? ''}
          placeholder={mixed(commonValue(devices, 'finish'))}
          max={40}
          onChange={(finish) => change(text('device.finish'), { finish })}
        />
      </div>
      <div className="panel-buttons">
        {copies && (
          <Button size="small" onClick={() => copies.copy(ids)}>
            {text('plan.copyThese')}
          </Button>
        )}
        {runIds.length > 0 && (
          <Button size="small" onClick={() => onSelect({ kind: 'run', ids: runIds })}>
            {text('device.theirRuns', { count: runIds.length })}
          </Button>
        )}
        <AddCable deviceIds={ids} />
        <SpeakerPair ids={ids} />
      </div>
      <RecipeLegs deviceIds={ids} />
      <LineUp ids={ids} />
      <GroupPicker deviceIds={ids} onSelect={onSelect} />
    </>
  );
}

/** Both ways to cable two speakers; nothing for anything else. */
function SpeakerPair({ ids }: { readonly ids: readonly string[] }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const devices = ids.flatMap((id) => project.devices[id] ?? []);
  const isPair = devices.length === 2 && devices.every(({ typeId }) => project.deviceTypes[typeId].impedanceOhm !== null);
  if (!isPair) return null;
  return (
    <>
      <Button size="small" onClick={() => edit(text('device.pairOne'), pairSpeakers(project, [ids[0], ids[1]]))}>
        {text('device.pairOne')}
      </Button>
      <Button size="small" onClick={() => edit(text('device.pairTwo'), runSpeakersHome(project, ids))}>
        {text('device.pairTwo')}
      </Button>
    </>
  );
}

/** Lines devices up, spreads them, and gives them one height. */
function LineUp({ ids }: { readonly ids: readonly string[] }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  return (
    <>
      <div className="eyebrow">{text('device.alignTitle')}</div>
      <div className="panel-buttons">
        {ALIGNMENTS.map((how) => (
          <Button
            key={how}
            size="small"
            disabled={how.startsWith('spread') && ids.length < 3}
            onClick={() => edit(text('device.alignTitle'), alignDevices(project, ids, how))}
          >
            {text(`device.aligns.${how}`)}
          </Button>
        ))}
        <Button size="small" onClick={() => edit(text('device.oneHeight'), alignHeights(project, ids))}>
          {text('device.oneHeight')}
        </Button>
      </div>
    </>
  );
}

/** The same for runs. Those that were issued keep their cable, bundle and slack. */
export function SeveralRuns({
  ids,
  onSelect,
}: {
  readonly ids: readonly string[];
  readonly onSelect: (selection: Selection) => void;
}) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const runs = ids.flatMap((id) => project.runs[id] ?? []);
  const open = runs.filter((run) => !isKept(run));
  return (
    <>
      <div className="fields">
        <ChoiceField
          label={text('run.state')}
          value={commonValue(runs, 'state')}
          options={RUN_STATES.map((value) => ({ value, label: term(`states.${value}`) }))}
          onChange={(state) =>
            void editOnRoutes(
              text('edit.runsState', { count: runs.length, state: term(`states.${state}`).toLowerCase() }),
              (now, routeOf) => runState(now, ids, state, routeOf),
            )
          }
        />
        {open.length > 0 && <OpenRunFields runs={open} />}
      </div>
      {open.length > 0 && (
        <Button
          danger
          size="small"
          className="remove"
          onClick={() => {
            const title = text('run.removed', { count: open.length });
            if (
              edit(
                title,
                removeRuns(
                  project,
                  open.map(({ id }) => id),
                ),
              )
            )
              onSelect(noSelection);
          }}
        >
          {text('run.removeSeveral', { count: open.length })}
        </Button>
      )}
      {open.length < runs.length && (
        <p className="faint">{text('run.someKept', { count: runs.length - open.length, all: runs.length })}</p>
      )}
    </>
  );
}

/** What may still be changed of runs that are drafted. */
function OpenRunFields({ runs: open }: { readonly runs: readonly Run[] }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { units } = project.project;
  const change = (title: string, after: Partial<Run>) => {
    const operations = changeRecords('runs', open, after);
    if (operations.length > 0) edit(title, operations);
  };
  const slackStyle = commonValue(open, 'slackStyle');
  return (
    <>
      <ChoiceField
        label={text('run.cable')}
        value={commonValue(open, 'cableTypeId')}
        options={listOf(project, 'cableTypes').map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(cableTypeId) => change(text('edit.cable'), { cableTypeId })}
      />
      <WordsField
        label={text('run.bundleField')}
        value={commonValue(open, 'bundle') ?? ''}
        placeholder={mixed(commonValue(open, 'bundle'))}
        max={12}
        onChange={(bundle) => change(text('edit.bundle'), { bundle: bundle.toUpperCase() })}
      />
      <WordsField
        label={text('run.reason')}
        value={commonValue(open, 'reason') ?? ''}
        placeholder={mixed(commonValue(open, 'reason'))}
        max={200}
        onChange={(reason) => change(text('run.reason'), { reason })}
      />
      <ChoiceField<SlackStyle | 'usual'>
        label={text('run.slackStyle')}
        value={slackStyle === null ? 'usual' : slackStyle}
        options={[
          { value: 'usual', label: text('run.slackAsProject') },
          ...SLACK_STYLES.map((value) => ({ value, label: term(`slackStyles.${value}`) })),
        ]}
        onChange={(style) => change(text('edit.slack'), { slackStyle: style === 'usual' ? null : style })}
      />
      {(['deviceSlackM', 'rackSlackM'] as const).map((field) => (
        <LengthField
          key={field}
          label={text(field === 'deviceSlackM' ? 'run.slackDevice' : 'run.slackRack')}
          valueM={commonValue(open, field) ?? null}
          placeholder={text('form.mixed')}
          units={units}
          minM={0}
          onChange={(valueM) => valueM !== null && change(text('edit.slack'), { [field]: valueM })}
        />
      ))}
    </>
  );
}
