import { derivationsOf, listOf } from '@dusky-spool/core/derive';
import {
  busUses,
  controlPathsOf,
  HEAD_END_PARTS,
  isControlled,
  restartOrder,
  sceneLacks,
  watchList,
} from '@dusky-spool/core/head-end';
import { formatLength } from '@dusky-spool/core/math';
import { removeWithDependants, type Scene, SCENE_TRIGGERS } from '@dusky-spool/core/model';
import { Select } from 'antd';
import { useMemo } from 'react';
import { changeRecord } from '../../commands/change-record.ts';
import { createRecords } from '../../commands/create-records.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { deviceName, placeName } from './device-name.ts';

import css from './head-end.module.css';

/** How every device gets its commands, what acts together, and in which order all of it starts. */
export function ControlPanel({ mayPlan }: { readonly mayPlan: boolean }) {
  const project = useProject();
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  const restart = useMemo(() => restartOrder(parts), [parts]);
  const watched = useMemo(() => watchList(parts), [parts]);
  const restarted = watched.filter(({ mayRestart }) => mayRestart);
  const names = (list: typeof watched) => list.map(({ name }) => name).join(', ');
  return (
    <div className={css.panel}>
      <Scenes mayPlan={mayPlan} />
      <Paths />
      {restart.length > 0 && (
        <>
          <h2 className={css.part}>{text('headEnd.control.restart')}</h2>
          <ol className={css.facts}>
            {restart.map(({ step, names }) => (
              <li key={step}>{text('headEnd.control.restartStep', { step, names: names.join(', ') })}</li>
            ))}
          </ol>
          {watched.length > 0 && <p>{text('headEnd.control.watched', { names: names(watched) })}</p>}
          {restarted.length > 0 && <p>{text('headEnd.control.mayRestart', { names: names(restarted) })}</p>}
        </>
      )}
    </div>
  );
}

function Paths() {
  const project = useProject();
  const paths = useMemo(() => controlPathsOf(project), [project]);
  const buses = useMemo(() => busUses(project), [project]);
  const { units } = project.project;
  if (paths.length === 0) return <p className={css.empty}>{text('headEnd.control.none')}</p>;
  return (
    <>
      <h2 className={css.part}>{text('headEnd.control.path')}</h2>
      {buses.map(({ equipmentId, isOver, lengthM, mostLengthM, devices, mostDevices }) => (
        <p key={equipmentId} className={isOver ? css.badLine : 'faint'}>
          {text('headEnd.control.bus', {
            ...{ name: project.equipment[equipmentId]?.name, devices, mostDevices },
            ...{ length: formatLength(lengthM, units), mostLength: formatLength(mostLengthM, units) },
          })}
        </p>
      ))}
      <table className={css.table}>
        <thead>
          <tr>
            {(['device', 'room', 'by', 'run', 'port'] as const).map((one) => (
              <th key={one} scope="col">
                {text(`headEnd.control.columns.${one}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {paths.map(({ deviceId, by, number, equipmentId, port, isWhole }) => (
            <tr key={deviceId}>
              <th scope="row">{deviceName(project, deviceId)}</th>
              <td>{placeName(project, project.devices[deviceId].roomId)}</td>
              <td className={by === 'none' ? css.badLine : ''}>{text(`headEnd.control.by.${by}`)}</td>
              <td>{number || '–'}</td>
              <td className={isWhole ? '' : css.badLine}>
                {equipmentId
                  ? `${project.equipment[equipmentId]?.name}, ${port}`
                  : isWhole || by === 'none'
                    ? '–'
                    : text('headEnd.control.open')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Scenes({ mayPlan }: { readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const scenes = listOf(project, 'scenes');
  const lacks = useMemo(() => sceneLacks(project), [project]);
  const add = () => {
    const name = text('headEnd.control.newScene', { n: scenes.length + 1 });
    edit(
      name,
      createRecords('scenes', [
        { ...{ id: newRecordId('sc'), name, roomId: null, trigger: 'button', deviceId: null, at: '', actions: [] } },
      ]),
    );
  };
  return (
    <>
      <h2 className={css.part}>{text('headEnd.control.scenes')}</h2>
      {scenes.length === 0 && <p className="faint">{text('headEnd.control.noScenes')}</p>}
      {scenes.map((scene) => (
        <SceneCard key={scene.id} scene={scene} mayPlan={mayPlan} lacks={lacks.filter(({ sceneId }) => sceneId === scene.id)} />
      ))}
      {mayPlan && <SmallButton onClick={add}>{text('headEnd.control.addScene')}</SmallButton>}
    </>
  );
}

interface SceneProps {
  readonly scene: Scene;
  readonly mayPlan: boolean;
  readonly lacks: ReturnType<typeof sceneLacks>;
}

function SceneCard({ scene, mayPlan, lacks }: SceneProps) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const change = (after: Partial<Scene>) => {
    const operations = changeRecord('scenes', scene, after);
    if (operations.length > 0) edit(scene.name, operations);
  };
  return (
    <section className={css.card} aria-label={scene.name}>
      <fieldset className={css.panel} disabled={!mayPlan}>
        <SceneFields scene={scene} onChange={change} />
        <Actions scene={scene} mayPlan={mayPlan} onChange={change} />
        {lacks.map(({ reason, deviceId }) => (
          <p key={`${reason} ${deviceId}`} className={css.badLine}>
            {text(`headEnd.control.lacks.${reason}`, { device: deviceName(project, deviceId ?? '') })}
          </p>
        ))}
        {scene.trigger === 'voice' && <p className="faint">{text('headEnd.control.voice')}</p>}
        {mayPlan && (
          <SmallButton
            onClick={() => edit(text('headEnd.control.removeScene'), removeWithDependants(project, 'scenes', scene.id))}
          >
            {text('headEnd.control.removeScene')}
          </SmallButton>
        )}
      </fieldset>
    </section>
  );
}

/** What sets off scenes at a place of the house. */
const TRIGGER_TYPES = /keypad|touch-panel|wall-tablet|push-button|sensor|contact|reader|station/;

function SceneFields({ scene, onChange }: { readonly scene: Scene; readonly onChange: (after: Partial<Scene>) => void }) {
  const project = useProject();
  const triggers = listOf(project, 'devices').filter(({ typeId }) => TRIGGER_TYPES.test(typeId));
  const rooms = listOf(project, 'rooms').map(({ id, name }) => ({ value: id, label: name }));
  return (
    <div className={css.fields}>
      <WordsField
        label={text('headEnd.control.scene')}
        value={scene.name}
        max={40}
        required
        onChange={(name) => onChange({ name })}
      />
      <ChoiceField
        label={text('headEnd.control.room')}
        value={scene.roomId ?? ''}
        options={[{ value: '', label: text('headEnd.control.house') }, ...rooms]}
        onChange={(roomId) => onChange({ roomId: roomId || null })}
      />
      <ChoiceField
        label={text('headEnd.control.trigger')}
        value={scene.trigger}
        options={SCENE_TRIGGERS.map((value) => ({ value, label: text(`headEnd.control.triggers.${value}`) }))}
        onChange={(trigger) => onChange({ trigger })}
      />
      <ChoiceField
        label={text('headEnd.control.device')}
        value={scene.deviceId ?? ''}
        options={[
          { value: '', label: text('headEnd.control.noDevice') },
          ...triggers.map(({ id, roomId }) => ({
            value: id,
            label: `${placeName(project, roomId)}: ${deviceName(project, id)}`,
          })),
        ]}
        onChange={(deviceId) => onChange({ deviceId: deviceId || null })}
      />
      <WordsField label={text('headEnd.control.at')} value={scene.at} max={40} onChange={(at) => onChange({ at })} />
    </div>
  );
}

function Actions({
  scene,
  mayPlan,
  onChange,
}: Omit<SceneProps, 'lacks'> & { readonly onChange: (after: Partial<Scene>) => void }) {
  const project = useProject();
  const on = new Set(scene.actions.map(({ deviceId }) => deviceId));
  const others = listOf(project, 'devices').filter(({ id, typeId }) => !on.has(id) && isControlled(project.deviceTypes[typeId]));
  return (
    <>
      <h3 className={css.part}>{text('headEnd.control.actions')}</h3>
      <ul className={css.actions}>
        {scene.actions.map(({ deviceId, does }, n) => {
          const device = deviceName(project, deviceId);
          return (
            <li key={deviceId}>
              <span>
                {placeName(project, project.devices[deviceId]?.roomId ?? null)}: {device}
              </span>
              <WordsField
                label={text('headEnd.control.does')}
                value={does}
                max={60}
                required
                onChange={(words) => onChange({ actions: scene.actions.with(n, { deviceId, does: words }) })}
              />
              {mayPlan && (
                <SmallButton
                  aria-label={`${text('headEnd.control.removeAction')}: ${device}`}
                  onClick={() => onChange({ actions: scene.actions.toSpliced(n, 1) })}
                >
                  {text('headEnd.control.removeAction')}
                </SmallButton>
              )}
            </li>
          );
        })}
      </ul>
      {mayPlan && (
        <Select
          className={css.add}
          value={null}
          placeholder={text('headEnd.control.addAction')}
          aria-label={text('headEnd.control.addAction')}
          showSearch={{ optionFilterProp: 'label' }}
          popupMatchSelectWidth={false}
          options={others.map(({ id, roomId }) => ({
            value: id,
            label: `${placeName(project, roomId)}: ${deviceName(project, id)}`,
          }))}
          onChange={(deviceId: string | null) => deviceId && onChange({ actions: [...scene.actions, { deviceId, does: 'on' }] })}
        />
      )}
    </>
  );
}
