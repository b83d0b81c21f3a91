import { useProject } from '../../state/open-project.ts';
import { holeTotals } from '@dusky-spool/core/pathways';
import { cutFromSpool } from '@dusky-spool/core/runs';
import { CONSTRUCTIONS, type Operation, updateProject } from '@dusky-spool/core/model';
import { formatCableLength } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { useAsked } from '../../state/useAsked.ts';
import { askBundles, askCabling, useDerived } from '../../state/derived.ts';
import { useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { BundleTable } from './BundleTable.tsx';
import { HoleTable } from './HoleTable.tsx';
import { LabourFields } from './LabourFields.tsx';
import { LoadTable } from './LoadTable.tsx';
import { ScreedList } from './ScreedList.tsx';
import { SealTable } from './SealTable.tsx';
import { Supports } from './Supports.tsx';
import { TidyRoutes } from './TidyRoutes.tsx';
import { WeightFields } from './WeightFields.tsx';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { Button, Segmented } from 'antd';

interface Props {
  readonly onBack: () => void;
  readonly onRun: (runId: string) => void;
}

type Tab = 'holes' | 'ways' | 'bundles' | 'seals' | 'screed' | 'supports';
const TABS: readonly Tab[] = ['holes', 'ways', 'bundles', 'seals', 'screed', 'supports'];

/** What all routes come to: metres, holes and who bores them; and the search for routes that runs share. */
export function PathwaysScreen({ onBack, onRun }: Props) {
  const project = useProject();
  const { edit, propose } = useProjectParts('edit', 'propose');
  const { runs } = useDerived(project);
  const report = useAsked(askCabling, '');
  const [params] = useSearchParams();
  const [tab, setTab] = useState<Tab>(TABS.find((one) => one === params.get('part')) ?? 'holes');
  const { units } = project.project;
  const totals = useMemo(() => holeTotals(report?.places ?? []), [report]);
  const cutM = runs.reduce((sum, planned) => sum + cutFromSpool(planned), 0);
  const numbers = useMemo(() => new Map(runs.map(({ run }) => [run.number, run.id])), [runs]);
  const preview = (title: string, operations: readonly Operation[]) => {
    onBack();
    propose(title, operations);
  };
  const goTo = (number: string) => {
    const id = numbers.get(number);
    if (id) onRun(id);
  };
  const length = (lengthM: number) => formatCableLength(lengthM, units);
  return (
    <div className="ways-screen">
      <header className="library-head">
        <Button size="small" onClick={onBack}>
          {text('library.back')}
        </Button>
        <h2>{text('ways.title')}</h2>
        <span className="chip">{text('schedule.toPull', { length: length(cutM) })}</span>
        {totals.map(({ member, holes }) => (
          <span key={member} className="chip">
            {term(`holes.${member}`)} {holes}
          </span>
        ))}
      </header>
      <div className="ways-columns">
        <section className="ways-work" aria-label={text('ways.work')}>
          <h3>{text('ways.work')}</h3>
          <ChoiceField
            label={text('ways.construction')}
            value={project.project.construction}
            options={CONSTRUCTIONS.map((value) => ({ value, label: term(`constructions.${value}`) }))}
            onChange={(construction) => {
              const operation = updateProject(project.project, { construction });
              if (operation) edit(text('ways.construction'), [operation]);
            }}
          />
          <p className="faint">{text(`ways.constructionHints.${project.project.construction}`)}</p>
          <WeightFields onEdit={edit} />
          <LabourFields onEdit={edit} />
          <TidyRoutes onEdit={edit} onPreview={preview} />
          <p className="caution">{text('run.boring')}</p>
          <p className="faint">{text('aid')}</p>
        </section>
        <section className="ways-holes" aria-label={text(`ways.tabs.${tab}`)} tabIndex={0}>
          <Segmented
            value={tab}
            onChange={setTab}
            options={TABS.map((value) => ({ value, label: text(`ways.tabs.${value}`) }))}
            aria-label={text('ways.showing')}
          />
          {report === null ? (
            <p className="faint">{text('header.checking')}</p>
          ) : tab === 'ways' ? (
            <LoadTable report={report} onRun={goTo} onPreview={preview} />
          ) : tab === 'bundles' ? (
            <BundleTable
              report={report}
              onRun={goTo}
              onBundle={() => void askBundles().then((operations) => edit(text('ways.bundleByWay'), operations))}
            />
          ) : tab === 'seals' ? (
            <SealTable report={report} onEdit={edit} />
          ) : tab === 'screed' ? (
            <ScreedList report={report} onEdit={edit} />
          ) : tab === 'supports' ? (
            <Supports report={report} />
          ) : report.places.length === 0 ? (
            <p>{text('ways.noHoles')}</p>
          ) : (
            <HoleTable places={report.places} onRun={goTo} />
          )}
        </section>
      </div>
    </div>
  );
}
