import { useProject } from '../../state/open-project.ts';
import type { CablingReport } from '@dusky-spool/core/sheets';
import { formatCableLength, formatThin } from '@dusky-spool/core/math';
import { Cautions } from '../../ui/Cautions.tsx';
import { text } from '../../ground/text.ts';
import { RunLinks } from './RunLinks.tsx';
import { Button } from 'antd';
import css from './pathways.module.css';

interface Props {
  readonly report: CablingReport;
  readonly onRun: (number: string) => void;
  readonly onBundle: () => void;
}

const MAX_RUNS = 6;

/** What is pulled together: its order, where it parts, how thick it is and the hole it needs. */
export function BundleTable({ report, onRun, onBundle }: Props) {
  const project = useProject();
  const { units } = project.project;
  return (
    <>
      <Cautions ids={['C11']} />
      <div className="panel-buttons">
        <Button onClick={onBundle}>{text('ways.bundleByWay')}</Button>
      </div>
      <p className="faint">{text('ways.bundleHint')}</p>
      {report.bundles.length === 0 ? (
        <p>{text('ways.noBundles')}</p>
      ) : (
        <table className={`hole-table ${css.bundleTable}`}>
          <thead>
            <tr>
              <th scope="col">{text('ways.bundle')}</th>
              <th scope="col">{text('ways.order')}</th>
              <th scope="col">{text('ways.parts')}</th>
              <th scope="col">{text('ways.together')}</th>
              <th scope="col">{text('ways.diameter')}</th>
              <th scope="col">{text('ways.hole')}</th>
            </tr>
          </thead>
          <tbody>
            {report.bundles.map((bundle) => (
              <tr key={bundle.code}>
                <td>
                  <b className="id">{bundle.code}</b>
                  <br />
                  <span className="faint">
                    {text('ways.cablesIn', { count: bundle.numbers.length })} → {project.racks[bundle.rackId]?.name}
                  </span>
                </td>
                <td>
                  <RunLinks numbers={bundle.numbers} most={MAX_RUNS} onRun={onRun} />
                </td>
                <td>{bundle.head === '' ? text('ways.partsNowhere') : bundle.head}</td>
                <td className="figure">{formatCableLength(bundle.sharedM, units)}</td>
                <td className="figure">{formatThin(bundle.diameterM, units)}</td>
                <td className="figure">{bundle.bitM === null ? text('ways.severalHoles') : formatThin(bundle.bitM, units)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="caution">{text('ways.poeCaution')}</p>
    </>
  );
}
