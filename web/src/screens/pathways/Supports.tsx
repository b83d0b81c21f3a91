import { useProject } from '../../state/open-project.ts';
import type { CablingReport } from '@dusky-spool/core/sheets';
import { formatCableLength, formatLengthFine } from '@dusky-spool/core/math';
import { text } from '../../ground/text.ts';

interface Props {
  readonly report: CablingReport;
}

/** What holds the cable, what lies beside mains, and what is opened in a finished house. */
export function Supports({ report }: Props) {
  const project = useProject();
  const { units } = project.project;
  const length = (lengthM: number) => formatCableLength(lengthM, units);
  const { supports, beside, opened } = report;
  return (
    <>
      <table className="hole-table support-table">
        <caption className="eyebrow">{text('ways.supports')}</caption>
        <thead>
          <tr>
            {(['cable', 'count', 'inWalls', 'staples', 'hung', 'hooks'] as const).map((column) => (
              <th key={column} scope="col">
                {text(`ways.supportColumns.${column}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {supports.byCable.map((one) => (
            <tr key={one.cableTypeId}>
              <td>{one.cable}</td>
              <td className="figure">{one.runs}</td>
              <td className="figure">{length(one.stapledM)}</td>
              <td className="figure">{one.staples}</td>
              <td className="figure">{length(one.hungM)}</td>
              <td className="figure">{one.hooks}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="faint">{text('ways.supportHint', { ties: supports.ties })}</p>
      <h4 className="eyebrow">{text('ways.besideMains')}</h4>
      {beside.length === 0 ? (
        <p>{text('ways.noneBeside')}</p>
      ) : (
        <table className="hole-table beside-table">
          <thead>
            <tr>
              {(['run', 'mains', 'parallel', 'least', 'crossing'] as const).map((column) => (
                <th key={column} scope="col">
                  {text(`ways.besideColumns.${column}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {beside.slice(0, 60).map((one) => (
              <tr key={`${one.number}${one.mains}`}>
                <td className="id">{one.number}</td>
                <td>{one.mains}</td>
                <td className="figure">{length(one.parallelM)}</td>
                <td className="figure">{formatLengthFine(one.leastM, units)}</td>
                <td className="figure">{one.crossingRad === null ? '' : `${Math.round((one.crossingRad * 180) / Math.PI)}°`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="caution">{text('ways.mainsCaution')}</p>
      {opened && (
        <>
          <h4 className="eyebrow">{text('ways.opened')}</h4>
          <p>
            {text('ways.openedWords', {
              openings: opened.openings,
              opened: opened.openedM2.toFixed(2),
              painted: Math.round(opened.paintedM2),
              walls: opened.walls.length,
              ceilings: opened.rooms.length,
            })}
          </p>
          <p className="caution">{text('ways.oldHouse')}</p>
        </>
      )}
    </>
  );
}
