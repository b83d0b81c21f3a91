import { useProject } from '../../state/open-project.ts';
import {
  answerCell,
  briefCost,
  briefOf,
  type BriefPlace,
  cellOf,
  isOutdoors,
  notDiscussed,
  placeOf,
  placesOf,
  proposedAnswers,
} from '@dusky-spool/core/brief';
import { levelsFromBelow } from '@dusky-spool/core/house';
import { type Answer, BRIEF_TOPICS, type BriefTopic, type ProjectDocument, SITE_TOPICS } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { term, text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { AnswerMark } from './AnswerMark.tsx';
import { useSignedGuard } from './useSignedGuard.ts';
import { Costs } from '../../ui/Costs.tsx';
import { money } from '../../ui/money.ts';
import { useMemo, useRef, type KeyboardEvent } from 'react';
import css from './brief.module.css';

export interface CellPlace {
  /** A room or an outdoor area. */
  readonly placeId: string;
  readonly topic: BriefTopic;
}

interface Props {
  readonly at: CellPlace | null;
  readonly onAt: (place: CellPlace) => void;
  readonly onFill: (placeId: string) => void;
  readonly onDetails: () => void;
  /** Only places whose name or code has this. */
  readonly find: string;
}

/** No answer asks for more. */
const MOST = 99;

/** Letters that answer the cell under the cursor. */
const KEYS: Readonly<Record<string, Answer>> = { w: 'wanted', p: 'prepared', l: 'later', n: 'nothing' };

/** Topics of the site have columns where there is an outdoor area, or an answer to one of them. */
function columnsOf(project: ProjectDocument, places: readonly BriefPlace[]): readonly BriefTopic[] {
  const isAsked = places.some(isOutdoors) || listOf(project, 'briefCells').some(({ topic }) => SITE_TOPICS.includes(topic));
  return isAsked ? BRIEF_TOPICS : BRIEF_TOPICS.filter((topic) => !SITE_TOPICS.includes(topic));
}

/** Rooms and outdoor areas by systems. Arrows move; one letter answers and goes on to the next cell; a digit after it says how many. */
export function BriefMatrix({ at, onAt, onFill, onDetails, find }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const table = useRef<HTMLTableElement>(null);
  const words = find.trim().toLowerCase();
  const all = placesOf(project);
  const topics = columnsOf(project, all);
  const places = all
    .filter(({ code, name }) => `${code} ${name}`.toLowerCase().includes(words))
    .toSorted((a, b) => (a.name < b.name ? -1 : 1));
  const groups = [
    ...levelsFromBelow(project)
      .toReversed()
      .map(({ id, name }) => ({ id, name, places: places.filter((one) => one.levelId === id && !isOutdoors(one)) })),
    { id: 'outdoors', name: text('brief.outdoors'), places: places.filter(isOutdoors) },
  ].filter((group) => group.places.length > 0);
  const rows = groups.flatMap((group) => group.places);
  const proposed = useMemo(
    () => new Map(proposedAnswers(project).map((one) => [`${one.placeId}/${one.topic}`, one.count])),
    [project],
  );
  const { byPlace } = briefCost(project);
  const go = (place: CellPlace) => {
    onAt(place);
    requestAnimationFrame(() =>
      table.current?.querySelector<HTMLElement>(`[data-cell="${place.placeId}/${place.topic}"]`)?.focus(),
    );
  };
  const step = ({ placeId, topic }: CellPlace, dx: number, dy: number): CellPlace => {
    const row = rows.findIndex((one) => one.id === placeId);
    const column = topics.indexOf(topic) + dx;
    const wrapped = column >= topics.length ? row + 1 : column < 0 ? row - 1 : row + dy;
    const next = rows[Math.min(rows.length - 1, Math.max(0, wrapped))];
    return { placeId: next.id, topic: topics[(column + topics.length) % topics.length] };
  };
  const guarded = useSignedGuard();
  const tell = (place: CellPlace, answer: Answer | null, count?: number) =>
    guarded([place.placeId], () => {
      const now = useProjectStore.getState().sync!.view;
      const given = count === undefined ? {} : { count };
      edit(
        text('edit.brief', { room: placeOf(now, place.placeId)?.name ?? '', topic: term(`topics.${place.topic}`).toLowerCase() }),
        answerCell(now, place.placeId, place.topic, answer, () => newRecordId('bc'), given),
      );
    });
  // A digit right after a letter says how many of the answer that was just given; two digits say ten and more.
  const counted = useRef<{ readonly place: CellPlace; readonly digits: string } | null>(null);
  const tellCount = (place: CellPlace, digit: string) => {
    const given = counted.current ?? { place, digits: '' };
    const digits = Number(given.digits + digit) <= MOST ? given.digits + digit : digit;
    const now = useProjectStore.getState().sync!.view;
    tell(given.place, cellOf(now, given.place.placeId, given.place.topic)?.answer ?? 'wanted', Number(digits));
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
    else if (key === 'f') onFill(place.placeId);
    else if (key === 'enter') onDetails();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const focus = at ?? (rows.length > 0 ? { placeId: rows[0].id, topic: topics[0] } : null);
  return (
    <table ref={table} className={css.briefMatrix} role="grid" aria-label={text('brief.matrix')}>
      <thead>
        <tr>
          <th scope="col">{text('brief.room')}</th>
          {topics.map((topic) => (
            <th key={topic} scope="col" className={css.topic}>
              <span>{term(`topics.${topic}`)}</span>
            </th>
          ))}
          <Costs>
            <th scope="col" className={css.cost}>
              {text('brief.now')}
            </th>
          </Costs>
          <th scope="col" className="signed">
            {text('brief.open')}
          </th>
        </tr>
      </thead>
      {groups.map((group) => (
        <tbody key={group.id}>
          <tr className={css.levelRow}>
            <th scope="rowgroup" colSpan={topics.length + 3}>
              {group.name}
            </th>
          </tr>
          {group.places.map((one) => (
            <tr key={one.id} className={at?.placeId === one.id ? css.current : ''}>
              <th scope="row">
                <span className="id">{one.code}</span> {one.name}
              </th>
              {topics.map((topic) => {
                const cell = cellOf(project, one.id, topic);
                const here = at?.placeId === one.id && at.topic === topic;
                const reached = focus?.placeId === one.id && focus.topic === topic;
                const onPlan = proposed.get(`${one.id}/${topic}`);
                const count = cell && cell.answer !== 'nothing' && cell.count > 1 ? `, ${cell.count}` : '';
                const label = text('brief.cell', {
                  room: one.name,
                  topic: term(`topics.${topic}`),
                  answer: `${term(`answers.${cell?.answer ?? 'none'}`)}${count}`,
                });
                return (
                  <td key={topic} role="gridcell" aria-selected={here}>
                    <button
                      type="button"
                      className={`plain ${css.briefCell}${here ? ' here' : ''}`}
                      data-cell={`${one.id}/${topic}`}
                      tabIndex={reached ? 0 : -1}
                      aria-label={onPlan ? `${label}. ${text('brief.onPlan', { count: onPlan })}` : label}
                      title={onPlan ? text('brief.onPlan', { count: onPlan }) : undefined}
                      onFocus={() => !here && onAt({ placeId: one.id, topic })}
                      onClick={() => {
                        counted.current = null;
                        onAt({ placeId: one.id, topic });
                      }}
                      onKeyDown={(event) => onKey(event, { placeId: one.id, topic })}
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
              <Costs>
                <td className={css.cost}>{money(byPlace.get(one.id)?.now ?? 0)}</td>
              </Costs>
              <td className="signed">
                <SignedMark place={one} />
              </td>
            </tr>
          ))}
        </tbody>
      ))}
    </table>
  );
}

/** How many topics are open, or a tick where the place is signed. */
function SignedMark({ place }: { readonly place: BriefPlace }) {
  const project = useProject();
  const open = notDiscussed(project, place.id).length;
  const brief = briefOf(project, place.id);
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
