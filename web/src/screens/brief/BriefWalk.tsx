import { useProject } from '../../state/open-project.ts';
import { answeringDevices, cellOf, tellWalk, walkDifferences, walkingOrder, walkResultOf } from '@dusky-spool/core/brief';
import { BRIEF_TOPICS, WALK_RESULTS } from '@dusky-spool/core/model';
import { useOwnName } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { AnswerMark } from './AnswerMark.tsx';
import { useState } from 'react';
import { Button } from 'antd';
import css from './brief.module.css';

/** The brief in walking order, one room at a time; each answer is found there, missing or different. */
export function BriefWalk() {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const by = useOwnName();
  const rooms = walkingOrder(project);
  const [index, setIndex] = useState(0);
  const room = rooms[Math.min(index, rooms.length - 1)];
  const differences = walkDifferences(project);
  if (!room) return <p className="brief-empty">{text('stage.brief.noRooms')}</p>;
  const cells = BRIEF_TOPICS.flatMap((topic) => cellOf(project, room.id, topic) ?? []);
  const asked = cells.filter(({ answer }) => answer === 'wanted' || answer === 'prepared');
  const later = cells.filter(({ answer }) => answer === 'later');
  const nothing = cells.filter(({ answer }) => answer === 'nothing');
  return (
    <section className={`walk ${css.briefWalk}`} aria-label={text('brief.views.walk')}>
      <header>
        <Button disabled={index === 0} onClick={() => setIndex(index - 1)}>
          {text('brief.walkBack')}
        </Button>
        <span>{text('brief.walkAt', { at: Math.min(index, rooms.length - 1) + 1, count: rooms.length })}</span>
        <Button type="primary" disabled={index >= rooms.length - 1} onClick={() => setIndex(index + 1)}>
          {text('brief.walkNext')}
        </Button>
      </header>
      <div className="walk-bar" role="img" aria-label={text('brief.walkAt', { at: index + 1, count: rooms.length })}>
        <span style={{ width: `${(100 * (index + 1)) / rooms.length}%` }} />
      </div>
      <div className="walk-card">
        <p className="eyebrow">
          {project.levels[room.levelId].name} · {room.code}
        </p>
        <h1>{room.name}</h1>
        {asked.length === 0 && <p className="faint">{text('brief.walkNothing')}</p>}
        {asked.map((cell) => {
          const result = walkResultOf(project, room.id, cell.topic);
          const devices = answeringDevices(project, cell);
          return (
            <div key={cell.id} className={css.walkAnswer}>
              <div className={css.walkAnswerHead}>
                <AnswerMark answer={cell.answer} count={cell.count} />
                <b>{term(`topics.${cell.topic}`)}</b>
                <span className="faint">
                  {term(`answers.${cell.answer}`)} · {text('brief.planned', { count: devices.length })}
                </span>
              </div>
              <div className={css.walkThree}>
                {WALK_RESULTS.map((found) => (
                  <Button
                    key={found}
                    type={result?.found === found ? 'primary' : 'default'}
                    aria-pressed={result?.found === found}
                    onClick={() =>
                      edit(
                        text('edit.walk', { room: room.name }),
                        tellWalk(project, room.id, cell.topic, { found, by, on: today(), note: result?.note ?? '' }, () =>
                          newRecordId('wr'),
                        ),
                      )
                    }
                  >
                    {term(`walkFound.${found}`)}
                  </Button>
                ))}
              </div>
            </div>
          );
        })}
        {later.length > 0 && (
          <p className="faint">
            {text('brief.walkLater', { topics: later.map(({ topic }) => term(`topics.${topic}`)).join(', ') })}
          </p>
        )}
        {nothing.length > 0 && (
          <p className="faint">
            {text('brief.walkOnPurpose', { topics: nothing.map(({ topic }) => term(`topics.${topic}`)).join(', ') })}
          </p>
        )}
      </div>
      <h2 className="eyebrow">{text('brief.differences', { count: differences.length })}</h2>
      <ol className="walk-list">
        {differences.map(({ cell, result }) => (
          <li key={cell.id}>
            <b>{project.rooms[cell.roomId].name}</b> {term(`topics.${cell.topic}`)}: {term(`walkFound.${result.found}`)}
            <span className="faint">
              {' '}
              {result.by} {result.on}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
