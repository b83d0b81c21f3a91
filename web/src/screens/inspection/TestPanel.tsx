import { judgeTest, lastTests, recordTest, type TestReading, testKindOf } from '@dusky-spool/core/field';
import { formatLength } from '@dusky-spool/core/math';
import type { CableTest, SwitchScriptsReply, TesterReply } from '@dusky-spool/core/model';
import { compareNumbers, isPulled, type PlannedRun } from '@dusky-spool/core/runs';
import { useDerived } from '../../state/derived.ts';
import { listOf } from '@dusky-spool/core/derive';
import { Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { getJson, postJson } from '../../ground/api/http.ts';
import { useOwnName } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { FieldProblem } from '../../ui/fields.tsx';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { RunTag } from '../../ui/RunTag.tsx';
import css from './inspection.module.css';

const STEP = 30;

/** Pulled runs with their tests: one press reads the tester, and what it reads is held against the plan. */
export function TestPanel() {
  const project = useProject();
  const [scripts, setScripts] = useState<SwitchScriptsReply | null>(null);
  const [script, setScript] = useState('as-planned');
  const [problem, setProblem] = useState<string | null>(null);
  const [count, setCount] = useState(STEP);
  useEffect(() => {
    getJson<SwitchScriptsReply>('/bridge/tester/scripts').then(setScripts, (error: unknown) => setProblem(sentenceOf(error)));
  }, []);
  const { runById } = useDerived(project);
  const pulled = listOf(project, 'runs')
    .filter((run) => isPulled(run) && run.foundId === null && runById.has(run.id))
    .sort((a, b) => compareNumbers(a.number, b.number));
  const numbers = pulled.map(({ number }) => number);
  const last = lastTests(project);
  const open = pulled.filter(
    ({ id, rawTestedOn, endTestedOn }) => !last.get(id)?.passed && rawTestedOn === '' && endTestedOn === '',
  );
  return (
    <>
      {scripts?.simulated && (
        <ChoiceField
          label={text('site.script')}
          value={script}
          options={scripts.scripts.map(({ name, title }) => ({ value: name, label: title }))}
          onChange={setScript}
        />
      )}
      <FieldProblem sentence={problem} />
      <p className={css.progress}>{text('site.tested', { tested: pulled.length - open.length, all: pulled.length })}</p>
      {pulled.length === 0 && <p>{text('site.nothingPulled')}</p>}
      {[...open, ...pulled.filter((run) => !open.includes(run))].slice(0, count).map((run) => (
        <TestLine
          key={run.id}
          planned={runById.get(run.id)!}
          nth={pulled.indexOf(run) + 1}
          {...{ numbers }}
          last={last.get(run.id)}
          {...{ script }}
        />
      ))}
      {pulled.length > count && (
        <Button block size="large" onClick={() => setCount(count + STEP)}>
          {text('site.more', { count: pulled.length - count })}
        </Button>
      )}
    </>
  );
}

interface LineProps {
  readonly planned: PlannedRun;
  readonly nth: number;
  readonly numbers: readonly string[];
  readonly last: CableTest | undefined;
  readonly script: string;
}

function TestLine({ planned, nth, numbers, last, script }: LineProps) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const who = useOwnName();
  const [asking, setAsking] = useState<{ readonly reading: TestReading; readonly tester: string } | null>(null);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { units } = project.project;
  const { run } = planned;
  const save = (reading: TestReading, tester: string, why: string) => {
    const recorded = recordTest(project, planned, {
      ...{ id: newRecordId('test'), kind: testKindOf(planned), on: today(), by: who.slice(0, 60), tester: tester.slice(0, 60) },
      ...{
        limits: limitWords(judgeTest(project, planned, reading), (m) => formatLength(m, units)),
        reason: why,
        note: '',
        reading,
      },
    });
    if (recorded.ok) edit(text('site.testedOf', { number: run.number }), recorded.value);
    setAsking(null);
    setReason('');
  };
  const test = async () => {
    setProblem(null);
    const cut = listOf(project, 'spoolCuts').find((one) => one.runId === run.id);
    const others = numbers.map((number, n) => ({ number, nth: n + 1 })).slice(0, 2000);
    const cable = { number: run.number, nth, lengthM: cut?.lengthM ?? planned.length?.cutLengthM ?? null, others };
    try {
      const { reading, tester } = await postJson<TesterReply>('/bridge/tester/test', { cable, script });
      if (judgeTest(project, planned, reading).asksWhy) setAsking({ reading, tester });
      else save(reading, tester, '');
    } catch (error) {
      setProblem(sentenceOf(error));
    }
  };
  return (
    <div role="group" className={css.line} aria-label={run.number}>
      <div className={css.lineHead}>
        <RunTag number={run.number} />
        {last && (
          <b className={last.passed ? css.good : css.bad}>
            {text(last.passed ? 'site.passed' : 'site.failed', { day: last.on })}
          </b>
        )}
        <Button size="large" onClick={() => void test()}>
          {text('site.test')}
        </Button>
      </div>
      {last && (
        <p className="faint">
          {[last.lengthM === null ? '' : formatLength(last.lengthM, units), last.limits, last.reason]
            .filter((words) => words !== '')
            .join(' · ')}
        </p>
      )}
      {last && <Faults test={last} />}
      {asking && (
        <div className={css.fields} role="alert">
          <p className={css.bad}>{text('site.lengthOff', { length: formatLength(asking.reading.lengthM ?? 0, units) })}</p>
          <Input
            aria-label={text('site.reason')}
            placeholder={text('site.reason')}
            value={reason}
            maxLength={300}
            onChange={({ target }) => setReason(target.value)}
          />
          <Button disabled={reason.trim() === ''} onClick={() => save(asking.reading, asking.tester, reason.trim())}>
            {text('site.isRight')}
          </Button>
          <Button onClick={() => save(asking.reading, asking.tester, '')}>{text('site.isWrong')}</Button>
        </div>
      )}
      <FieldProblem sentence={problem} />
    </div>
  );
}

/** What a test found wrong. */
function Faults({ test: { faults } }: { readonly test: CableTest }) {
  const { units } = useProject().project;
  return faults.map(({ fault, pair, atM }) => (
    <p key={`${fault}${pair}`} className={css.bad}>
      {term(`cableFaults.${fault}`)} {pair} {atM !== null && text('site.at', { length: formatLength(atM, units) })}
    </p>
  ));
}

const limitWords = ({ leastM, mostM, longestM }: ReturnType<typeof judgeTest>, length: (m: number) => string): string =>
  [
    leastM !== null && mostM !== null ? text('site.limitPlan', { least: length(leastM), most: length(mostM) }) : '',
    longestM === null ? '' : text('site.limitLink', { longest: length(longestM) }),
  ]
    .filter((words) => words !== '')
    .join(', ');
