import { BILL_PARTS, type Bill, type BillLine, formatCents } from '@dusky-spool/core/order';
import { useState } from 'react';
import { saveFile } from '../../ground/api/http.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { CauseChips } from './CauseChips.tsx';
import { billCsv } from './bill-csv.ts';
import { billName } from '@dusky-spool/texts';

import css from './order.module.css';

/** Everything that is bought, part by part; a chosen line names the runs, devices and equipment that it is there for. */
export function BillPanel({ bill }: { readonly bill: Bill }) {
  const project = useProject();
  const { currency } = project.project;
  const [chosen, setChosen] = useState<string | null>(null);
  const sumOf = new Map(bill.byPart.map(({ part, sumCents }) => [part, sumCents]));
  const save = () =>
    saveFile('bill-of-materials.csv', new Blob([`\uFEFF${billCsv(bill, currency)}`], { type: 'text/csv;charset=utf-8' }));
  return (
    <>
      <p className={css.total}>
        <b>{text('order.bill.total', { price: formatCents(bill.totalCents, currency) })}</b>{' '}
        {bill.unpriced > 0 && <span className={css.bad}>{text('order.bill.unpriced', { count: bill.unpriced })}</span>}{' '}
        <SmallButton onClick={save}>{text('order.bill.saveCsv')}</SmallButton>
      </p>
      <p className="faint">{text('order.bill.lead')}</p>
      {BILL_PARTS.filter((part) => sumOf.has(part)).map((part) => (
        <table key={part} className={`${css.table} ${css.bill}`}>
          <caption>
            {text('order.bill.partSum', {
              part: text(`order.bill.parts.${part}`),
              price: formatCents(sumOf.get(part)!, currency),
            })}
          </caption>
          <thead>
            <tr>
              {(['what', 'detail', 'fitted', 'count', 'each', 'sum'] as const).map((one) => (
                <th key={one} scope="col" className={one === 'what' || one === 'detail' ? css.words : css.figure}>
                  {text(`order.bill.columns.${one}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {bill.lines
              .filter((one) => one.part === part)
              .map((one) => (
                <Line
                  key={one.key}
                  line={one}
                  isChosen={chosen === one.key}
                  onChoose={() => setChosen(chosen === one.key ? null : one.key)}
                />
              ))}
          </tbody>
        </table>
      ))}
      <p className="faint">{text('order.bill.aid')}</p>
    </>
  );
}

interface LineProps {
  readonly line: BillLine;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

function Line({ line, isChosen, onChoose }: LineProps) {
  const { currency } = useProject().project;
  const name = billName(line);
  const price = (cents: number | null) => (cents === null ? '–' : formatCents(cents, currency));
  return (
    <>
      <tr>
        <th scope="row">
          <SmallButton bare aria-expanded={isChosen} onClick={onChoose}>
            {name}
          </SmallButton>
        </th>
        <td>{line.detail}</td>
        <td className={css.figure}>{line.fitted}</td>
        <td className={css.figure}>{line.count}</td>
        <td className={css.figure}>{price(line.eachCents)}</td>
        <td className={css.figure}>{price(line.sumCents)}</td>
      </tr>
      {isChosen && (
        <tr>
          <td colSpan={6} aria-label={text('order.bill.causes', { name })}>
            <CauseChips causes={line.causes} />
          </td>
        </tr>
      )}
    </>
  );
}
