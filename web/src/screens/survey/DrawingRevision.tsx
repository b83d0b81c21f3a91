import { distance2, formatArea, formatLength, type UnitSystem } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import type { ChangedRoom, RevisedPiece, Touched } from '@dusky-spool/core/survey';
import { Button, Checkbox } from 'antd';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import type { Revision } from './useRevision.ts';
import css from './survey.module.css';

interface Props {
  readonly revision: Revision;
  readonly onPoint: (pieceId: string | null) => void;
  readonly onLayers: () => void;
  readonly onAsNew: () => void;
}

/** In what a revised drawing differs from the plan, and what each difference touches: taken one by one or all at once. */
export function DrawingRevision({ revision, onPoint, onLayers, onAsNew }: Props) {
  const { pieces, refused, setRefused, rooms } = revision;
  const project = useProject();
  const { units } = project.project;
  const toggle = (id: string) => {
    const next = new Set(refused);
    if (!next.delete(id)) next.add(id);
    setRefused(next);
  };
  return (
    <>
      <p>
        <b>{pieces.length > 0 ? text('revision.found', { count: pieces.length }) : text('revision.same')}</b>
      </p>
      <div className="panel-buttons">
        {pieces.length > 1 && (
          <>
            <Button size="small" onClick={() => setRefused(new Set())}>
              {text('drawing.all')}
            </Button>
            <Button size="small" onClick={() => setRefused(new Set(pieces.map(({ id }) => id)))}>
              {text('drawing.noneOf')}
            </Button>
          </>
        )}
        <Button size="small" onClick={onLayers}>
          {text('drawing.layers')}
        </Button>
        <Button size="small" onClick={onAsNew}>
          {text('revision.asNew')}
        </Button>
      </div>
      <ul className={css.proposalList}>
        {pieces.map((piece) => (
          <li key={piece.id} onMouseEnter={() => onPoint(piece.id)} onMouseLeave={() => onPoint(null)}>
            <Checkbox
              checked={!refused.has(piece.id)}
              onChange={() => toggle(piece.id)}
              onFocus={() => onPoint(piece.id)}
              onBlur={() => onPoint(null)}
            >
              {pieceText(project, piece, units)}
              <TouchedWords touched={piece.touched} />
            </Checkbox>
          </li>
        ))}
      </ul>
      {rooms.length > 0 && <ChangedRooms rooms={rooms} units={units} />}
    </>
  );
}

/** What a difference is, with its figure. */
function pieceText(project: ProjectDocument, piece: RevisedPiece, units: UnitSystem): string {
  const length = (m: number) => formatLength(m, units);
  const whole = (m: number) => length(Math.abs(m));
  switch (piece.kind) {
    case 'wall-moved':
      return text('revision.wallMoved', { by: whole(Math.hypot(...piece.by)), way: text(`revision.way.${wayOf(piece.by)}`) });
    case 'wall-length':
      return text(piece.longerM > 0 ? 'revision.wallLonger' : 'revision.wallShorter', { by: whole(piece.longerM) });
    case 'wall-thickness':
      return text('revision.wallThickness', {
        before: length(project.walls[piece.wallIds[0]].thicknessM),
        after: length(piece.thicknessM),
      });
    case 'wall-new':
      return text('revision.wallNew', { length: length(distance2(piece.proposal.a, piece.proposal.b)) });
    case 'wall-gone':
      return text('revision.wallGone', { length: length(distance2(...piece.before[0])) });
    case 'opening-changed': {
      const { kind, widthM } = project.openings[piece.openingId];
      const by = Math.hypot(...piece.by);
      const what = text(`revision.opening.${kind}`);
      const isWider = Math.abs(widthM - piece.widthM) > 1e-9;
      const moved = text('revision.openingMoved', { what, by: length(by), way: text(`revision.way.${wayOf(piece.by)}`) });
      const wider = text('revision.openingWidth', { what, before: length(widthM), after: length(piece.widthM) });
      return [...(by > 0 ? [moved] : []), ...(isWider ? [wider] : [])].join('; ');
    }
    case 'opening-new':
      return text('revision.openingNew', {
        what: text(`revision.opening.${piece.opening.kind}`),
        width: length(piece.opening.widthM),
      });
    case 'opening-gone':
      return text('revision.openingGone', { what: text(`revision.opening.${project.openings[piece.openingId].kind}`) });
  }
}

/** Which way a move goes on the sheet. */
const wayOf = ([x, y]: readonly [number, number]): 'left' | 'right' | 'up' | 'down' =>
  Math.abs(x) >= Math.abs(y) ? (x > 0 ? 'right' : 'left') : y > 0 ? 'up' : 'down';

/** More than so many numbers are counted. */
const MAX_NUMBERS = 8;

function TouchedWords({ touched: { deviceIds, runIds } }: { readonly touched: Touched }) {
  const { devices, deviceTypes, runs } = useProject();
  if (deviceIds.length === 0 && runIds.length === 0) return <span className="faint"> · {text('revision.touchesNothing')}</span>;
  const names = deviceIds.map((id) => devices[id].name || deviceTypes[devices[id].typeId].name);
  const numbers = runIds.map((id) => runs[id].number);
  const few = (words: readonly string[]) =>
    words.slice(0, MAX_NUMBERS).join(', ') +
    (words.length > MAX_NUMBERS ? ` ${text('revision.more', { count: words.length - MAX_NUMBERS })}` : '');
  return (
    <span className={css.touched}>
      {names.length > 0 && <span>{text('revision.devices', { count: names.length, names: few(names) })}</span>}
      {numbers.length > 0 && <span>{text('revision.runs', { count: numbers.length, numbers: few(numbers) })}</span>}
    </span>
  );
}

function ChangedRooms({ rooms, units }: { readonly rooms: readonly ChangedRoom[]; readonly units: UnitSystem }) {
  const area = (m2: number | null) => (m2 === null ? text('revision.noRoom') : formatArea(m2, units));
  return (
    <>
      <div className="eyebrow">{text('revision.rooms')}</div>
      <ul className={css.proposalList}>
        {rooms.map(({ roomId, name, beforeM2, afterM2 }) => (
          <li key={roomId}>{text('revision.room', { name, before: area(beforeM2), after: area(afterM2) })}</li>
        ))}
      </ul>
    </>
  );
}
