import { labelState } from '@dusky-spool/core/devices';
import type { PrintLabelsReply, ProjectDocument } from '@dusky-spool/core/model';
import type { PlannedRun } from '@dusky-spool/core/runs';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Input, Select } from 'antd';
import { useMemo, useState } from 'react';
import { markPrinted } from '../../commands/mark-printed.ts';
import { postJson } from '../../ground/api/http.ts';
import { useSend } from '../../ground/api/server-state.ts';
import { text } from '../../ground/text.ts';
import { askScheme, useDerived } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { useAsked } from '../../state/useAsked.ts';
import { Jackets } from './Jackets.tsx';
import { LabelTable } from './LabelTable.tsx';
import { NumberBlocks } from './NumberBlocks.tsx';
import { NumberScheme } from './NumberScheme.tsx';
import { PrinterJobs } from './PrinterJobs.tsx';
import { UnlabelledEnds } from './UnlabelledEnds.tsx';
import { PRINTER_JOBS } from './printer-jobs.ts';
import css from './labels.module.css';

interface Props {
  readonly projectId: string;
  readonly onBack: () => void;
  readonly onRun: (runId: string) => void;
}

const SHOWN = ['all', 'unprinted', 'printed', 'outdated'] as const;
const SIZES = ['small', 'medium', 'large'] as const;
type Shown = (typeof SHOWN)[number];
type Size = (typeof SIZES)[number];

/** Numbers and labels: the scheme tried on the whole project, what is printed, and printing it. */
export function LabelsScreen({ projectId, onBack, onRun }: Props) {
  const project = useProject();
  const { runs } = useDerived(project);
  const [pattern, setPattern] = useState(project.project.numberPattern);
  const preview = useAsked(askScheme, pattern);
  const next = useMemo(() => new Map(preview?.ok ? preview.value.runs.map((one) => [one.runId, one]) : []), [preview]);
  const [shown, setShown] = useState<Shown>('all');
  const [find, setFind] = useState('');
  const [size, setSize] = useState<Size>('medium');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const printer = usePrinter(projectId, size);
  const list = useMemo(() => runs.filter((planned) => isListed(project, planned, shown, find)), [project, runs, shown, find]);
  const outdated = runs.filter((planned) => labelState(project, planned) === 'out-of-date').length;
  const picked = list.filter(({ run }) => chosen.has(run.id));
  const toPrint = picked.length > 0 ? picked : list;
  const printed = runs.filter(({ run }) => run.printedOn !== '').length;
  return (
    <div className={`ways-screen ${css.labelsScreen}`}>
      <header className="library-head">
        <Button size="small" onClick={onBack}>
          {text('library.back')}
        </Button>
        <h2>{text('labels.title')}</h2>
        <span className="chip">{text('labels.count', { printed, all: runs.length })}</span>
        {outdated > 0 && (
          <button type="button" className="chip look" onClick={() => setShown('outdated')}>
            {text('labels.outdated', { count: outdated })}
          </button>
        )}
      </header>
      <div className="ways-columns">
        <section className="ways-work" aria-label={text('labels.scheme')}>
          <NumberScheme pattern={pattern} preview={preview} onPattern={setPattern} />
          <UnlabelledEnds onRun={onRun} />
          <Jackets />
          <NumberBlocks />
          <h3>{text('labels.printer')}</h3>
          <PrinterJobs />
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
              options={SHOWN.map((value) => ({ value, label: text(`labels.show.${value}`) }))}
            />
            <Select
              size="small"
              aria-label={text('schedule.labelSize')}
              value={size}
              onChange={setSize}
              options={SIZES.map((value) => ({ value, label: text(`schedule.${value}`) }))}
            />
            <Button
              size="small"
              type="primary"
              loading={printer.isPrinting}
              disabled={toPrint.length === 0}
              onClick={() => printer.print(toPrint)}
            >
              {text('labels.print', { count: toPrint.length })}
            </Button>
            <span role="status" className="faint">
              {printer.status}
            </span>
          </div>
          <LabelTable
            {...{ runs: list, next, chosen, onRun }}
            isPrinting={printer.isPrinting}
            onChosen={setChosen}
            onPrint={(planned) => printer.print([planned])}
          />
        </section>
      </div>
    </div>
  );
}

/** Whether a run is among those shown and has the words in its number or bundle. */
function isListed(project: ProjectDocument, planned: PlannedRun, shown: Shown, find: string): boolean {
  const { run } = planned;
  const words = find.trim().toLowerCase();
  const state = labelState(project, planned);
  const isShown =
    shown === 'all' ||
    (shown === 'unprinted' ? state === 'not-printed' : shown === 'outdated' ? state === 'out-of-date' : state !== 'not-printed');
  return isShown && (run.number.toLowerCase().includes(words) || run.bundle.toLowerCase().includes(words));
}

/** Prints the labels of both ends, and marks the runs as printed. */
function usePrinter(projectId: string, size: Size) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [done, setDone] = useState('');
  const { send, problem, isSending } = useSend(
    async (runs: readonly PlannedRun[]) => {
      setDone('');
      const body = { runIds: runs.map(({ run }) => run.id), ends: ['R', 'D'], size };
      const reply = await postJson<PrintLabelsReply>(`/projects/${projectId}/documents/print-labels`, body);
      edit(
        text('labels.printed', { count: reply.runIds.length }),
        markPrinted(
          project,
          runs.filter(({ run }) => reply.runIds.includes(run.id)),
          today(),
        ),
      );
      setDone(text('labels.sent', { count: reply.labels, printer: reply.printer }));
    },
    [PRINTER_JOBS],
  );
  const failed = problem && problemSentence(problem, project.project.units);
  return { print: send, isPrinting: isSending, status: failed ?? done };
}
