import { useProject } from '../../state/open-project.ts';
import { markPrinted } from '../../commands/mark-printed.ts';
import { useDerived } from '../../state/derived.ts';
import { useProjectParts } from '../../state/project.ts';
import { useAskedByLink } from '../../state/useAskedByLink.ts';
import { today } from '../../state/today.ts';
import { useAfterFirstPaint } from '../../state/useAfterFirstPaint.ts';
import { useRight } from '../../ground/api/session.ts';
import { text, textNamed } from '../../ground/text.ts';
import { type Making, MakingDialog } from '../../ui/MakingDialog.tsx';
import { DrawingSetDialog } from './DrawingSetDialog.tsx';
import type { MadeHere } from './make-here.ts';
import { paperName } from './paper-name.ts';
import { TitleBlock } from './TitleBlock.tsx';
import { useCallback, useEffect, useState } from 'react';
import { App as AntApp, Button, Dropdown, Modal, Segmented } from 'antd';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
}

const METRIC_SHEETS = ['A4', 'A3', 'A2', 'A1'];
const IMPERIAL_SHEETS = ['Letter', 'Tabloid', 'ArchD'];
/** Plans of the level that is open, in open formats. */
const PLAN_FILES = ['dxf', 'svg', 'png'] as const;

/** What this device makes without a connection; label sheets then as a drawing. */
const MADE_HERE: Readonly<Record<string, MadeHere>> = {
  'schedule.csv': 'schedule.csv',
  'labels.csv': 'labels.csv',
  'labels.svg': 'labels.svg',
  'labels.pdf': 'labels.svg',
};

const loadMakeHere = () => import('./make-here.ts');

const SHEETS = [
  ['trades', 'trades-sheet'],
  ['plates', 'plate-schedule'],
  ['holes', 'hole-list'],
  ['tags', 'bundle-tags'],
  ['cabling', 'cabling-sheet'],
  ['checks', 'checks'],
] as const;

/** A file of labels marks nothing: whether they are printed is asked. */
function useAskPrinted(): () => void {
  const project = useProject();
  const { runs } = useDerived(project);
  const { edit } = useProjectParts('edit');
  const { modal } = AntApp.useApp();
  return () =>
    void modal.confirm({
      title: text('labels.askPrinted'),
      content: text('labels.askPrintedText', { count: runs.length }),
      okText: text('labels.yesPrinted'),
      cancelText: text('labels.notNow'),
      onOk: () => void edit(text('labels.printed', { count: runs.length }), markPrinted(project, runs, today())),
    });
}

type Asking = 'labels' | 'plan' | 'set' | null;

/** What is asked for now, and whether the menu is open; a link may ask too (`export=plan`, `export=set`, `export=all`), until it is answered. */
function useAsking(): [Asking, (asking: Asking) => void, boolean, (isOpen: boolean) => void] {
  const [linked, answered] = useAskedByLink('export');
  const [own, setOwn] = useState<Asking>(null);
  const [isOpen, setIsOpen] = useState(false);
  return [
    linked === 'labels' || linked === 'plan' || linked === 'set' ? linked : own,
    (asking) => {
      setOwn(asking);
      answered();
    },
    linked === 'all' || isOpen,
    (next) => {
      setIsOpen(next);
      if (linked === 'all') answered();
    },
  ];
}

type Plain = (
  key: string,
  label: string,
  name: string,
  query?: Readonly<Record<string, unknown>>,
) => { readonly key: string; readonly label: string; readonly onClick: () => void };

/** What other programs read; with costs, and the whole project, only for who plans. */
const openFormats = (plain: Plain, plan: { readonly level: string; readonly paper: string }, mayTakeFile: boolean) => ({
  key: 'openFormats',
  label: text('schedule.openFormats'),
  children: [
    ...PLAN_FILES.map((kind) => plain(kind, text(`schedule.planFiles.${kind}`), `plan.${kind}`, plan)),
    plain('wireList', text('schedule.wireList'), 'wire-list.csv'),
    plain('dates', text('schedule.dates'), 'dates.ics'),
    ...(mayTakeFile
      ? [
          plain('houseXlsx', text('schedule.houseXlsx'), 'house.xlsx'),
          plain('package', text('schedule.package'), 'package.zip', { paper: plan.paper }),
        ]
      : []),
  ],
});

/** Everything that can be taken to site. */
export function ExportMenu({ projectId, levelId }: Props) {
  const project = useProject();
  const imperial = project.project.units === 'imperial';
  const [asking, setAsking, isMenuOpen, setIsMenuOpen] = useAsking();
  const [size, setSize] = useState('medium');
  const [labelPaper, setLabelPaper] = useState(imperial ? 'Letter' : 'A4');
  const [sheet, setSheet] = useState(imperial ? 'Tabloid' : 'A3');
  const mayTakeFile = useRight('plan');
  const [making, setMaking] = useState<Making | null>(null);
  const stop = useCallback(() => setMaking(null), []);
  const paper = imperial ? 'Letter' : 'A4';
  const { rows, runs } = useDerived(project);
  const hereOf = (name: string, query: Readonly<Record<string, unknown>>): Making['here'] => {
    const document = MADE_HERE[name];
    return document && (async () => (await loadMakeHere()).makeHere(document, { project, rows, runs }, query));
  };
  const isPainted = useAfterFirstPaint();
  useEffect(() => {
    // It is there before the connection is gone.
    if (isPainted) void loadMakeHere().catch(() => undefined);
  }, [isPainted]);
  const make = (label: string, name: string, query: Readonly<Record<string, unknown>> = {}, onSaved?: () => void) =>
    setMaking({ label, path: `/projects/${projectId}/documents/${name}/job`, query, here: hereOf(name, query), onSaved });
  const askPrinted = useAskPrinted();
  const papers = imperial ? [...IMPERIAL_SHEETS, ...METRIC_SHEETS] : [...METRIC_SHEETS, ...IMPERIAL_SHEETS];
  const asked =
    asking === 'labels'
      ? { label: text('schedule.labels'), name: 'labels.pdf', query: { size, paper: labelPaper } as Record<string, string> }
      : { label: text('schedule.plan'), name: 'plan.pdf', query: { level: levelId, paper: sheet } as Record<string, string> };
  const makeAsked = () => {
    make(asked.label, asked.name, asked.query, asking === 'labels' ? askPrinted : undefined);
    setAsking(null);
  };
  const plain = (key: string, label: string, name: string, query: Readonly<Record<string, unknown>> = {}) => ({
    key,
    label,
    onClick: () => make(label, name, query),
  });
  return (
    <>
      <Dropdown
        trigger={['click']}
        open={isMenuOpen}
        onOpenChange={setIsMenuOpen}
        menu={{
          onClick: () => setIsMenuOpen(false),
          items: [
            plain('csv', text('schedule.csv'), 'schedule.csv'),
            plain('xlsx', text('schedule.xlsx'), 'schedule.xlsx'),
            { key: 'labels', label: text('schedule.labels'), onClick: () => setAsking('labels') },
            plain('labelsCsv', text('schedule.labelsCsv'), 'labels.csv'),
            plain('labelsSvg', text('schedule.labelsSvg'), 'labels.svg', { paper }),
            { key: 'plan', label: text('schedule.plan'), onClick: () => setAsking('plan') },
            { key: 'set', label: text('schedule.set'), onClick: () => setAsking('set') },
            openFormats(plain, { level: levelId, paper: sheet }, mayTakeFile),
            ...SHEETS.map(([key, name]) => plain(key, text(`schedule.${key}`), `${name}.pdf`, { paper })),
            ...(mayTakeFile
              ? [
                  { type: 'divider' as const },
                  {
                    key: 'file',
                    label: text('schedule.projectFile'),
                    onClick: () =>
                      setMaking({ label: text('schedule.projectFile'), path: `/projects/${projectId}/file/job`, query: {} }),
                  },
                ]
              : []),
          ],
        }}
      >
        <Button size="small" type="primary">
          {text('schedule.export')}
        </Button>
      </Dropdown>
      <DrawingSetDialog
        projectId={projectId}
        isOpen={asking === 'set'}
        papers={papers}
        usualPaper={sheet}
        onMake={(query) => {
          make(text('schedule.set'), 'drawing-set.pdf', query);
          setAsking(null);
        }}
        onClose={() => setAsking(null)}
      />
      <Modal
        open={asking === 'labels' || asking === 'plan'}
        title={asking === 'plan' ? text('schedule.planTitle') : text('schedule.labelTitle')}
        onCancel={() => setAsking(null)}
        footer={
          <Button
            type="primary"
            href={`/api/projects/${projectId}/documents/${asked.name}?${new URLSearchParams(asked.query).toString()}`}
            onClick={(event) => {
              event.preventDefault();
              makeAsked();
            }}
          >
            {text('schedule.download')}
          </Button>
        }
      >
        {asking === 'labels' && (
          <div className="ask">
            <p>{text('schedule.labelText')}</p>
            <div className="eyebrow">{text('schedule.labelSize')}</div>
            <Segmented
              value={size}
              onChange={setSize}
              options={['small', 'medium', 'large'].map((value) => ({ value, label: textNamed('schedule', value) }))}
              vertical
              block
            />
            <div className="eyebrow">{text('schedule.paper')}</div>
            <Segmented value={labelPaper} onChange={setLabelPaper} options={['A4', 'Letter']} />
          </div>
        )}
        {asking === 'plan' && (
          <div className="ask">
            <p>{project.levels[levelId]?.name}</p>
            <div className="eyebrow">{text('schedule.paper')}</div>
            <Segmented value={sheet} onChange={setSheet} options={papers.map((value) => ({ value, label: paperName(value) }))} />
            <TitleBlock />
          </div>
        )}
      </Modal>
      {making && <MakingDialog making={making} onClose={stop} />}
    </>
  );
}
