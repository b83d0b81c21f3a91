import { useProject } from '../../state/open-project.ts';
import type { CablingReport, FilledPathway } from '@dusky-spool/core/sheets';
import type { DerivedFinding } from '@dusky-spool/core/deltas';
import type { Operation } from '@dusky-spool/core/model';
import { formatCableLength, formatThin } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import { useCures, useDerived } from '../../state/derived.ts';
import { RunLinks } from './RunLinks.tsx';
import { Button } from 'antd';
import css from './pathways.module.css';

interface Props {
  readonly report: CablingReport;
  readonly onRun: (number: string) => void;
  readonly onPreview: (title: string, operations: readonly Operation[]) => void;
}

const degrees = (rad: number) => `${Math.round((rad * 180) / Math.PI)}°`;
const MAX_RUNS = 2;

/** How full each riser, conduit, chase and channel is, and which spare conduits are there or missing. */
export function LoadTable({ report, onRun, onPreview }: Props) {
  const project = useProject();
  const { units } = project.project;
  const { findings } = useDerived(project);
  const finding = findings.find(({ check }) => check === 'conduits-planned');
  const inside = ({ insideM, sidesM }: FilledPathway) =>
    insideM !== null
      ? formatThin(insideM, units)
      : sidesM
        ? sidesM.map((side) => formatThin(side, units)).join(' × ')
        : text('ways.notKnown');
  return (
    <>
      {report.loads.length === 0 && <p>{text('ways.noWays')}</p>}
      {report.loads.length > 0 && (
        <table className="hole-table load-table">
          <thead>
            <tr>
              <th scope="col">{text('ways.way')}</th>
              <th scope="col">{text('ways.inside')}</th>
              <th scope="col">{text('ways.full')}</th>
              <th scope="col">{text('ways.room')}</th>
              <th scope="col">{text('ways.pull')}</th>
              <th scope="col">{text('ways.cables')}</th>
            </tr>
          </thead>
          <tbody>
            {report.loads.map((load) => (
              <tr key={load.id} className={load.fill !== null && load.fill > load.limit ? css.asks : ''}>
                <td>
                  <b>{load.name || kindOf(load)}</b>
                  <br />
                  <span className="faint">
                    {kindOf(load)} · {project.levels[load.levelId]?.name}
                  </span>
                </td>
                <td className="figure">{inside(load)}</td>
                <td>
                  <FillBar fill={load.fill} limit={load.limit} cables={load.runs.length} />
                </td>
                <td className="figure">{load.roomFor === null ? '' : load.roomFor}</td>
                <td className="figure">
                  {load.pull && (
                    <>
                      {formatCableLength(load.pull.lengthM, units)}, {degrees(load.pull.bendsRad)}
                      {load.runs.length > 0 && load.allowedN !== null && (
                        <>
                          <br />
                          {text('ways.tension', {
                            pull: Math.max(1, Math.round(load.pull.tensionN)),
                            allowed: Math.round(load.allowedN),
                          })}
                        </>
                      )}
                    </>
                  )}
                </td>
                <td>
                  <RunLinks numbers={load.runs} most={MAX_RUNS} onRun={onRun} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <h4 className="eyebrow">{text('ways.spares')}</h4>
      {report.spares.length === 0 && <p>{text('ways.noSpares')}</p>}
      <ul className={css.spareList}>
        {report.spares.map((spare) => (
          <li key={`${spare.why}${spare.subject.id}`} className={spare.servedBy ? '' : css.missing}>
            <b>{spare.name || term(`spareFor.${spare.why}`)}</b>
            <span>
              {spare.servedBy
                ? text('ways.servedBy', { name: spare.servedBy })
                : spare.lengthM === null
                  ? text('ways.spareNoWay')
                  : text('ways.spareMissing', {
                      size: spare.size,
                      length: formatCableLength(spare.lengthM, units),
                      bends: degrees(spare.bendsRad ?? 0),
                    })}
            </span>
          </li>
        ))}
      </ul>
      {finding && <SpareButton finding={finding} onPreview={onPreview} />}
      <p className="faint">{text('ways.fillHint')}</p>
    </>
  );
}

function SpareButton({ finding, onPreview }: Pick<Props, 'onPreview'> & { readonly finding: DerivedFinding }) {
  const [cure] = useCures(finding);
  if (!cure) return null;
  return <Button onClick={() => onPreview(text('ways.addSpares'), cure.operations)}>{text('ways.addSpares')}</Button>;
}

const kindOf = ({ kind }: FilledPathway) => (kind === 'riser' ? term('made.riser') : term(`features.${kind}`));

/** How much is full, against how much may be. */
function FillBar({ fill, limit, cables }: { readonly fill: number | null; readonly limit: number; readonly cables: number }) {
  const words = text('ways.cablesIn', { count: cables });
  if (fill === null) return <span>{words}</span>;
  const percent = Math.round(fill * 100);
  const label = text('ways.fillOf', { percent, most: Math.round(limit * 100) });
  return (
    <span className="fill">
      <span className={fill > limit ? `${css.fillBar} over` : css.fillBar} role="img" aria-label={label}>
        <span style={{ width: `${Math.min(100, percent)}%` }} />
        <i style={{ left: `${limit * 100}%` }} />
      </span>
      <span className="figure">{label}</span>
      <span className="faint">{words}</span>
    </span>
  );
}
