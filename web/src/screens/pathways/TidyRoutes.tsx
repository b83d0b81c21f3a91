import { removeRecords } from '../../commands/remove-records.ts';
import { useProject } from '../../state/open-project.ts';
import type { PullingWork, TidyRoutes as Proposal } from '@dusky-spool/core/pathways';
import { type Operation, updateProject } from '@dusky-spool/core/model';
import { listOf } from '@dusky-spool/core/derive';
import { formatCableLength } from '@dusky-spool/core/math';
import { text } from '../../ground/text.ts';
import { askTidyRoutes } from '../../state/derived.ts';
import { newRecordId } from '../../state/project.ts';
import { SwitchField } from '../../ui/fields.tsx';
import { Button } from 'antd';
import { useState } from 'react';
import css from './pathways.module.css';

interface Props {
  readonly onEdit: (title: string, operations: readonly Operation[]) => void;
  /** Shows operations on the plan, old against new. */
  readonly onPreview: (title: string, operations: readonly Operation[]) => void;
}

const hoursOf = (hours: number) => hours.toFixed(1);

/** Whether runs share their routes, and the search for tidier ones with what boring and pulling come to before and after. */
export function TidyRoutes({ onEdit, onPreview }: Props) {
  const project = useProject();
  const [proposal, setProposal] = useState<Proposal | null>(null);
  const [looking, setLooking] = useState(false);
  const header = project.project;
  const kept = listOf(project, 'trunks');
  const look = async () => {
    setLooking(true);
    setProposal(await askTidyRoutes(newRecordId('tr')));
    setLooking(false);
  };
  const share = (sharedRoutes: boolean) => {
    const operation = updateProject(header, { sharedRoutes });
    if (operation) onEdit(text('ways.share'), [operation]);
  };
  const state = kept.length > 0 ? 'sharedKept' : header.sharedRoutes ? 'sharedMain' : 'sharedNone';
  return (
    <>
      <h3>{text('ways.shared')}</h3>
      <SwitchField label={text('ways.share')} value={header.sharedRoutes} onChange={share} />
      <p>{text(`ways.${state}`)}</p>
      <div className="panel-buttons">
        <Button type="primary" loading={looking} onClick={() => void look()}>
          {text('ways.look')}
        </Button>
        {kept.length > 0 && (
          <Button onClick={() => onEdit(text('ways.forget'), removeRecords('trunks', kept))}>{text('ways.forget')}</Button>
        )}
      </div>
      {proposal && (
        <div className={css.waysComparison} role="status">
          <Comparison now={proposal.now} then={proposal.then} />
          {proposal.operations.length === 0 ? (
            <p>{text('ways.noBetter')}</p>
          ) : (
            <>
              <p>{text('ways.moves', { count: proposal.moved.length })}</p>
              <Button
                type="primary"
                onClick={() => onPreview(text('ways.preview', { count: proposal.moved.length }), proposal.operations)}
              >
                {text('ways.show')}
              </Button>
            </>
          )}
          <p className="faint">{text('ways.workHint')}</p>
        </div>
      )}
    </>
  );
}

function Comparison({ now, then }: { readonly now: PullingWork; readonly then: PullingWork }) {
  const { units } = useProject().project;
  const length = (lengthM: number) => formatCableLength(lengthM, units);
  const row = (name: 'holes' | 'places' | 'pulls' | 'cable' | 'hours', before: string | number, after: string | number) => (
    <tr>
      <th scope="row">{text(`ways.${name}`)}</th>
      <td>{before}</td>
      <td>{after}</td>
    </tr>
  );
  return (
    <table>
      <thead>
        <tr>
          <td />
          <th scope="col">{text('ways.now')}</th>
          <th scope="col">{text('ways.then')}</th>
        </tr>
      </thead>
      <tbody>
        {row('places', now.places, then.places)}
        {row('holes', now.holes, then.holes)}
        {row('pulls', now.pulls, then.pulls)}
        {row('cable', length(now.cutM), length(then.cutM))}
        {row('hours', hoursOf(now.hours), hoursOf(then.hours))}
      </tbody>
    </table>
  );
}
