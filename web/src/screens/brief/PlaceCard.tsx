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
  devicesIn,
  isOutdoors,
  LAYOUTS,
  notDiscussed,
  placeIdOf,
  placeOf,
  proposedAnswers,
  ROOM_USES,
  signRoom,
  tellRoom,
  TOPIC_RULES,
  typesFor,
  withdrawSignature,
} from '@dusky-spool/core/brief';
import { deviceTitle, templateOf } from '@dusky-spool/core/devices';
import { type Answer, ANSWERS, type BriefCell, type Feature, HABIT_USE, type Room } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { useOwnName } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Costs } from '../../ui/Costs.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { UseGroups } from '../../ui/UseGroups.tsx';
import { AnswerMark } from './AnswerMark.tsx';
import { ChannelList } from './ChannelList.tsx';
import type { CellPlace } from './BriefMatrix.tsx';
import { useSignedGuard } from './useSignedGuard.ts';
import { money } from '../../ui/money.ts';
import { Button, Checkbox } from 'antd';
import css from './brief.module.css';

interface Props {
  readonly at: CellPlace;
  readonly onAt: (place: CellPlace) => void;
  readonly onFill: (placeId: string) => void;
  readonly onCopy: (placeId: string) => void;
}

const newCell = () => newRecordId('bc');
const newBrief = () => newRecordId('rb');

/** One answer in full, and the room or area around it: what to ask next, how it is used, its signature. */
export function PlaceCard({ at, onAt, onFill, onCopy }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const member = useOwnName();
  const place = placeOf(project, at.placeId)!;
  const cell = cellOf(project, at.placeId, at.topic);
  const brief = briefOf(project, at.placeId);
  const prompts = briefPrompts(project, at.placeId);
  const open = notDiscussed(project, at.placeId);
  const topic = term(`topics.${at.topic}`);
  const title = text('edit.brief', { room: place.name, topic: topic.toLowerCase() });
  const guarded = useSignedGuard();
  const tell = (answer: Answer | null, given: Partial<BriefCell> = {}) =>
    guarded([place.id], () => edit(title, answerCell(project, place.id, at.topic, answer, newCell, given)));
  const proposal = proposedAnswers(project).find(({ placeId, topic: of }) => placeId === place.id && of === at.topic);
  const habit = (after: Parameters<typeof tellRoom>[2]) =>
    edit(text('edit.habit', { room: place.name }), tellRoom(project, place.id, after, newBrief));
  const rename = (list: 'rooms' | 'features', after: Partial<Room> & Partial<Feature>) => {
    const operations = changeRecord(list, project[list][place.id] as never, after as never);
    if (operations.length > 0) edit(text('edit.habit', { room: place.name }), operations);
  };
  return (
    <aside className={`inspector ${css.briefCard}`} aria-label={text('brief.answer')}>
      <div className="punched-tag">
        <span className="punch" aria-hidden="true" />
        <div>
          <h2>{topic}</h2>
          <p>
            <span className="id">{place.code}</span> {place.name}, {project.levels[place.levelId].name}
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
            onClick={() => guarded([place.id], () => edit(title, acceptAnswers(project, [proposal], newCell)))}
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
                onClick={() => onAt({ placeId: place.id, topic: next })}
              >
                {term(`topics.${next}`)}? <span className="faint">{text(`brief.because.${because}`)}</span>
              </button>
            ))}
          </div>
        </>
      )}
      {open.length > 0 && (
        <Button size="small" onClick={() => onFill(place.id)}>
          {text('brief.fillRest')}
        </Button>
      )}
      <Button size="small" onClick={() => onCopy(place.id)}>
        {text('brief.copy')}
      </Button>
      {!isOutdoors(place) && devicesIn(project, place.id).length > 0 && (
        <Button
          size="small"
          onClick={() => {
            const id = newRecordId('rt');
            edit(text('brief.keepTemplate'), createRecords('roomTemplates', [templateOf(project, place.id, id, place.name)]));
          }}
        >
          {text('brief.keepTemplate')}
        </Button>
      )}
      <div className="eyebrow">{text('brief.habits')}</div>
      <div className="fields">
        {isOutdoors(place) ? (
          <WordsField
            label={text('brief.areaName')}
            value={place.name}
            max={80}
            required
            onChange={(name) => rename('features', { name })}
          />
        ) : (
          <ChoiceField
            label={text('brief.use')}
            value={place.use}
            options={[...new Set([place.use, ...ROOM_USES])].map((value) => ({ value, label: value || text('brief.noUse') }))}
            onChange={(use) => rename('rooms', { use })}
          />
        )}
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
      {!isOutdoors(place) && (brief?.useGroups.length ?? 0) + (cellOf(project, place.id, 'surround') ? 1 : 0) > 0 && (
        <>
          <div className="eyebrow">{text('brief.useGroups.title')}</div>
          <UseGroups groups={brief?.useGroups ?? []} onChange={(useGroups) => habit({ useGroups })} />
        </>
      )}
      {brief?.signedOn ? (
        <p className="signed-line">
          {text('brief.signedBy', { by: brief.signedBy, on: brief.signedOn })}{' '}
          <Button
            size="small"
            onClick={() => guarded([place.id], () => edit(text('edit.habit', { room: place.name }), withdrawSignature(brief)))}
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
              text('edit.sign', { room: place.name }),
              signRoom(project, place.id, project.project.client || member, today(), newBrief),
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
  const place = placeOf(project, placeIdOf(cell))!;
  const { unit, source } = TOPIC_RULES[cell.topic];
  const types = typesFor(project, cell.topic);
  const cost = costOfAnswer(project, place, cell);
  const devices = answeringDevices(project, cell);
  const { currency } = project.project;
  const phases = listOf(project, 'phases').toSorted((a, b) => a.order - b.order);
  return (
    <>
      <div className="fields">
        {cell.topic === 'surround' && (
          <ChoiceField
            label={text('brief.layout')}
            value={cell.layout}
            options={[
              { value: '', label: text('brief.layoutNone') },
              ...[...new Set([...LAYOUTS, ...(cell.layout === '' ? [] : [cell.layout])])].map((value) => ({
                value,
                label: value,
              })),
            ]}
            onChange={(layout) => tell(cell.answer, { layout })}
          />
        )}
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
        {cell.answer === 'later' && (
          <Checkbox checked={cell.preWired} onChange={(event) => tell(cell.answer, { preWired: event.target.checked })}>
            {text('brief.preWired')}
          </Checkbox>
        )}
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
      {cell.topic === 'surround' && cell.layout !== '' && <ChannelList cell={cell} />}
      {unit && <p className={`faint ${css.sourceLine}`}>{source}</p>}
      <Costs>
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
      </Costs>
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
