import { formatLength } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { mainAngleDeg, type ChannelFigures, type Theatre, type TheatreFrame } from '@dusky-spool/core/theatre';
import { Checkbox } from 'antd';
import { term, text } from '../../ground/text.ts';
import { channelCode } from '@dusky-spool/core/brief';
import { deg } from './words.ts';

import css from './theatre.module.css';

interface Props {
  readonly shown: ProjectDocument;
  readonly theatre: Theatre;
  readonly frame: TheatreFrame;
  readonly seat: number;
  readonly chosenId: string | null;
  readonly mayPlan: boolean;
  readonly onChoose: (deviceId: string) => void;
  readonly onFix: (deviceId: string, isFixed: boolean) => void;
}

/** Every speaker as the seat hears it, and where it is. */
export function ChannelTable({ shown, theatre, frame, seat, chosenId, mayPlan, onChoose, onFix }: Props) {
  const { units } = shown.project;
  if (theatre.channels.length === 0) return <p className={css.empty}>{text('theatre.noChannels')}</p>;
  return (
    <>
      <table className={css.table}>
        <thead>
          <tr>
            {(['channel', 'fixed', 'angle', 'window', 'elevation', 'distance', 'delay', 'trim', 'offAxis', 'place'] as const).map(
              (one) => (
                <th key={one} scope="col">
                  {text(`theatre.columns.${one}`)}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {theatre.channels.map((one) => {
            const at = one.seats[seat];
            const { window } = one;
            return (
              <tr key={one.deviceId} className={chosenId === one.deviceId ? 'chosen' : ''} onClick={() => onChoose(one.deviceId)}>
                <th scope="row">
                  <button
                    type="button"
                    className="plain"
                    aria-label={term(`channels.${one.channel}`)}
                    onClick={() => onChoose(one.deviceId)}
                  >
                    {channelCode(one.channel)}
                  </button>
                </th>
                <td>
                  <Checkbox
                    checked={theatre.aim.fixedDeviceIds.includes(one.deviceId)}
                    disabled={!mayPlan}
                    aria-label={text('theatre.fixedLabel', { channel: term(`channels.${one.channel}`) })}
                    onChange={(event) => onFix(one.deviceId, event.target.checked)}
                  />
                </td>
                <td className={at && at.beyondDeg !== 0 ? css.bad : ''}>{at ? deg(mainAngleDeg(window, at)) : '–'}</td>
                <td>
                  {window ? text('theatre.range', { from: window.mainDeg[0], to: window.mainDeg[1] }) : text('theatre.free')}
                </td>
                <td className={at && at.elevationBeyondDeg !== 0 ? css.bad : ''}>{at ? deg(at.elevationDeg, 0) : '–'}</td>
                <td>{at ? formatLength(at.distanceM, units) : '–'}</td>
                <td>{`${one.delayMs.toFixed(1)} ms`}</td>
                <td>{`${one.trimDb.toFixed(1)} dB`}</td>
                <td>{at && one.channel !== 'subwoofer' ? `−${at.offAxisDb.toFixed(1)} dB` : '–'}</td>
                <td title={text('theatre.scoreTitle')}>{window ? one.lostPoints.toFixed(1) : '–'}</td>
                <td>
                  {at?.sight === 'blocked' && one.channel !== 'subwoofer' ? (
                    <em className={css.bad}>{text('theatre.hidden')}</em>
                  ) : (
                    placeOf(shown, frame, one)
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="faint">{text(`theatre.schoolWhy.${theatre.aim.school}`)}</p>
    </>
  );
}

/** Where a speaker is: beside the middle line, and its height, or on a ceiling its distance from the picture. */
function placeOf(project: ProjectDocument, frame: TheatreFrame, { deviceId, at }: ChannelFigures): string {
  const { units } = project.project;
  const { asideM, awayM, upM } = frame.insideOf(at);
  const side = Math.abs(asideM) < 0.005 ? 'middle' : asideM < 0 ? 'left' : 'right';
  const aside = text(`theatre.aside.${side}`, { by: formatLength(Math.abs(asideM), units) });
  return project.devices[deviceId].heightM === null
    ? text('theatre.placeOver', { aside, away: formatLength(awayM, units) })
    : text('theatre.placeUp', { aside, up: formatLength(upM, units) });
}
