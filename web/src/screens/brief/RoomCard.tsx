import { createRecords } from '../../commands/create-records.ts';
import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import {
  acceptAnswers,
  answerCell,
  answeringDevices,
  briefOf,
  briefPrompts,
  cellOf,
  costOfAnswer,
  notDiscussed,
  proposedAnswers,
  ROOM_USES,
  signRoom,
  tellRoom,
  TOPIC_RULES,
  typesFor,
  withdrawSignature,
} from '@dusky-spool/core/brief';
import { deviceTitle, templateOf } from '@dusky-spool/core/devices';
import { type Answer, ANSWERS, type BriefCell, HABIT_USE } from '@dusky-spool/core/model';
import { listOf, onLevel } from '@dusky-spool/core/derive';
import { useOwnName } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { AnswerMark } from './AnswerMark.tsx';
import type { CellPlace } from './BriefMatrix.tsx';
import { useSignedGuard } from './useSignedGuard.ts';
import { money } from '../../ui/money.ts';
import { Button } from 'antd';
import css from './brief.module.css';

interface Props {
  readonly at: CellPlace;
  readonly onAt: (place: CellPlace) => void;
  readonly onFill: (roomId: string) => void;
  readonly onCopy: (roomId: string) => void;
}

const newCell = () => newRecordId('bc');
const newBrief = () => newRecordId('rb');

/** One answer in full, and the room around it: what to ask next, how it is used, its signature. */
export function RoomCard({ at, onAt, onFill, onCopy }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const member = useOwnName();
  const room = project.rooms[at.roomId];
  const cell = cellOf(project, at.roomId, at.topic);
  const brief = briefOf(project, at.roomId);
  const prompts = briefPrompts(project, at.roomId);
  const open = notDiscussed(project, at.roomId);
  const topic = term(`topics.${at.topic}`);
  const title = text('edit.brief', { room: room.name, topic: topic.toLowerCase() });
  const guarded = useSignedGuard();
  const tell = (answer: Answer | null, given: Partial<BriefCell> = {}) =>
    guarded([room.id], () => edit(title, answerCell(project, room.id, at.topic, answer, newCell, given)));
  const proposal = proposedAnswers(project).find(({ roomId, topic: of }) => roomId === room.id && of === at.topic);
  const habit = (after: Parameters<typeof tellRoom>[2]) =>
    edit(text('edit.habit', { room: room.name }), tellRoom(project, room.id, after, newBrief));
  return (
    <aside className={`inspector ${css.briefCard}`} aria-label={text('brief.answer')}>
      <div className="punched-tag">
        <span className="punch" aria-hidden="true" />
        <div>
          <h2>{topic}</h2>
          <p>
            <span className="id">{room.code}</span> {room.name}, {project.levels[room.levelId].name}
          </p>
        </div>
      </div>
      <div className={css.answerButtons} role="group" aria-label={text('brief.answer')}>
        {ANSWERS.map((answer) => (
          <button
            key={answer}
            type="button"
            className={`plain${cell?.answer === answer ? ' chosen' : ''}`}
            aria-pressed={cell?.answer === answer}
            onClick={() => tell(cell?.answer === answer ? null : answer)}
          >
            <AnswerMark answer={answer} />
            <span>{term(`answers.${answer}`)}</span>
            <kbd>{answer[0].toUpperCase()}</kbd>
          </button>
        ))}
      </div>
      {proposal && (
        <p className={css.proposal}>
          {text('brief.onPlan', { count: proposal.count })}{' '}
          <Button
            size="small"
            type="primary"
            onClick={() => guarded([room.id], () => edit(title, acceptAnswers(project, [proposal], newCell)))}
          >
            {text('brief.accept')}
          </Button>
        </p>
      )}
      {cell && cell.answer !== 'nothing' && <AnswerDetails cell={cell} tell={tell} />}
      {prompts.length > 0 && (
        <>
          <div className="eyebrow">{text('brief.askNext')}</div>
          <div className={css.promptList}>
            {prompts.map(({ topic: next, because }) => (
              <button
                key={next}
                type="button"
                className={`plain ${css.prompt}`}
                onClick={() => onAt({ roomId: room.id, topic: next })}
              >
                {term(`topics.${next}`)}? <span className="faint">{text(`brief.because.${because}`)}</span>
              </button>
            ))}
          </div>
        </>
      )}
      {open.length > 0 && (
        <Button size="small" onClick={() => onFill(room.id)}>
          {text('brief.fillRest')}
        </Button>
      )}
      <Button size="small" onClick={() => onCopy(room.id)}>
        {text('brief.copy')}
      </Button>
      {onLevel(project, 'devices', room.levelId).some(({ roomId }) => roomId === room.id) && (
        <Button
          size="small"
          onClick={() => {
            const id = newRecordId('rt');
            edit(text('brief.keepTemplate'), createRecords('roomTemplates', [templateOf(project, room.id, id, room.name)]));
          }}
        >
          {text('brief.keepTemplate')}
        </Button>
      )}
      <div className="eyebrow">{text('brief.habits')}</div>
      <div className="fields">
        <ChoiceField
          label={text('brief.use')}
          value={room.use}
          options={[...new Set([room.use, ...ROOM_USES])].map((value) => ({ value, label: value || text('brief.noUse') }))}
          onChange={(use) => {
            const operations = changeRecord('rooms', room, { use });
            if (operations.length > 0) edit(text('edit.habit', { room: room.name }), operations);
          }}
        />
        <ChoiceField
          label={text('brief.used')}
          value={brief?.used ?? ''}
          options={HABIT_USE.map((value) => ({ value, label: term(`used.${value || 'none'}`) }))}
          onChange={(used) => habit({ used })}
        />
        <WordsField label={text('brief.who')} value={brief?.who ?? ''} max={120} onChange={(who) => habit({ who })} />
        <WordsField label={text('brief.noise')} value={brief?.noise ?? ''} max={120} onChange={(noise) => habit({ noise })} />
        <NumberField
          label={text('brief.overflow')}
          value={brief?.overflowSeats ?? 0}
          min={0}
          max={200}
          onChange={(overflowSeats) => habit({ overflowSeats })}
        />
        <NumberField
          label={text('brief.walkOrder')}
          value={brief?.walkOrder ?? 0}
          min={0}
          max={999}
          onChange={(walkOrder) => habit({ walkOrder })}
        />
      </div>
      {brief?.signedOn ? (
        <p className="signed-line">
          {text('brief.signedBy', { by: brief.signedBy, on: brief.signedOn })}{' '}
          <Button
            size="small"
            onClick={() => guarded([room.id], () => edit(text('edit.habit', { room: room.name }), withdrawSignature(brief)))}
          >
            {text('brief.unsign')}
          </Button>
        </p>
      ) : (
        <Button
          type="primary"
          disabled={open.length > 0}
          onClick={() =>
            edit(
              text('edit.sign', { room: room.name }),
              signRoom(project, room.id, project.project.client || member, today(), newBrief),
            )
          }
        >
          {open.length > 0 ? text('brief.notYet', { count: open.length }) : text('brief.sign')}
        </Button>
      )}
      <WordsField
        label={text('brief.asksToSign')}
        value={brief?.asksToSign ?? ''}
        max={60}
        onChange={(asksToSign) => habit({ asksToSign, alsoSignedOn: '' })}
      />
      {brief && brief.signedOn !== '' && brief.asksToSign !== '' && (
        <p className="signed-line">
          {brief.alsoSignedOn === '' ? (
            <>
              {text('brief.waitsFor', { name: brief.asksToSign })}{' '}
              <Button size="small" onClick={() => habit({ alsoSignedOn: today() })}>
                {text('brief.signAs', { name: brief.asksToSign })}
              </Button>
            </>
          ) : (
            text('brief.signedBy', { by: brief.asksToSign, on: brief.alsoSignedOn })
          )}
        </p>
      )}
      {brief && brief.pastSignatures.length > 0 && (
        <>
          <div className="eyebrow">{text('brief.pastSignatures')}</div>
          <ul className={css.pastSignatures}>
            {brief.pastSignatures.map(({ by, on }, index) => (
              <li key={`${on}${index}`}>{text('brief.withdrawn', { by, on })}</li>
            ))}
          </ul>
        </>
      )}
    </aside>
  );
}

/** How many, which, how good, when, and what it costs now against later. */
function AnswerDetails({
  cell,
  tell,
}: {
  readonly cell: BriefCell;
  readonly tell: (answer: Answer, given: Partial<BriefCell>) => void;
}) {
  const project = useProject();
  const room = project.rooms[cell.roomId];
  const { unit, source } = TOPIC_RULES[cell.topic];
  const types = typesFor(project, cell.topic);
  const cost = costOfAnswer(project, room, cell.topic, cell.answer, cell.count, cell.typeId);
  const devices = answeringDevices(project, cell);
  const { currency } = project.project;
  const phases = listOf(project, 'phases').toSorted((a, b) => a.order - b.order);
  return (
    <>
      <div className="fields">
        <NumberField
          label={text('brief.count')}
          value={cell.count}
          min={1}
          max={99}
          onChange={(count) => tell(cell.answer, { count })}
        />
        {unit && (
          <NumberField
            label={text('brief.threshold', { unit })}
            value={cell.threshold ?? 0}
            min={0}
            max={100_000}
            step={unit === 'm' ? 0.1 : 1}
            onChange={(threshold) => tell(cell.answer, { threshold })}
          />
        )}
        <ChoiceField
          label={text('brief.type')}
          value={cell.typeId ?? ''}
          options={[{ value: '', label: text('brief.anyType') }, ...types.map(({ id, name }) => ({ value: id, label: name }))]}
          onChange={(typeId) => tell(cell.answer, { typeId: typeId || null })}
        />
        {phases.length > 0 && (
          <ChoiceField
            label={text('brief.phase')}
            value={cell.phaseId ?? ''}
            options={[
              { value: '', label: text('brief.firstPhase') },
              ...phases.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={(phaseId) => tell(cell.answer, { phaseId: phaseId || null })}
          />
        )}
        <WordsField label={text('brief.note')} value={cell.note} max={400} onChange={(note) => tell(cell.answer, { note })} />
      </div>
      {unit && <p className={`faint ${css.sourceLine}`}>{source}</p>}
      <dl className={css.costLines}>
        <div>
          <dt>{text('brief.costNow')}</dt>
          <dd>
            {currency} {money(cost.now)}
          </dd>
        </div>
        <div>
          <dt>{text('brief.costAfter')}</dt>
          <dd>
            {currency} {money(cost.afterClose)}
          </dd>
        </div>
      </dl>
      <p className="faint">
        {devices.length === 0
          ? text('brief.noDevice')
          : text('brief.answeredBy', {
              devices: devices.map((device) => deviceTitle(device, project.deviceTypes[device.typeId])).join(', '),
            })}
      </p>
    </>
  );
}
