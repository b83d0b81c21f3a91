import { useState } from 'react';
import { Button, Dropdown, Modal, Segmented } from 'antd';
import type { ProjectDocument } from '@dusky-spool/core/project';
import { text } from '../../app/text.ts';

interface Props {
  readonly projectId: string;
  readonly document: ProjectDocument;
  readonly levelId: string;
}

const METRIC_SHEETS = ['A4', 'A3', 'A2'];
const IMPERIAL_SHEETS = ['Letter', 'Tabloid'];

const SHEETS = [
  ['trades', 'trades-sheet'],
  ['plates', 'plate-schedule'],
  ['holes', 'hole-list'],
  ['tags', 'bundle-tags'],
  ['cabling', 'cabling-sheet'],
  ['checks', 'checks'],
] as const;

/** Everything that can be taken to site. */
export function ExportMenu({ projectId, document, levelId }: Props) {
  const imperial = document.project.units === 'imperial';
  const [asking, setAsking] = useState<'labels' | 'plan' | null>(null);
  const [size, setSize] = useState('medium');
  const [labelPaper, setLabelPaper] = useState(imperial ? 'Letter' : 'A4');
  const [sheet, setSheet] = useState(imperial ? 'Tabloid' : 'A3');
  const from = (path: string) => `/api/projects/${projectId}/${path}`;
  const address =
    asking === 'labels'
      ? from(`documents/labels.pdf?size=${size}&paper=${labelPaper}`)
      : from(`documents/plan.pdf?level=${levelId}&paper=${sheet}`);
  const take = (path: string) => window.location.assign(from(path));
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: 'csv', label: text('schedule.csv'), onClick: () => take('documents/schedule.csv') },
            { key: 'xlsx', label: text('schedule.xlsx'), onClick: () => take('documents/schedule.xlsx') },
            { key: 'labels', label: text('schedule.labels'), onClick: () => setAsking('labels') },
            { key: 'labelsCsv', label: text('schedule.labelsCsv'), onClick: () => take('documents/labels.csv') },
            {
              key: 'labelsSvg',
              label: text('schedule.labelsSvg'),
              onClick: () => take(`documents/labels.svg?paper=${imperial ? 'Letter' : 'A4'}`),
            },
            { key: 'plan', label: text('schedule.plan'), onClick: () => setAsking('plan') },
            ...SHEETS.map(([key, name]) => ({
              key,
              label: text(`schedule.${key}`),
              onClick: () => take(`documents/${name}.pdf?paper=${imperial ? 'Letter' : 'A4'}`),
            })),
            { type: 'divider' },
            { key: 'file', label: text('schedule.projectFile'), onClick: () => take('file') },
          ],
        }}
      >
        <Button size="small" type="primary">
          {text('schedule.export')}
        </Button>
      </Dropdown>
      <Modal
        open={asking !== null}
        title={asking === 'plan' ? text('schedule.planTitle') : text('schedule.labelTitle')}
        onCancel={() => setAsking(null)}
        footer={
          <Button type="primary" href={address} download onClick={() => setAsking(null)}>
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
              options={['small', 'medium', 'large'].map((value) => ({ value, label: text(`schedule.${value}`) }))}
              vertical
              block
            />
            <div className="eyebrow">{text('schedule.paper')}</div>
            <Segmented value={labelPaper} onChange={setLabelPaper} options={['A4', 'Letter']} />
          </div>
        )}
        {asking === 'plan' && (
          <div className="ask">
            <p>{document.levels[levelId]?.name}</p>
            <div className="eyebrow">{text('schedule.paper')}</div>
            <Segmented
              value={sheet}
              onChange={setSheet}
              options={imperial ? [...IMPERIAL_SHEETS, ...METRIC_SHEETS] : [...METRIC_SHEETS, ...IMPERIAL_SHEETS]}
            />
          </div>
        )}
      </Modal>
    </>
  );
}
