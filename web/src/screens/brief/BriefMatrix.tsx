import { useProject } from '../../state/open-project.ts';
import { answerCell, briefCost, briefOf, cellOf, notDiscussed, proposedAnswers } from '@dusky-spool/core/brief';
import { levelsFromBelow } from '@dusky-spool/core/house';
import { type Answer, BRIEF_TOPICS, type BriefTopic, type Room } from '@dusky-spool/core/model';
import { onLevel } from '@dusky-spool/core/derive';
import { term, text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { AnswerMark } from './AnswerMark.tsx';
import { useSignedGuard } from './useSignedGuard.ts';
import { money } from '../../ui/money.ts';
import { useMemo, useRef, type KeyboardEvent } from 'react';
import css from './brief.module.css';

export interface CellPlace {
  readonly roomId: string;
  readonly topic: BriefTopic;
}

interface Props {
  readonly at: CellPlace | null;
  readonly onAt: (place: CellPlace) => void;
  readonly onFill: (roomId: string) => void;
  readonly onDetails: () => void;
  /** Only rooms whose name or code has this. */
  readonly find: string;
}

/** No answer asks for more. */
const MOST = 99;

/** Letters that answer the cell under the cursor. */
const KEYS: Readonly<Record<string, Answer>> = { w: 'wanted', p: 'prepared', l: 'later', n: 'nothing' };

/** Rooms by systems. Arrows move; one letter answers and goes on to the next cell; a digit after it says how many. */
export function BriefMatrix({ at, onAt, onFill, onDetails, find }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const table = useRef<HTMLTableElement>(null);
  const levels = levelsFromBelow(project).toReversed();
  const words = find.trim().toLowerCase();
  const rooms = levels.flatMap((level) =>
    onLevel(project, 'rooms', level.id)
      .filter(({ code, name }) => `${code} ${name}`.toLowerCase().includes(words))
      .toSorted((a, b) => (a.name < b.name ? -1 : 1)),
  );
  const proposed = useMemo(
    () => new Map(proposedAnswers(project).map((one) => [`${one.roomId}/${one.topic}`, one.count])),
    [project],
  );
  const { byRoom } = briefCost(project);
  const go = (place: CellPlace) => {
    onAt(place);
    requestAnimationFrame(() =>
      table.current?.querySelector<HTMLElement>(`[data-cell="${place.roomId}/${place.topic}"]`)?.focus(),
    );
  };
  const step = ({ roomId, topic }: CellPlace, dx: number, dy: number): CellPlace => {
    const row = rooms.findIndex((room) => room.id === roomId);
    const column = BRIEF_TOPICS.indexOf(topic) + dx;
    const wrapped = column >= BRIEF_TOPICS.length ? row + 1 : column < 0 ? row - 1 : row + dy;
    const next = rooms[Math.min(rooms.length - 1, Math.max(0, wrapped))];
    return { roomId: next.id, topic: BRIEF_TOPICS[(column + BRIEF_TOPICS.length) % BRIEF_TOPICS.length] };
  };
  const guarded = useSignedGuard();
  const tell = (place: CellPlace, answer: Answer | null, count?: number) =>
    guarded([place.roomId], () => {
      const now = useProjectStore.getState().sync!.view;
      const given = count === undefined ? {} : { count };
      edit(
        text('edit.brief', { room: now.rooms[place.roomId].name, topic: term(`topics.${place.topic}`).toLowerCase() }),
        answerCell(now, place.roomId, place.topic, answer, () => newRecordId('bc'), given),
      );
    });
  // A digit right after a letter says how many of the answer that was just given; two digits say ten and more.
  const counted = useRef<{ readonly place: CellPlace; readonly digits: string } | null>(null);
  const tellCount = (place: CellPlace, digit: string) => {
    const given = counted.current ?? { place, digits: '' };
    const digits = Number(given.digits + digit) <= MOST ? given.digits + digit : digit;
    const now = useProjectStore.getState().sync!.view;
    tell(given.place, cellOf(now, given.place.roomId, given.place.topic)?.answer ?? 'wanted', Number(digits));
    counted.current = { place: given.place, digits };
  };
  const onKey = (event: KeyboardEvent, place: CellPlace) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const key = event.key.toLowerCase();
    const moves: Record<string, [number, number]> = {
      arrowright: [1, 0],
      arrowleft: [-1, 0],
      arrowdown: [0, 1],
      arrowup: [0, -1],
    };
    if (!/^[0-9]$/.test(key)) counted.current = null;
    if (moves[key]) go(step(place, ...moves[key]));
    else if (KEYS[key]) {
      tell(place, KEYS[key]);
      counted.current = { place, digits: '' };
      go(step(place, 1, 0));
    } else if (key === 'delete' || key === 'backspace' || key === 'x') tell(place, null);
    else if (/^[1-9]$/.test(key) || (key === '0' && counted.current?.digits)) tellCount(place, key);
    else if (key === 'f') onFill(place.roomId);
    else if (key === 'enter') onDetails();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const first = rooms[0];
  const focus = at ?? (first ? { roomId: first.id, topic: BRIEF_TOPICS[0] } : null);
  return (
    <table ref={table} className={css.briefMatrix} role="grid" aria-label={text('brief.matrix')}>
      <thead>
        <tr>
          <th scope="col">{text('brief.room')}</th>
          {BRIEF_TOPICS.map((topic) => (
            <th key={topic} scope="col" className={css.topic}>
              <span>{term(`topics.${topic}`)}</span>
            </th>
          ))}
          <th scope="col" className={css.cost}>
            {text('brief.now')}
          </th>
          <th scope="col" className="signed">
            {text('brief.open')}
          </th>
        </tr>
      </thead>
      {levels.map((level) => (
        <tbody key={level.id}>
          <tr className={css.levelRow}>
            <th scope="rowgroup" colSpan={BRIEF_TOPICS.length + 3}>
              {level.name}
            </th>
          </tr>
          {rooms
            .filter((room) => room.levelId === level.id)
            .map((room) => (
              <tr key={room.id} className={at?.roomId === room.id ? css.current : ''}>
                <th scope="row">
                  <span className="id">{room.code}</span> {room.name}
                </th>
                {BRIEF_TOPICS.map((topic) => {
                  const cell = cellOf(project, room.id, topic);
                  const here = at?.roomId === room.id && at.topic === topic;
                  const reached = focus?.roomId === room.id && focus.topic === topic;
                  const onPlan = proposed.get(`${room.id}/${topic}`);
                  const count = cell && cell.answer !== 'nothing' && cell.count > 1 ? `, ${cell.count}` : '';
                  const told = text('brief.cell', {
                    room: room.name,
                    topic: term(`topics.${topic}`),
                    answer: `${term(`answers.${cell?.answer ?? 'none'}`)}${count}`,
                  });
                  return (
                    <td key={topic} role="gridcell" aria-selected={here}>
                      <button
                        type="button"
                        className={`plain ${css.briefCell}${here ? ' here' : ''}`}
                        data-cell={`${room.id}/${topic}`}
                        tabIndex={reached ? 0 : -1}
                        aria-label={onPlan ? `${told}. ${text('brief.onPlan', { count: onPlan })}` : told}
                        title={onPlan ? text('brief.onPlan', { count: onPlan }) : undefined}
                        onFocus={() => !here && onAt({ roomId: room.id, topic })}
                        onClick={() => {
                          counted.current = null;
                          onAt({ roomId: room.id, topic });
                        }}
                        onKeyDown={(event) => onKey(event, { roomId: room.id, topic })}
                      >
                        {onPlan ? (
                          <span className={css.onPlan}>{onPlan}</span>
                        ) : (
                          <AnswerMark answer={cell?.answer} count={cell?.count} />
                        )}
                      </button>
                    </td>
                  );
                })}
                <td className={css.cost}>{money(byRoom.get(room.id)?.now ?? 0)}</td>
                <td className="signed">
                  <SignedMark room={room} />
                </td>
              </tr>
            ))}
        </tbody>
      ))}
    </table>
  );
}

/** How many topics are open, or a tick where the room is signed. */
function SignedMark({ room }: { readonly room: Room }) {
  const project = useProject();
  const open = notDiscussed(project, room.id).length;
  const brief = briefOf(project, room.id);
  const signed = brief?.signedOn;
  if (signed && brief.asksToSign !== '' && brief.alsoSignedOn === '')
    return (
      <span className={css.signedReady} title={text('brief.waitsFor', { name: brief.asksToSign })}>
        {text('brief.oneOfTwo')}
      </span>
    );
  if (signed)
    return (
      <span className={css.signedYes} title={text('brief.signedOn', { on: signed })}>
        {text('brief.signed')}
      </span>
    );
  return open > 0 ? (
    <span className={css.signedOpen}>{open}</span>
  ) : (
    <span className={css.signedReady}>{text('brief.ready')}</span>
  );
}
