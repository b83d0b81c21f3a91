import { type PlannedRun, type SchemePreview } from '@dusky-spool/core/runs';
import { labelState } from '@dusky-spool/core/devices';
import { labelFit } from '@dusky-spool/core/sheets';
import { Checkbox } from 'antd';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { RunTag } from '../../ui/RunTag.tsx';
import css from './labels.module.css';

type Renumbered = SchemePreview['runs'][number];

interface Props {
  readonly runs: readonly PlannedRun[];
  /** Numbers under the pattern that is tried, by run. */
  readonly next: ReadonlyMap<string, Renumbered>;
  readonly chosen: ReadonlySet<string>;
  readonly isPrinting: boolean;
  readonly onChosen: (runIds: ReadonlySet<string>) => void;
  readonly onPrint: (run: PlannedRun) => void;
  readonly onRun: (runId: string) => void;
}

/** Longer lists are narrowed by the filter; printing takes all of them. */
const MAX_ROWS = 300;

/** Runs with their labels: the number, the one that the pattern would give, the size, the day of printing. */
export function LabelTable({ runs, next, chosen, onChosen, ...row }: Props) {
  const picked = runs.filter(({ run }) => chosen.has(run.id)).length;
  const toggle = (id: string) => {
    const after = new Set(chosen);
    if (!after.delete(id)) after.add(id);
    onChosen(after);
  };
  return (
    <>
      <table className={`hole-table ${css.labelTable}`}>
        <thead>
          <tr>
            <th scope="col">
              <Checkbox
                aria-label={text('labels.all')}
                checked={picked > 0 && picked === runs.length}
                indeterminate={picked > 0 && picked < runs.length}
                onChange={(event) => onChosen(new Set(event.target.checked ? runs.map(({ run }) => run.id) : []))}
              />
            </th>
            <th scope="col">{text('labels.number')}</th>
            <th scope="col">{text('labels.newNumber')}</th>
            <th scope="col">{text('schedule.cable')}</th>
            <th scope="col">{text('labels.wrap')}</th>
            <th scope="col">{text('labels.printedOn')}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {runs.slice(0, MAX_ROWS).map((planned) => (
            <LabelRow
              key={planned.run.id}
              planned={planned}
              renumbered={next.get(planned.run.id)}
              isChosen={chosen.has(planned.run.id)}
              onToggle={toggle}
              {...row}
            />
          ))}
        </tbody>
      </table>
      {runs.length > MAX_ROWS && <p className="faint">{text('labels.more', { count: runs.length - MAX_ROWS })}</p>}
    </>
  );
}

function LabelRow({
  planned,
  renumbered,
  isChosen,
  isPrinting,
  onToggle,
  onPrint,
  onRun,
}: {
  readonly planned: PlannedRun;
  readonly renumbered: Renumbered | undefined;
  readonly isChosen: boolean;
  readonly onToggle: (runId: string) => void;
} & Pick<Props, 'isPrinting' | 'onPrint' | 'onRun'>) {
  const project = useProject();
  const { run } = planned;
  const cable = project.cableTypes[run.cableTypeId];
  const state = labelState(project, planned);
  const fit = labelFit(cable.outsideDiameterM);
  return (
    <tr>
      <td>
        <Checkbox aria-label={text('labels.pick', { number: run.number })} checked={isChosen} onChange={() => onToggle(run.id)} />
      </td>
      <td>
        <button type="button" className="plain" onClick={() => onRun(run.id)}>
          <RunTag number={run.number} />
        </button>
      </td>
      <td className="id">{renumbered ? newNumber(renumbered, run.number) : ''}</td>
      <td>
        {cable.name}
        {cable.jacketColour && <span className="faint"> · {cable.jacketColour}</span>}
      </td>
      <td className="figure">{text('labels.sizes', { wrap: fit.wrapMm, flag: fit.flagMm })}</td>
      <td className={state === 'printed' ? '' : css.unprinted}>
        {state === 'out-of-date' ? text('labels.isOutdated', { on: run.printedOn }) : run.printedOn || text('labels.notPrinted')}
      </td>
      <td>
        <button type="button" className="plain link" disabled={isPrinting} onClick={() => onPrint(planned)}>
          {text(run.printedOn === '' ? 'labels.printOne' : 'labels.reprint')}
        </button>
      </td>
    </tr>
  );
}

const newNumber = ({ to, kept }: Renumbered, number: string): string =>
  to === number ? '' : kept ? text(`labels.kept.${kept}`) : to;
