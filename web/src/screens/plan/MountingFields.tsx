import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import { attachmentOf } from '@dusky-spool/core/house';
import {
  aimAt,
  type Axis,
  holesToFill,
  loadOf,
  mirrorDevice,
  mountsFor,
  mountTypeOf,
  seatsOf,
  sweepOf,
  typesFitting,
  wallPlaceOf,
} from '@dusky-spool/core/devices';
import { type Device, FITTINGS, WISHES } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { formatLengthFine } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { deviceIds, useProjectStore } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { Cautions } from '../../ui/Cautions.tsx';
import { cautionsOf } from '../../ui/cautions-of.ts';
import { wallName } from './wall-name.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { DisplayWalls } from './DisplayWalls.tsx';
import { Button, Checkbox } from 'antd';
import css from './plan.module.css';

interface Props {
  readonly device: Device;
}

/** What holds a device, how it should look, and what it is copied to. */
export function MountingFields({ device }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const projectId = useProjectStore((state) => state.projectId);
  const type = project.deviceTypes[device.typeId];
  const { units } = project.project;
  const change = (title: string, after: Partial<Device>) => {
    const operations = changeRecord('devices', device, after);
    if (operations.length > 0) edit(title, operations);
  };
  const mounts = mountsFor(project, type);
  const mount = mountTypeOf(project, device);
  const phases = listOf(project, 'phases').toSorted((a, b) => a.order - b.order);
  const seats = seatsOf(project, device.levelId, device.roomId);
  const away = (ear: readonly number[]) => Math.hypot(ear[0] - device.x, ear[1] - device.y);
  const seat = seats.reduce<(typeof seats)[number] | null>(
    (best, one) => (!best || away(one.ear) < away(best.ear) ? one : best),
    null,
  );
  const onWall = attachmentOf(type) === 'wall';
  const onIts = onWall && mount?.holds ? wallPlaceOf(project, device)?.wall : undefined;
  const sweep = onIts ? sweepOf(device, type, mount, onIts) : null;
  const load = loadOf(type, mount?.part === 'mount' ? mount : null);
  const mirror = (axis: Axis, as: 'pair' | 'spare') => {
    const made = mirrorDevice(project, device.id, axis, as, deviceIds);
    edit(text(as === 'pair' ? 'device.pair' : 'device.bothWalls'), made.ok ? made.value.operations : made);
  };
  const across: Axis = Math.abs(Math.cos(device.facingRad)) > 0.7 ? 'x' : 'y';
  return (
    <>
      <Cautions ids={cautionsOf(type)} />
      <div className="fields">
        {!onWall && (
          <NumberField
            label={text('device.facing')}
            value={Math.round((device.facingRad * 180) / Math.PI)}
            min={-360}
            max={360}
            onChange={(degrees) => change(text('device.facing'), { facingRad: (degrees * Math.PI) / 180 })}
          />
        )}
        {mounts.length > 0 && (
          <ChoiceField
            label={text(type.cutOut ? 'device.bracket' : 'device.mount')}
            value={device.mountTypeId ?? ''}
            options={[
              { value: '', label: text('device.noMount') },
              ...mounts.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(id) => change(text('device.mount'), { mountTypeId: id || null })}
          />
        )}
        {phases.length > 0 && (
          <ChoiceField
            label={text('device.phase')}
            value={device.phaseId ?? ''}
            options={[
              { value: '', label: text('device.firstPhase') },
              ...phases.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(id) =>
              change(text('device.phase'), {
                phaseId: id || null,
                // What comes later is prepared now; what comes first is fitted, unless it was left as a spare.
                fitting: id
                  ? device.fitting === 'fitted'
                    ? 'prepared'
                    : device.fitting
                  : device.fitting === 'prepared'
                    ? 'fitted'
                    : device.fitting,
              })
            }
          />
        )}
        <ChoiceField
          label={text('device.fitting')}
          value={device.fitting}
          options={FITTINGS.map((value) => ({ value, label: term(`fittings.${value}`) }))}
          onChange={(fitting) => change(text('device.fitting'), { fitting })}
        />
        <WordsField
          label={text('device.finish')}
          value={device.finish}
          max={40}
          onChange={(finish) => change(text('device.finish'), { finish })}
        />
        <WordsField
          label={text('device.seenFrom')}
          value={device.seenFrom}
          max={120}
          onChange={(seenFrom) => change(text('device.seenFrom'), { seenFrom })}
        />
        <LengthField
          label={text('device.tail')}
          valueM={device.tailM}
          units={units}
          mayBeEmpty
          placeholder={text('device.noTail')}
          onChange={(tailM) => change(text('device.tail'), { tailM })}
        />
      </div>
      <div className={css.wishList} role="group" aria-label={text('device.wishes')}>
        {WISHES.map((wish) => (
          <Checkbox
            key={wish}
            checked={device.wishes.includes(wish)}
            onChange={(event) =>
              change(text('device.wishes'), {
                wishes: event.target.checked ? [...device.wishes, wish] : device.wishes.filter((one) => one !== wish),
              })
            }
          >
            {term(`wishes.${wish}`)}
          </Checkbox>
        ))}
      </div>
      <dl className={css.siteFacts}>
        {type.weightKg + (mount?.weightKg ?? 0) > 2 && (
          <div>
            <dt>{text('device.weight')}</dt>
            <dd>{load.massKg.toFixed(1)} kg</dd>
          </div>
        )}
        {mount?.holds && (
          <div>
            <dt>{text('device.parked')}</dt>
            <dd>
              {formatLengthFine(mount.holds.parkedDepthM, units)} / {formatLengthFine(mount.holds.reachM, units)}
            </dd>
          </div>
        )}
        {mount?.accepts && (
          <div>
            <dt>{text('device.stillFits')}</dt>
            <dd>
              {typesFitting(project, mount)
                .map(({ name }) => name)
                .join(', ')}
            </dd>
          </div>
        )}
        {sweep && (
          <div>
            <dt>{text('device.sweeps')}</dt>
            <dd>
              {formatLengthFine(sweep.outM, units)}, {Math.round((sweep.turnRad * 180) / Math.PI)}°
            </dd>
          </div>
        )}
        {device.wishes.includes('removable') && (
          <div>
            <dt>{text('device.holes')}</dt>
            <dd>{holesToFill(type, mount)}</dd>
          </div>
        )}
        {type.link !== 'cable' && (
          <div>
            <dt>{text('device.link')}</dt>
            <dd>{text(`device.links.${type.link}`)}</dd>
          </div>
        )}
      </dl>
      {type.link !== 'cable' && <p className="caution">{text(`device.linkRisk.${type.link}`)}</p>}
      {device.tailM !== null && (
        <p className="faint">{text('device.tailNote', { length: formatLengthFine(device.tailM, units) })}</p>
      )}
      {type.answers === 'display' && onWall && <DisplayWalls device={device} wallName={wallName} />}
      <div className="panel-buttons">
        {(type.cutOut || mount?.cutOut || mount?.holePatternM || type.holePatternM) && (
          <Button size="small" href={`/api/projects/${projectId}/documents/cut-out/${device.id}`}>
            {text('device.template')}
          </Button>
        )}
        {seat && (
          <Button size="small" onClick={() => edit(text('device.aim'), aimAt(project, [device.id], [seat.ear[0], seat.ear[1]]))}>
            {text('device.aim')}
          </Button>
        )}
        {device.roomId !== null && (
          <>
            <Button size="small" onClick={() => mirror(onWall ? (across === 'x' ? 'y' : 'x') : 'x', 'pair')}>
              {text('device.pair')}
            </Button>
            {onWall && (
              <Button size="small" onClick={() => mirror(across, 'spare')}>
                {text('device.bothWalls')}
              </Button>
            )}
          </>
        )}
      </div>
    </>
  );
}
