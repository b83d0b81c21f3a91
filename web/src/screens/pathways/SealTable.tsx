import { recordSeal } from '../../commands/record-seal.ts';
import { useProject } from '../../state/open-project.ts';
import { placeWords } from '@dusky-spool/texts';
import { type CablingReport, holePlace } from '@dusky-spool/core/sheets';
import { type Penetration, sealCounts } from '@dusky-spool/core/pathways';
import { type Operation, type Seal, SEAL_STATES } from '@dusky-spool/core/model';
import { Cautions } from '../../ui/Cautions.tsx';
import { term, text } from '../../ground/text.ts';
import { newRecordId } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { WordsField } from '../../ui/fields.tsx';
import { Select } from 'antd';
import { useState } from 'react';
import css from './pathways.module.css';

interface Props {
  readonly report: CablingReport;
  readonly onEdit: (title: string, operations: readonly Operation[]) => void;
}

/** Every place that has to be closed again: what closes it, whether it is closed, by whom. */
export function SealTable({ report, onEdit }: Props) {
  const project = useProject();
  const [open, setOpen] = useState<string | null>(null);
  const [only, setOnly] = useState<'all' | 'open'>('all');
  const counts = sealCounts(report.penetrations);
  const shown = report.penetrations.filter(({ seal }) => only === 'all' || (seal?.state ?? 'open') === 'open');
  const write = (one: Penetration, fields: Partial<Seal>) => {
    const operations = recordSeal(one, { id: newRecordId('sl'), fields });
    if (operations.length > 0) onEdit(text('ways.sealed'), operations);
  };
  return (
    <>
      <Cautions ids={['C4', 'C10']} />
      <div className={counts.open > 0 ? `${css.sealCount} open` : css.sealCount} role="status">
        <b>{text('ways.sealsOpen', { count: counts.open })}</b> · {counts.sealed} {term('sealStates.sealed')} · {counts.inspected}{' '}
        {term('sealStates.inspected')}
        <Select
          size="small"
          aria-label={text('ways.showing')}
          value={only}
          onChange={setOnly}
          options={(['all', 'open'] as const).map((value) => ({ value, label: text(`ways.sealFilter.${value}`) }))}
        />
      </div>
      <p className="caution">{text('ways.sealCaution')}</p>
      <table className={`hole-table ${css.sealTable}`}>
        <thead>
          <tr>
            <th scope="col">{text('ways.pierced')}</th>
            <th scope="col">{text('ways.place')}</th>
            <th scope="col">{text('ways.sealKind')}</th>
            <th scope="col">{text('ways.cables')}</th>
            <th scope="col">{text('ways.sealState')}</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((one) => {
            const key = `${one.member}${one.at.join()}`;
            return [
              <tr key={key} className={one.kind === 'fire-stop' && (one.seal?.state ?? 'open') === 'open' ? css.asks : ''}>
                <td>{term(`members.${one.member}`)}</td>
                <td>
                  {project.levels[one.levelId]?.name} ·{' '}
                  {holePlace(project, { first: { ...one, roomId: null }, last: one }, placeWords)}
                </td>
                <td>
                  {term(`sealKinds.${one.kind}`)}
                  <br />
                  <span className="faint">{one.seal?.product || one.family}</span>
                </td>
                <td className="figure">{one.runs.length}</td>
                <td>
                  <Select
                    size="small"
                    aria-label={`${term(`members.${one.member}`)}: ${text('ways.sealState')}`}
                    value={one.seal?.state ?? 'open'}
                    onChange={(state) => write(one, { state, on: state === 'open' ? '' : today() })}
                    options={SEAL_STATES.map((value) => ({ value, label: term(`sealStates.${value}`) }))}
                  />{' '}
                  <button
                    type="button"
                    className="plain link"
                    aria-expanded={open === key}
                    onClick={() => setOpen(open === key ? null : key)}
                  >
                    {text('ways.details')}
                  </button>
                </td>
              </tr>,
              open === key && (
                <tr key={`${key}-more`} className={css.sealMore}>
                  <td colSpan={5}>
                    <div className="fields">
                      <WordsField
                        label={text('ways.assembly')}
                        max={120}
                        value={one.seal?.assembly ?? one.assembly}
                        onChange={(assembly) => write(one, { assembly })}
                      />
                      <WordsField
                        label={text('ways.product')}
                        max={120}
                        value={one.seal?.product ?? one.family}
                        onChange={(product) => write(one, { product })}
                      />
                      <WordsField
                        label={text('ways.system')}
                        max={60}
                        value={one.seal?.system ?? ''}
                        onChange={(system) => write(one, { system })}
                      />
                      <WordsField
                        label={text('ways.by')}
                        max={60}
                        value={one.seal?.by ?? ''}
                        onChange={(by) => write(one, { by })}
                      />
                      <WordsField
                        label={text('ways.photo')}
                        max={200}
                        value={one.seal?.photo ?? ''}
                        onChange={(photo) => write(one, { photo })}
                      />
                    </div>
                  </td>
                </tr>
              ),
            ];
          })}
        </tbody>
      </table>
    </>
  );
}
