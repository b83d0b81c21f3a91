import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import type { DerivedFinding } from '@dusky-spool/core/deltas';
import {
  dissolvePlate,
  type InsertKind,
  INSERTS,
  linePlateUp,
  mainsBoxBeside,
  MAX_INSERTS,
  setPlateHeight,
} from '@dusky-spool/core/devices';
import { BOX_KINDS, type Plate, PLATE_OPENINGS } from '@dusky-spool/core/model';
import { formatLength } from '@dusky-spool/core/math';
import { term, termNamed, text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, SwitchField, WordsField } from '../../ui/fields.tsx';
import { FindingCard } from '../../ui/FindingCard.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { PreviewBanner } from '../../ui/PreviewBanner.tsx';
import { PlatePicture } from './PlatePicture.tsx';
import { useState } from 'react';
import { Button, Select } from 'antd';
import css from './plates.module.css';

interface Props {
  readonly plate: Plate;
  readonly findings: readonly DerivedFinding[];
  readonly onWall: () => void;
}

/** One plate: its picture, what is in each gang, its box, and how it lines up. */
export function PlateCard({ plate, findings, onWall }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const [chosen, setGang] = useState(1);
  const gang = Math.min(chosen, plate.gangs);
  const { units } = project.project;
  const beside = mainsBoxBeside(project, plate);
  const change = (title: string, after: Partial<Plate>) => {
    const operations = changeRecord('plates', plate, after);
    if (operations.length > 0) edit(title, operations);
  };
  const inGang = plate.inserts.flatMap((insert, index) => (insert.gang === gang ? [{ ...insert, index }] : []));
  const setInserts = (inserts: Plate['inserts']) => change(text('plates.inserts'), { inserts });
  const isMains = gang > plate.gangs - plate.mainsGangs;
  const owner = (deviceId: string | null) => {
    const device = deviceId === null ? undefined : project.devices[deviceId];
    return device ? device.name || project.deviceTypes[device.typeId].name : text('plates.byHand');
  };
  return (
    <aside className="inspector plate-card" aria-label={text('plates.card')}>
      <PreviewBanner />
      <div className={css.plateSheet}>
        <PlatePicture plate={plate} scale={1150} gang={gang} onGang={setGang} />
      </div>
      {findings.map((finding, i) => (
        <FindingCard key={i} finding={finding} units={units} />
      ))}
      <div className="eyebrow">{text(isMains ? 'plates.mainsGang' : 'plates.gang', { n: gang, count: plate.gangs })}</div>
      <ul className={css.insertList}>
        {inGang.map(({ kind, deviceId, index }) => (
          <li key={index}>
            <b>{term(`inserts.${kind as InsertKind}`)}</b>
            <span className="faint">{owner(deviceId)}</span>
            <Button
              size="small"
              aria-label={text('plates.takeOut', { what: termNamed('inserts', kind) })}
              onClick={() => setInserts(plate.inserts.filter((_, i) => i !== index))}
            >
              ×
            </Button>
          </li>
        ))}
        {inGang.length === 0 && <li className="faint">{text('plates.emptyGang')}</li>}
      </ul>
      <Select
        size="small"
        className={css.addInsert}
        value={null}
        placeholder={text('plates.addInsert')}
        aria-label={text('plates.addInsert')}
        disabled={inGang.length >= MAX_INSERTS}
        options={INSERTS.filter((kind) => (kind === 'mains') === isMains && kind !== 'face').map((kind) => ({
          value: kind,
          label: term(`inserts.${kind}`),
        }))}
        onChange={(kind: string | null) =>
          kind && setInserts([...plate.inserts, { gang, kind, deviceId: null }].toSorted((a, b) => a.gang - b.gang))
        }
      />
      {plate.mainsGangs > 0 && <p className="caution">{text('plates.mainsCaution')}</p>}
      <div className="fields">
        <WordsField
          label={text('device.name')}
          value={plate.name}
          max={60}
          onChange={(name) => change(text('edit.rename'), { name })}
        />
        <WordsField
          label={text('device.finish')}
          value={plate.finish}
          max={40}
          onChange={(finish) => change(text('device.finish'), { finish })}
        />
        <NumberField
          label={text('plates.gangs')}
          value={plate.gangs}
          min={1}
          max={6}
          onChange={(gangs) => change(text('plates.gangs'), { gangs })}
        />
        <NumberField
          label={text('plates.mainsGangs')}
          value={plate.mainsGangs}
          min={0}
          max={6}
          onChange={(mainsGangs) => change(text('plates.mainsGangs'), { mainsGangs })}
        />
        <ChoiceField
          label={text('plates.box')}
          value={plate.boxKind}
          options={BOX_KINDS.map((value) => ({ value, label: term(`boxes.${value}`) }))}
          onChange={(boxKind) => change(text('plates.box'), { boxKind })}
        />
        <ChoiceField
          label={text('plates.opening')}
          value={plate.opening}
          options={PLATE_OPENINGS.map((value) => ({ value, label: term(`plateOpenings.${value}`) }))}
          onChange={(opening) => change(text('plates.opening'), { opening })}
        />
        <LengthField
          label={text('device.height')}
          valueM={plate.heightM}
          units={units}
          onChange={(heightM) => {
            if (heightM !== null) edit(text('edit.height'), setPlateHeight(project, plate, heightM));
          }}
        />
        <SwitchField
          label={text('plates.divider')}
          value={plate.divider}
          onChange={(divider) => change(text('plates.divider'), { divider })}
        />
      </div>
      {beside ? (
        <p>
          {text(beside.right ? 'plates.besideRight' : 'plates.besideLeft', {
            name: beside.name || term(beside.kind === 'device' ? 'inserts.mains' : `features.${beside.kind}`),
            away: formatLength(beside.distanceM, units),
            height: formatLength(beside.heightM, units),
          })}{' '}
          <Button
            size="small"
            disabled={Math.abs(beside.heightM - plate.heightM) < 1e-4}
            onClick={() => edit(text('plates.lineUp'), linePlateUp(project, plate))}
          >
            {text('plates.lineUp')}
          </Button>
        </p>
      ) : (
        <p className="faint">{text('plates.alone')}</p>
      )}
      <div className="panel-buttons">
        <Button size="small" onClick={onWall}>
          {text('device.onItsWall')}
        </Button>
        <Button size="small" danger onClick={() => edit(text('plates.dissolve'), dissolvePlate(plate))}>
          {text('plates.dissolve')}
        </Button>
      </div>
    </aside>
  );
}
