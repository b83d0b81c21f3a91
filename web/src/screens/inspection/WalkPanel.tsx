import { alongWallOf, type InspectionLine, movedBy, recordInspection } from '@dusky-spool/core/field';
import { INSPECTION_RESULTS, type InspectionItem, type InspectionResult } from '@dusky-spool/core/model';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { useOwnName } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { FieldProblem } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { RunTag } from '../../ui/RunTag.tsx';
import { subjectName, subjectPlace } from './subject-words.ts';
import { InspectionChoice } from './InspectionChoice.tsx';
import { useInspection } from './useInspection.ts';
import css from './inspection.module.css';

/** So many lines are drawn at first; a house has hundreds. */
const STEP = 40;

/** Everything that should be there, in walking order: found, or what is wrong with it. */
export function WalkPanel() {
  const { inspection, state } = useInspection();
  const [hidesFine, setHidesFine] = useState(true);
  const [count, setCount] = useState(STEP);
  if (!state) return <p className="faint">{text('site.working')}</p>;
  const lines = hidesFine ? state.lines.filter(({ isSeen }) => !isSeen) : state.lines;
  return (
    <>
      <div className={css.tools}>
        <InspectionChoice value={inspection} />
        <Button onClick={() => setHidesFine(!hidesFine)}>{text(hidesFine ? 'site.showAll' : 'site.showOpen')}</Button>
      </div>
      <p className={css.progress}>
        {text('site.progress', { seen: state.seen, all: state.lines.length, open: state.punchList.length })}
      </p>
      {state.lines.length === 0 && <p>{text(`site.nothing.${inspection}`)}</p>}
      {lines.slice(0, count).map((line, n) => (
        <Line key={`${line.subject}/${line.subjectId}`} {...{ line, inspection }} before={lines[n - 1]} />
      ))}
      {lines.length > count && (
        <Button block size="large" onClick={() => setCount(count + STEP)}>
          {text('site.more', { count: lines.length - count })}
        </Button>
      )}
    </>
  );
}

interface LineProps {
  readonly line: InspectionLine;
  readonly before: InspectionLine | undefined;
  readonly inspection: InspectionItem['inspection'];
}

const FAULTS = INSPECTION_RESULTS.filter((result) => result !== 'found' && result !== 'moved');

function Line({ line, before, inspection }: LineProps) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const who = useOwnName();
  const [isMeasured, setIsMeasured] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const name = subjectName(project, line);
  const record = (result: InspectionResult, place: Pick<InspectionItem, 'x' | 'y' | 'heightM'> | null = null) => {
    const { subject, subjectId, levelId } = line;
    const recorded = recordInspection(project, {
      ...{ id: newRecordId('seen'), inspection, subject, subjectId, levelId, result },
      ...(place ?? { x: null, y: null, heightM: null }),
      ...{ by: who.slice(0, 60), on: today(), owner: '', dueOn: '', fixedOn: '', fixedBy: '', note: '' },
    });
    if (!recorded.ok) return setProblem(problemSentence({ ...recorded.problem, field: name }, project.project.units));
    setProblem(null);
    if (recorded.value.length > 0)
      edit(text('site.recorded', { name, result: term(`inspectionResults.${result}`) }), recorded.value);
  };
  const isNewRoom = before === undefined || before.roomId !== line.roomId || before.levelId !== line.levelId;
  const room = line.roomId === null ? text('site.noRoom') : project.rooms[line.roomId]?.name;
  return (
    <>
      {isNewRoom && (
        <h3 className={css.room}>
          {project.levels[line.levelId]?.name} · {room}
        </h3>
      )}
      <div role="group" className={css.line} aria-label={name}>
        <div className={css.lineHead}>
          <b>{name}</b>
          {line.runs.slice(0, 6).map((run) => (
            <RunTag key={run.id} number={run.number} />
          ))}
        </div>
        <p className="faint">{subjectPlace(project, line)}</p>
        {line.fromRecords.length > 0 && (
          <p className={css.bad}>
            {text('site.fromRecords', { what: line.fromRecords.map((one) => term(`inspectionResults.${one}`)).join(', ') })}
          </p>
        )}
        {line.items.length > 0 && (
          <p>
            {line.items.map(({ result, fixedOn }) => `${term(`inspectionResults.${result}`)}${fixedOn ? ' ✓' : ''}`).join(', ')}
          </p>
        )}
        <div className={css.actions}>
          <Button type="primary" size="large" onClick={() => record('found')}>
            {text('site.found')}
          </Button>
          <Select<InspectionResult | null>
            size="large"
            value={null}
            placeholder={text('site.wrong')}
            aria-label={text('site.wrongWith', { name })}
            options={FAULTS.map((value) => ({ value, label: term(`inspectionResults.${value}`) }))}
            onChange={(result) => result && record(result)}
          />
          {line.subject === 'devices' && (
            <Button size="large" onClick={() => setIsMeasured(!isMeasured)}>
              {text('site.measure')}
            </Button>
          )}
        </div>
        {isMeasured && (
          <Measured
            line={line}
            onMeasured={(place, isMoved) => {
              setIsMeasured(false);
              record(isMoved ? 'moved' : 'found', place);
            }}
          />
        )}
        <FieldProblem sentence={problem} />
      </div>
    </>
  );
}

interface MeasuredProps {
  readonly line: InspectionLine;
  readonly onMeasured: (place: Pick<InspectionItem, 'x' | 'y' | 'heightM'>, isMoved: boolean) => void;
}

/** Where a device is now, by how far it is from its planned place along its wall, and its height. */
function Measured({ line, onMeasured }: MeasuredProps) {
  const project = useProject();
  const { units } = project.project;
  const [alongM, setAlongM] = useState<number | null>(0);
  const [heightM, setHeightM] = useState(line.heightM);
  const save = () => {
    const [x, y] = alongWallOf(project, line.subjectId, alongM ?? 0);
    onMeasured({ x, y, heightM }, movedBy(line, { at: [x, y], heightM }).isMoved);
  };
  return (
    <div className={css.fields}>
      <LengthField label={text('site.along')} valueM={alongM} units={units} minM={-20} maxM={20} onChange={setAlongM} />
      {line.heightM !== null && (
        <LengthField label={text('site.newHeight')} valueM={heightM} units={units} minM={-5} maxM={60} onChange={setHeightM} />
      )}
      <Button onClick={save}>{text('site.saveMeasured')}</Button>
    </div>
  );
}
