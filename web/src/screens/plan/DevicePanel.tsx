import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { attachmentOf, featureMake, heightsOf, mountOf } from '@dusky-spool/core/house';
import { findingsOf } from '@dusky-spool/core/rules';
import { deviceIdsIn, deviceTitle, removeDevices } from '@dusky-spool/core/devices';
import type { Device, Feature, ProjectDocument } from '@dusky-spool/core/model';
import { onLevel } from '@dusky-spool/core/derive';
import { formatCableLength, formatLengthFine } from '@dusky-spool/core/math';
import { later } from '../../ground/later.ts';
import { term, text } from '../../ground/text.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { ceilingView, viewOfItsWall } from '../../state/views.ts';
import { useDerived } from '../../state/derived.ts';
import { useProjectStore } from '../../state/project.ts';
import { BeadIcon } from '../../ui/Bead.tsx';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { LengthBar } from '../../ui/LengthBar.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { PlaceRackLink } from '../../ui/PlaceRackLink.tsx';
import { RunTag } from '../../ui/RunTag.tsx';
import type { Copies } from './useCopies.ts';
import { AddCable } from './AddCable.tsx';
import { PlaceFields } from './PlaceFields.tsx';
import { RecipeLegs } from './RecipeLegs.tsx';
import { Checks } from './RunPanel.tsx';
import { DeviceFacts } from './DeviceFacts.tsx';
import { TypeField } from './TypeField.tsx';
import { Button, Input } from 'antd';
import { useState } from 'react';
import css from './plan.module.css';

/** Fetched when the first device is looked at: its fields are not needed for the first picture of the plan. */
const GroupPicker = later(() => import('./GroupPicker.tsx').then((module) => module.GroupPicker), null);
const MountingFields = later(() => import('./MountingFields.tsx').then((module) => module.MountingFields), null);

/** Heights that can be typed: outdoors also below the finished floor, m. */
const LOWEST_M = -10;
const HIGHEST_M = 30;

interface Props {
  readonly device: Device;
  readonly onSelect: (selection: Selection, levelId?: string) => void;
  readonly onView?: (view: string) => void;
  readonly copies: Copies | null;
}

/** One device: where it is, its runs, and what the checks say. */
export function DevicePanel({ device, onSelect, onView, copies }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const { findings, runsByDevice } = useDerived(project);
  const { units } = project.project;
  const type = project.deviceTypes[device.typeId];
  const runs = runsByDevice.get(device.id) ?? [];
  const change = (title: string, after: Partial<Device>) => {
    const operations = changeRecord('devices', device, after);
    if (operations.length > 0) edit(title, operations);
  };
  const furniture = onLevel(project, 'features', device.levelId).filter(
    (one) => featureMake(one.kind).group === 'furniture' && one.choiceOf !== '',
  );
  const companion = device.belongsTo === null ? null : project.features[device.belongsTo];
  const alike = onLevel(project, 'devices', device.levelId).flatMap(({ id, typeId }) => (typeId === device.typeId ? [id] : []));
  const room = device.roomId === null ? null : project.rooms[device.roomId];
  const inRoom = room ? deviceIdsIn(project, room) : [];
  const surface = surfaceOf(project, device);
  const own = new Set(runs.map(({ run }) => run.id));
  return (
    <>
      <div className="punched-tag">
        <span className="punch" aria-hidden="true" />
        <div>
          <h2>{deviceTitle(device, type)}</h2>
          <p>
            <BeadIcon code={type.code} system={type.system} /> {room?.name ?? term('outdoors')},{' '}
            {project.levels[device.levelId].name}
          </p>
        </div>
      </div>
      <div className="fields">
        <NameField key={device.name} device={device} onChange={(name) => change(text('edit.rename'), { name })} />
        <LengthField
          label={text('device.height')}
          valueM={device.heightM}
          units={units}
          placeholder={text('device.atCeiling')}
          // Nothing in a room is below its floor.
          minM={device.roomId === null ? LOWEST_M : 0}
          maxM={HIGHEST_M}
          mayBeEmpty={attachmentOf(type) === 'ceiling'}
          onChange={(heightM) => change(text('edit.height'), { heightM })}
        />
        <EdgeFields device={device} onChange={(heightM) => change(text('edit.height'), { heightM })} />
        <PlaceFields device={device} />
        <TypeField deviceIds={[device.id]} />
        <DeviceFacts device={device} onChange={change} />
        {furniture.length > 0 && (
          <ChoiceField
            label={text('device.belongsTo')}
            value={device.belongsTo ?? ''}
            options={[
              { value: '', label: text('device.belongsToNothing') },
              ...furniture.map((one) => ({ value: one.id, label: nameOf(one) })),
            ]}
            onChange={(id) => change(text('device.belongsTo'), { belongsTo: id || null })}
          />
        )}
      </div>
      {companion && !companion.chosen && <p className="faint">{text('device.notChosen', { name: nameOf(companion) })}</p>}
      <Checks findings={findings.filter((finding) => finding.check === 'buildable' && finding.subjects[0].id === device.id)} />
      <SiteHeights device={device} />
      {onView && surface && (
        <Button size="small" className={css.toSurface} onClick={() => onView(surface)}>
          {text(surface.startsWith('wall') ? 'device.onItsWall' : 'device.onItsCeiling')}
        </Button>
      )}
      <div className="eyebrow">{text('device.runs')}</div>
      {runs.length === 0 && type.cables.length > 0 && Object.keys(project.racks).length === 0 && (
        <p className="caution">
          {text('device.noRack')} <PlaceRackLink />
        </p>
      )}
      {runs.map(({ run, length }) => (
        <button
          type="button"
          key={run.id}
          className={`plain ${css.runLineItem}`}
          onClick={() => onSelect({ kind: 'run', ids: [run.id] })}
        >
          <RunTag number={run.number} />
          <span>{project.cableTypes[run.cableTypeId].name}</span>
          <b>
            {run.foundId !== null
              ? text('run.existing')
              : length
                ? formatCableLength(length.cutLengthM, units)
                : text('run.noWay')}
          </b>
          {length && run.foundId === null && <LengthBar length={length} units={units} small />}
        </button>
      ))}
      <div className="panel-buttons">
        <AddCable deviceIds={[device.id]} />
      </div>
      <RecipeLegs deviceIds={[device.id]} />
      <Checks
        findings={findings
          .filter((finding) => finding.subjects.some((subject) => own.has(subject.id)))
          .filter((f) => findingsOf([f], device.id).length > 0)}
      />
      <div className="eyebrow">{text('device.mounting')}</div>
      <MountingFields device={device} />
      <GroupPicker deviceIds={[device.id]} onSelect={onSelect} />
      {copies && (
        <div className="panel-buttons">
          <Button size="small" onClick={() => copies.copy([device.id])}>
            {text('plan.copyThis')}
          </Button>
          {room && (
            <Button size="small" onClick={() => copies.copyRoom(room.id)}>
              {text('plan.copyRoom', { room: room.name })}
            </Button>
          )}
        </div>
      )}
      {room && (
        <Button size="small" onClick={() => onSelect({ kind: 'device', ids: inRoom })}>
          {text('device.allInRoom', { count: inRoom.length, room: room.name })}
        </Button>
      )}
      <Button size="small" onClick={() => onSelect({ kind: 'device', ids: alike })}>
        {text('device.allAlike', { count: alike.length })}
      </Button>
      <Button
        danger
        size="small"
        className="remove"
        onClick={() => {
          if (edit(text('edit.remove'), removeDevices(project, [device.id]))) onSelect(noSelection);
        }}
      >
        {text('plan.remove')}
      </Button>
    </>
  );
}

/** The wall, or the ceiling, that a device is seen on. */
function surfaceOf(project: ProjectDocument, device: Device): string | null {
  const attachment = attachmentOf(project.deviceTypes[device.typeId]);
  if (attachment === 'ceiling') return device.roomId === null ? null : ceilingView(device.roomId);
  return attachment === 'wall' ? viewOfItsWall(project, device) : null;
}

/** The height of a framed device by its lower edge or its top: the height itself is that of its middle. */
function EdgeFields({ device, onChange }: { readonly device: Device; readonly onChange: (heightM: number) => void }) {
  const project = useProject();
  const { frameM } = project.deviceTypes[device.typeId];
  if (!frameM || device.heightM === null) return null;
  const middleM = device.heightM;
  return ([-1, 1] as const).map((side) => {
    const offM = (side * frameM[1]) / 2;
    return (
      <LengthField
        key={side}
        label={text(side < 0 ? 'device.lowerEdge' : 'device.topEdge')}
        valueM={middleM + offM}
        units={project.project.units}
        minM={device.roomId === null ? LOWEST_M : 0}
        maxM={HIGHEST_M}
        onChange={(edgeM) => edgeM !== null && onChange(edgeM - offM)}
      />
    );
  });
}

const nameOf = (feature: Feature) => feature.name || term(`features.${feature.kind}`);

/** The height from what is there at rough-in, and what the wall takes. */
function SiteHeights({ device }: { readonly device: Device }) {
  const project = useProject();
  const { units } = project.project;
  const level = project.levels[device.levelId];
  const room = device.roomId === null ? null : project.rooms[device.roomId];
  const mount = mountOf(project, device);
  const heights = device.heightM === null ? null : heightsOf(level, room, device.heightM);
  const facts: [string, number][] = [];
  if (heights && heights.fromRoomFloorM !== heights.affM) facts.push([text('device.roomFloor'), heights.fromRoomFloorM]);
  if (heights && level.floorBuildUpM > 0) facts.push([text('device.fromSubfloor'), heights.fromSubfloorM]);
  if (heights && heights.fromBenchmarkM !== null) facts.push([text('device.fromBenchmark'), heights.fromBenchmarkM]);
  if (mount) facts.push([text('device.setOut'), mount.setOutM], [text('device.deepest'), mount.deepestM]);
  if (facts.length === 0) return null;
  return (
    <dl className={css.siteFacts}>
      {facts.map(([name, valueM]) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>{formatLengthFine(valueM, units)}</dd>
        </div>
      ))}
    </dl>
  );
}

function NameField({ device, onChange }: { readonly device: Device; readonly onChange: (name: string) => void }) {
  const [name, setName] = useState(device.name);
  const commit = () => onChange(name.trim());
  return (
    <label className="field">
      <span>{text('device.name')}</span>
      <Input
        value={name}
        maxLength={80}
        aria-label={text('device.name')}
        onChange={(event) => setName(event.target.value)}
        onBlur={commit}
        onPressEnter={commit}
        onKeyDown={(event) => event.stopPropagation()}
      />
    </label>
  );
}
