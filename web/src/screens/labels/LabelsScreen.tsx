import { markPrinted } from '../../commands/mark-printed.ts';
import { useProject } from '../../state/open-project.ts';
import type { PrintLabelsReply } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { numberScheme, type PlannedRun, reserveBlock, type SchemeOutlook } from '@dusky-spool/core/runs';
import type { Outcome } from '@dusky-spool/core/math';
import { labelFit } from '@dusky-spool/core/sheets';
import { text } from '../../ground/text.ts';
import { postJson, Refused } from '../../ground/api/http.ts';
import { askScheme, useDerived } from '../../state/derived.ts';
import { useOwnName } from '../../ground/api/session.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { useSettings } from '../../state/settings.ts';
import { today } from '../../state/today.ts';
import { RunTag } from '../../ui/RunTag.tsx';
import { Jackets } from './Jackets.tsx';
import { PrinterJobs } from './PrinterJobs.tsx';
import { Button, Checkbox, Input, Select } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { problemSentence } from '@dusky-spool/texts';
import './labels.css';

interface Props {
  readonly projectId: string;
  readonly onBack: () => void;
  readonly onRun: (runId: string) => void;
}

type Shown = 'all' | 'unprinted' | 'printed';

/** Numbers and labels: the scheme with the whole project beside it, what is printed, and printing it. */
export function LabelsScreen({ projectId, onBack, onRun }: Props) {
  const document = useProject();
  const { edit } = useProjectParts('edit');
  const { runs } = useDerived(document);
  const [pattern, setPattern] = useState(document.project.numberPattern);
  const [outlook, setOutlook] = useState<Outcome<SchemeOutlook> | null>(null);
  const [shown, setShown] = useState<Shown>('all');
  const [find, setFind] = useState('');
  const [size, setSize] = useState<'small' | 'medium' | 'large'>('medium');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [printing, setPrinting] = useState(false);
  const [said, setSaid] = useState('');
  const [jobs, setJobs] = useState(0);
  useEffect(() => {
    let stale = false;
    void askScheme(pattern).then((found) => {
      if (!stale) setOutlook(found);
    });
    return () => {
      stale = true;
    };
  }, [pattern, document]);
  const next = useMemo(() => new Map(outlook?.ok ? outlook.value.runs.map((one) => [one.runId, one]) : []), [outlook]);
  const words = find.trim().toLowerCase();
  const list = useMemo(
    () =>
      runs.filter(
        ({ run }) =>
          (shown === 'all' || (run.printedOn === '') === (shown === 'unprinted')) &&
          (words === '' || run.number.toLowerCase().includes(words) || run.bundle.toLowerCase().includes(words)),
      ),
    [runs, shown, words],
  );
  const picked = list.filter(({ run }) => chosen.has(run.id));
  const print = async (wanted: readonly PlannedRun[], ends: readonly ('R' | 'D')[]) => {
    setPrinting(true);
    setSaid('');
    try {
      const body = { runIds: wanted.map(({ run }) => run.id), ends, size };
      const reply = await postJson<PrintLabelsReply>(`/projects/${projectId}/documents/print-labels`, body);
      const operations = markPrinted(document, reply.runIds, today());
      if (operations.length > 0) edit(text('labels.printed', { count: reply.runIds.length }), operations);
      setSaid(text('labels.sent', { count: reply.labels, printer: reply.printer }));
      setJobs((count) => count + 1);
    } catch (error) {
      setSaid(error instanceof Refused ? problemSentence(error.problem, document.project.units) : text('labels.failed'));
    } finally {
      setPrinting(false);
    }
  };
  const toggle = (id: string) => {
    const after = new Set(chosen);
    if (!after.delete(id)) after.add(id);
    setChosen(after);
  };
  const unprinted = runs.filter(({ run }) => run.printedOn === '').length;
  return (
    <div className="ways-screen labels-screen">
      <header className="library-head">
        <Button size="small" onClick={onBack}>
          {text('library.back')}
        </Button>
        <h2>{text('labels.title')}</h2>
        <span className="chip">{text('labels.count', { printed: runs.length - unprinted, all: runs.length })}</span>
      </header>
      <div className="ways-columns">
        <section className="ways-work" aria-label={text('labels.scheme')}>
          <h3>{text('labels.scheme')}</h3>
          <Input
            value={pattern}
            aria-label={text('labels.pattern')}
            maxLength={60}
            onChange={(event) => setPattern(event.target.value)}
            onKeyDown={(event) => event.stopPropagation()}
          />
          <p className="parts">
            {numberScheme.map((part) => (
              <button key={part} type="button" className="plain link id" onClick={() => setPattern(`${pattern}{${part}}`)}>
                {`{${part}}`}
              </button>
            ))}
          </p>
          {outlook && !outlook.ok && <p className="field-problem">{problemSentence(outlook.problem, document.project.units)}</p>}
          {outlook?.ok && (
            <p>
              {outlook.value.changed === 0
                ? text('labels.schemeHolds')
                : text('labels.schemeChanges', { changed: outlook.value.changed, kept: outlook.value.kept })}
            </p>
          )}
          <Button
            type="primary"
            disabled={!outlook?.ok || (outlook.value.changed === 0 && pattern === document.project.numberPattern)}
            onClick={() => outlook?.ok && edit(text('labels.renumber'), outlook.value.operations)}
          >
            {text('labels.renumber')}
          </Button>
          <p className="faint">{text('labels.schemeHint')}</p>
          <Jackets />
          <Blocks />
          <h3>{text('labels.printer')}</h3>
          <PrinterJobs asked={jobs} />
        </section>
        <section className="ways-holes" aria-label={text('labels.labels')} tabIndex={0}>
          <div className="ledger-tools">
            <Input
              size="small"
              allowClear
              value={find}
              placeholder={text('labels.find')}
              aria-label={text('labels.find')}
              onChange={(event) => setFind(event.target.value)}
              onKeyDown={(event) => event.stopPropagation()}
            />
            <Select
              size="small"
              aria-label={text('ways.showing')}
              value={shown}
              onChange={setShown}
              options={(['all', 'unprinted', 'printed'] as const).map((value) => ({
                value,
                label: text(`labels.show.${value}`),
              }))}
            />
            <Select
              size="small"
              aria-label={text('schedule.labelSize')}
              value={size}
              onChange={setSize}
              options={(['small', 'medium', 'large'] as const).map((value) => ({ value, label: text(`schedule.${value}`) }))}
            />
            <Button
              size="small"
              type="primary"
              loading={printing}
              disabled={(picked.length || list.length) === 0}
              onClick={() => void print(picked.length > 0 ? picked : list, ['R', 'D'])}
            >
              {text('labels.print', { count: picked.length > 0 ? picked.length : list.length })}
            </Button>
            <span role="status" className="faint">
              {said}
            </span>
          </div>
          <table className="hole-table label-table">
            <thead>
              <tr>
                <th scope="col">
                  <Checkbox
                    aria-label={text('labels.all')}
                    checked={picked.length > 0 && picked.length === list.length}
                    indeterminate={picked.length > 0 && picked.length < list.length}
                    onChange={(event) => setChosen(new Set(event.target.checked ? list.map(({ run }) => run.id) : []))}
                  />
                </th>
                <th scope="col">{text('labels.number')}</th>
                <th scope="col">{text('labels.newNumber')}</th>
                <th scope="col">{text('schedule.cable')}</th>
                <th scope="col">{text('labels.wrap')}</th>
                <th scope="col">{text('labels.printedOn')}</th>
                <th scope="col" />
              </tr>
            </thead>
            <tbody>
              {list.slice(0, MOST_ROWS).map((planned) => {
                const { run } = planned;
                const cable = document.cableTypes[run.cableTypeId];
                const fit = labelFit(cable.outsideDiameterM);
                const renumbered = next.get(run.id);
                return (
                  <tr key={run.id}>
                    <td>
                      <Checkbox
                        aria-label={text('labels.pick', { number: run.number })}
                        checked={chosen.has(run.id)}
                        onChange={() => toggle(run.id)}
                      />
                    </td>
                    <td>
                      <button type="button" className="plain" onClick={() => onRun(run.id)}>
                        <RunTag number={run.number} />
                      </button>
                    </td>
                    <td className="id">
                      {!renumbered || renumbered.to === run.number
                        ? ''
                        : renumbered.kept
                          ? text(`labels.kept.${renumbered.kept}`)
                          : renumbered.to}
                    </td>
                    <td>
                      {cable.name}
                      {cable.jacketColour && <span className="faint"> · {cable.jacketColour}</span>}
                    </td>
                    <td className="figure">{text('labels.sizes', { wrap: fit.wrapMm, flag: fit.flagMm })}</td>
                    <td className={run.printedOn === '' ? 'unprinted' : ''}>{run.printedOn || text('labels.notPrinted')}</td>
                    <td>
                      <button
                        type="button"
                        className="plain link"
                        disabled={printing}
                        onClick={() => void print([planned], ['R', 'D'])}
                      >
                        {text(run.printedOn === '' ? 'labels.printOne' : 'labels.reprint')}
                      </button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          {list.length > MOST_ROWS && <p className="faint">{text('labels.more', { count: list.length - MOST_ROWS })}</p>}
        </section>
      </div>
    </div>
  );
}

/** Longer lists are narrowed by the filter; printing takes all of them. */
const MOST_ROWS = 300;

/** Device numbers that somebody without a connection takes along. */
function Blocks() {
  const document = useProject();
  const { edit } = useProjectParts('edit');
  const { numberHolder, set } = useSettings();
  const name = useOwnName();
  const blocks = listOf(document, 'numberBlocks');
  const take = () => {
    const holder = numberHolder || `${name || text('labels.somebody')} ${newRecordId('h').slice(-4)}`;
    if (edit(text('labels.take'), reserveBlock(document, holder, today(), newRecordId('nb')))) set({ numberHolder: holder });
  };
  const own = blocks.some(({ holder }) => holder === numberHolder);
  return (
    <>
      <h3>{text('labels.blocks')}</h3>
      {blocks.map((block) => (
        <p key={block.id}>
          {text('labels.block', { holder: block.holder, from: block.from, to: block.to })}
          {block.holder === numberHolder && ` ${text('labels.mine')}`}
        </p>
      ))}
      {!own && (
        <Button size="small" onClick={take}>
          {text('labels.take')}
        </Button>
      )}
      <p className="faint">{text('labels.blockHint')}</p>
    </>
  );
}
