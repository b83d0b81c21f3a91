import { CALIBRATION_STAGES, type TheatreAim } from '@dusky-spool/core/model';
import { calibrationOf, type Theatre } from '@dusky-spool/core/theatre';
import { Segmented } from 'antd';
import { useState } from 'react';
import { term, text } from '../../ground/text.ts';
import { useOwnName } from '../../ground/api/session.ts';
import { today } from '../../state/today.ts';
import { NumberField } from '../../ui/fields.tsx';
import css from './theatre.module.css';

interface Props {
  readonly theatre: Theatre;
  readonly onChange: (after: Partial<TheatreAim>) => void;
}

type Measured = TheatreAim['measured'][number];

/** What is set and measured at trim-out: a checklist, and each speaker's delay and level before and after calibration. */
export function CalibrationTable({ theatre, onChange }: Props) {
  const [stage, setStage] = useState<(typeof CALIBRATION_STAGES)[number]>('after');
  const by = useOwnName();
  const rows = calibrationOf(theatre);
  const note = (deviceId: string, field: 'delayMs' | 'levelDb', value: number | null) => {
    const last = theatre.aim.measured.findLast((one) => one.deviceId === deviceId && one.stage === stage);
    if ((last?.[field] ?? null) === value) return;
    const isToday = last?.on === today();
    const next: Measured = {
      ...{ deviceId, stage, delayMs: last?.delayMs ?? null, levelDb: last?.levelDb ?? null, note: '' },
      ...{ on: today(), by, [field]: value },
    };
    // What was measured on another day stays in the log.
    const others = isToday ? theatre.aim.measured.filter((one) => one !== last) : theatre.aim.measured;
    onChange({ measured: [...others, next] });
  };
  if (theatre.channels.length === 0) return <p className={css.empty}>{text('theatre.noChannels')}</p>;
  return (
    <>
      <Checklist />
      <div className={css.inline}>
        <Segmented
          size="small"
          value={stage}
          options={CALIBRATION_STAGES.map((value) => ({ value, label: text(`theatre.calibration.stages.${value}`) }))}
          onChange={setStage}
        />
        <span className="faint">{text('theatre.calibration.caution')}</span>
      </div>
      <table className={css.table}>
        <Head />
        <tbody>
          {rows.map((row, n) => {
            const channel = theatre.channels[n];
            const own = row[stage];
            const name = term(`channels.${channel.channel}`);
            const log = theatre.aim.measured.filter(({ deviceId }) => deviceId === row.deviceId).length;
            return (
              <tr key={row.deviceId}>
                <th scope="row">{name}</th>
                <td>{`${channel.delayMs.toFixed(1)} ms`}</td>
                <td className={css.cell}>
                  <NumberField
                    label={text('theatre.calibration.delayOf', { channel: name })}
                    value={own?.delayMs ?? undefined}
                    placeholder="–"
                    min={-1000}
                    max={1000}
                    step={0.1}
                    onChange={(value) => note(row.deviceId, 'delayMs', value)}
                    onEmpty={() => note(row.deviceId, 'delayMs', null)}
                  />
                </td>
                <td>{`${channel.trimDb.toFixed(1)} dB`}</td>
                <td className={css.cell}>
                  <NumberField
                    label={text('theatre.calibration.levelOf', { channel: name })}
                    value={own?.levelDb ?? undefined}
                    placeholder="–"
                    min={0}
                    max={150}
                    step={0.5}
                    onChange={(value) => note(row.deviceId, 'levelDb', value)}
                    onEmpty={() => note(row.deviceId, 'levelDb', null)}
                  />
                </td>
                <td className={row.isEven === false ? css.bad : ''}>{offWords(row.delayOffMs, row.levelOffDb)}</td>
                <td>{log === 0 ? '–' : text('theatre.calibration.entries', { count: log })}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}

const signed = (value: number): string => `${value > 0 ? '+' : ''}${value.toFixed(1)}`;
const offWords = (delayMs: number | null, levelDb: number | null): string =>
  [delayMs === null ? '' : `${signed(delayMs)} ms`, levelDb === null ? '' : `${signed(levelDb)} dB`].filter(Boolean).join(', ') ||
  '–';

const Checklist = () => (
  <ol className={css.methods}>
    {(['aim', 'screen', 'levels', 'delays', 'polarity', 'sweep'] as const).map((one) => (
      <li key={one}>{text(`theatre.calibration.steps.${one}`)}</li>
    ))}
  </ol>
);

const Head = () => (
  <thead>
    <tr>
      {(['channel', 'delay', 'measuredDelay', 'trim', 'measuredLevel', 'off', 'log'] as const).map((one) => (
        <th key={one} scope="col">
          {text(`theatre.calibration.columns.${one}`)}
        </th>
      ))}
    </tr>
  </thead>
);
