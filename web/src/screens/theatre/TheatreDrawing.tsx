import { formatLength } from '@dusky-spool/core/math';
import type { ProjectDocument, Room } from '@dusky-spool/core/model';
import {
  type ChannelFigures,
  type Picture,
  type Theatre,
  type TheatreThing,
  type Inside,
  pictureCorners,
  type TheatreFrame,
  type TheatreView,
} from '@dusky-spool/core/theatre';
import type { KeyboardEvent, PointerEvent } from 'react';
import { term, text } from '../../ground/text.ts';
import { SYSTEM_STYLE } from '../../ui/systems.ts';
import { channelCode } from '@dusky-spool/core/brief';
import { Projectors } from './Projectors.tsx';
import { Seats } from './Seats.tsx';
import { pathOf } from './path.ts';
import { type TheatreScale } from './theatre-view.ts';
import css from './theatre.module.css';

export interface DrawingProps {
  readonly project: ProjectDocument;
  readonly room: Room;
  readonly theatre: Theatre;
  readonly view: TheatreView;
  readonly frame: TheatreFrame;
  readonly scale: TheatreScale;
  readonly seat: number;
  readonly chosenId: string | null;
  readonly onTake: (thing: TheatreThing, event: PointerEvent) => void;
  readonly onKey: (thing: TheatreThing, event: KeyboardEvent) => void;
  readonly onSeat: (seat: number) => void;
}

/** Windows are drawn to this far from the seat, m. */
const WINDOW_M = 8;
/** Speakers no farther from the picture are on its wall, m. */
const AT_FRONT_M = 0.6;
const DEGREE = Math.PI / 180;

/** What belongs to the theatre: windows of angles, light cone, sight lines, seats, picture, projectors, speakers. */
export function TheatreDrawing(props: DrawingProps) {
  const { theatre, view, frame, scale, seat } = props;
  const { picture, channels } = theatre;
  return (
    <>
      {view === 'top' && <Windows {...props} />}
      {picture && view === 'side' && <SightLines {...props} picture={picture} />}
      <Seats {...props} />
      <Projectors {...props} />
      {picture && <PictureShape {...props} picture={picture} />}
      {channels
        .filter(({ at }) => view !== 'front' || frame.insideOf(at).awayM < AT_FRONT_M)
        .map((one) => (
          <Speaker key={one.deviceId} {...props} channel={one} />
        ))}
      {seat >= 0 && view !== 'front' && <BlockedLines {...{ theatre, frame, scale, seat }} />}
    </>
  );
}

/** The windows of the floor channels from the seat that is looked from. */
function Windows({ theatre, frame, scale, seat, room }: DrawingProps) {
  const from = theatre.seats[seat];
  if (!from) return null;
  const ear = frame.insideOf([...from.at, from.earM]);
  const clip = `room-${room.id}`;
  const wedges = theatre.channels.flatMap(({ channel, window, deviceId }) => {
    if (!window || window.isOverhead || channel === 'center') return [];
    const side = channel.endsWith('-left') ? -1 : 1;
    const [a, b] = window.mainDeg.map((deg) => outward(ear, side * deg, WINDOW_M));
    return [<path key={deviceId} d={pathOf([ear, a, b].map(scale.at), true)} />];
  });
  return (
    <>
      <clipPath id={clip}>
        <path d={pathOf(frame.outline.map(scale.at), true)} />
      </clipPath>
      <g className={css.windows} clipPath={`url(#${clip})`}>
        {wedges}
      </g>
    </>
  );
}

/** A place so far from an ear at an angle beside the middle line. */
const outward = ({ asideM, awayM, upM }: Inside, deg: number, farM: number): Inside => ({
  asideM: asideM + Math.sin(deg * DEGREE) * farM,
  awayM: awayM - Math.cos(deg * DEGREE) * farM,
  upM,
});

/** From the eyes of each row to the bottom and the top of the picture, with what a row clears over the one before it. */
function SightLines({ theatre, picture, frame, scale, project }: DrawingProps & { readonly picture: Picture }) {
  const { units } = project.project;
  const { awayM, upM } = frame.insideOf(picture.middle);
  const edges = [upM - picture.heightM / 2, upM + picture.heightM / 2].map((one): Inside => ({ asideM: 0, awayM, upM: one }));
  const rows = [...new Set(theatre.seats.map(({ row }) => row))].map((row) => theatre.seats.find((one) => one.row === row)!);
  return (
    <g className={css.sightLines}>
      {rows.map(({ row, at, eyeM, clearanceM }) => {
        const eye = { ...frame.insideOf([...at, eyeM]), asideM: 0 };
        const [x, y] = scale.at(eye);
        const isShort = clearanceM !== null && clearanceM < 0.125 - 5e-4;
        return (
          <g key={row} className={isShort ? css.short : ''}>
            {edges.map((edge, n) => (
              <path key={n} d={pathOf([eye, edge].map(scale.at), false)} />
            ))}
            {clearanceM !== null && (
              <text x={x} y={y - 22} textAnchor="middle">
                {text('theatre.clears', { by: formatLength(clearanceM, units) })}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

function PictureShape({
  picture,
  frame,
  scale,
  view,
  chosenId,
  onTake,
  onKey,
  project,
}: DrawingProps & { readonly picture: Picture }) {
  const corners = pictureCorners(picture, frame);
  const [a, b, c, d] = corners.map(scale.at);
  const shape = view === 'front' ? pathOf([a, b, c, d], true) : view === 'side' ? pathOf([a, d], false) : pathOf([a, b], false);
  const thing: TheatreThing = { kind: 'device', id: picture.deviceId };
  const type = project.deviceTypes[project.devices[picture.deviceId].typeId];
  return (
    <g
      className={`${css.picture}${view === 'front' ? ` ${css.faceOn}` : ''}${chosenId === picture.deviceId ? ' chosen' : ''}`}
      role="button"
      tabIndex={0}
      aria-label={type.name}
      data-device={picture.deviceId}
      onPointerDown={(event) => onTake(thing, event)}
      onKeyDown={(event) => onKey(thing, event)}
    >
      <path className={css.reach} d={shape} />
      <path d={shape} />
    </g>
  );
}

/** A speaker by its channel, with what it is for the seat that is looked from. */
function Speaker({
  channel,
  scale,
  frame,
  chosenId,
  seat,
  onTake,
  onKey,
  project,
  theatre,
}: DrawingProps & { readonly channel: ChannelFigures }) {
  const [x, y] = scale.at(frame.insideOf(channel.at));
  const at = channel.seats[seat];
  const state =
    at?.sight === 'blocked' ? css.blocked : at && (at.beyondDeg !== 0 || at.elevationBeyondDeg !== 0) ? css.beyond : '';
  const isFixed = theatre.aim.fixedDeviceIds.includes(channel.deviceId);
  const thing: TheatreThing = { kind: 'device', id: channel.deviceId };
  const code = channelCode(channel.channel);
  const half = 9 + code.length * 4;
  const device = project.devices[channel.deviceId];
  return (
    <g
      className={`${css.speaker} ${state}${chosenId === channel.deviceId ? ' chosen' : ''}${device.fitting === 'fitted' ? '' : ' prepared'}`}
      style={{ color: channel.channel === 'subwoofer' ? 'var(--shade)' : SYSTEM_STYLE.sound.colour }}
      transform={`translate(${x},${y})`}
      role="button"
      tabIndex={0}
      aria-label={text('theatre.speakerLabel', { channel: term(`channels.${channel.channel}`) })}
      aria-pressed={chosenId === channel.deviceId}
      data-device={channel.deviceId}
      onPointerDown={(event) => onTake(thing, event)}
      onKeyDown={(event) => onKey(thing, event)}
    >
      {chosenId === channel.deviceId && (
        <rect className="chosen-ring" x={-half - 4} y={-13.5} width={2 * half + 8} height={27} rx={13.5} />
      )}
      <rect x={-half} y={-9.5} width={2 * half} height={19} rx={9.5} />
      {isFixed && <path className={css.pin} d={`M${half - 3},-9.5v-5m-3,0h6`} />}
      <text y={4.2} textAnchor="middle">
        {code}
      </text>
    </g>
  );
}

/** Lines from the seat to the speakers that it does not see. */
function BlockedLines({ theatre, frame, scale, seat }: Pick<DrawingProps, 'theatre' | 'frame' | 'scale' | 'seat'>) {
  const from = theatre.seats[seat];
  const ear = frame.insideOf([...from.at, from.earM]);
  return (
    <g className={css.blockedLines}>
      {theatre.channels
        .filter(({ seats, channel }) => seats[seat]?.sight === 'blocked' && channel !== 'subwoofer')
        .map(({ deviceId, at }) => (
          <path key={deviceId} d={pathOf([frame.insideOf(at), ear].map(scale.at), false)} />
        ))}
    </g>
  );
}
