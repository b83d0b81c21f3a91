import { formatCableLength } from '@dusky-spool/core/math';
import { SPOOL_AIMS, type SpoolSettings, updateProject } from '@dusky-spool/core/model';
import {
  type CableSpools,
  formatCents,
  overBoundPercent,
  type PlannedSpool,
  spoolName,
  type SpoolPlanOfHouse,
} from '@dusky-spool/core/order';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { NumberField } from '../../ui/fields.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { SpoolRing } from '../../ui/SpoolRing.tsx';

import css from './order.module.css';

/** What is bought, and each spool as a ring with its cuts. */
export function SpoolPlan({ plan, mayPlan }: { readonly plan: SpoolPlanOfHouse; readonly mayPlan: boolean }) {
  const project = useProject();
  const { currency } = project.project;
  const overBound = overBoundPercent(plan);
  return (
    <>
      <Settings mayPlan={mayPlan} />
      <p className={css.total}>
        <b>{text('order.total', { count: plan.count, price: formatCents(plan.costCents, currency) })}</b>{' '}
        <span className="faint">
          {overBound < 0.005 ? text('order.least') : text('order.overBound', { percent: overBound.toFixed(1) })}
        </span>
      </p>
      <BuyTable plan={plan} />
      {plan.cables.map((one) => (
        <Cable key={one.cable.id} {...one} />
      ))}
      <p className="faint">{text('order.aid')}</p>
    </>
  );
}

function Settings({ mayPlan }: { readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { spoolSettings } = project.project;
  const change = (after: Partial<SpoolSettings>) => {
    const operation = updateProject(project.project, { spoolSettings: { ...spoolSettings, ...after } });
    if (operation) edit(text('order.settings'), [operation]);
  };
  return (
    <fieldset className={css.fields} disabled={!mayPlan} aria-label={text('order.settings')}>
      <NumberField
        label={text('order.confidence')}
        value={Math.round(spoolSettings.confidence * 1000) / 10}
        min={50}
        max={100}
        step={0.5}
        onChange={(percent) => change({ confidence: percent / 100 })}
      />
      <ChoiceField
        label={text('order.aim')}
        value={spoolSettings.aim}
        options={SPOOL_AIMS.map((value) => ({ value, label: text(`order.aims.${value}`) }))}
        onChange={(aim) => change({ aim })}
      />
      <LengthField
        label={text('order.keep')}
        valueM={spoolSettings.keepM}
        units={project.project.units}
        minM={0}
        maxM={500}
        onChange={(keepM) => keepM !== null && change({ keepM })}
      />
    </fieldset>
  );
}

/** The purchase list: spools by size, and leads with their plugs on. */
function BuyTable({ plan }: { readonly plan: SpoolPlanOfHouse }) {
  const project = useProject();
  const { units, currency } = project.project;
  const nameOf = (offerId: string) => project.spoolOffers[offerId]?.name ?? text('order.usual');
  return (
    <table className={css.table}>
      <caption>{text('order.buy')}</caption>
      <thead>
        <tr>
          <th scope="col">{text('order.columns.cable')}</th>
          <th scope="col">{text('order.columns.size')}</th>
          <th scope="col" className={css.figure}>
            {text('order.columns.count')}
          </th>
          <th scope="col" className={css.figure}>
            {text('order.columns.each')}
          </th>
          <th scope="col" className={css.figure}>
            {text('order.columns.sum')}
          </th>
          <th scope="col">{text('order.columns.why')}</th>
        </tr>
      </thead>
      <tbody>
        {plan.cables.flatMap(({ cable, offers, answer, cutM, withoutRoute }) =>
          answer.buy.length === 0
            ? [
                <tr key={cable.id}>
                  <th scope="row">{cable.name}</th>
                  <td colSpan={4} className="faint">
                    {text(cutM > 0 && answer.spools.length === 0 ? 'order.allCut' : 'order.fromStock')}
                  </td>
                  <td className={css.bad}>{faults({ answer, withoutRoute }, project)}</td>
                </tr>,
              ]
            : answer.buy.map(({ offerId, count }) => {
                const { lengthM, priceCents } = offers.find(({ id }) => id === offerId)!;
                return (
                  <tr key={`${cable.id} ${offerId}`}>
                    <th scope="row">{cable.name}</th>
                    <td>
                      {nameOf(offerId)}, {formatCableLength(lengthM, units)}
                    </td>
                    <td className={css.figure}>{count}</td>
                    <td className={css.figure}>{formatCents(priceCents, currency)}</td>
                    <td className={css.figure}>{formatCents(count * priceCents, currency)}</td>
                    <td className={css.bad}>{faults({ answer, withoutRoute }, project)}</td>
                  </tr>
                );
              }),
        )}
        {plan.leads.map(({ cable, lengthM, numbers }) => (
          <tr key={`${cable.id} ${lengthM}`}>
            <th scope="row">{cable.name}</th>
            <td>{text('order.madeLead', { length: formatCableLength(lengthM, units) })}</td>
            <td className={css.figure}>{numbers.length}</td>
            <td colSpan={2} />
            <td className="faint">{numbers.join(', ')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Runs that are in no spool, with the reason. */
function faults(
  { answer: { tooLong, without }, withoutRoute }: Pick<CableSpools, 'answer' | 'withoutRoute'>,
  { runs }: ReturnType<typeof useProject>,
): string {
  const numbers = (ids: readonly string[]) => ids.map((id) => runs[id]?.number ?? id).join(', ');
  return [
    tooLong.length > 0 ? text('order.tooLong', { numbers: numbers(tooLong) }) : '',
    without.length > 0 ? text('order.without', { numbers: numbers(without) }) : '',
    withoutRoute.length > 0 ? text('order.noRoute', { numbers: withoutRoute.join(', ') }) : '',
  ]
    .filter(Boolean)
    .join(' ');
}

function Cable({ cable, spools }: CableSpools) {
  if (spools.length === 0) return null;
  return (
    <section aria-label={cable.name}>
      <h3 className={css.part}>{cable.name}</h3>
      <div className={css.spools}>
        {spools.map((spool) => (
          <SpoolCard key={spool.key} spool={spool} cable={cable} />
        ))}
      </div>
    </section>
  );
}

/** A spool as a ring that shows what is left, with its cuts and what to do where one run turns out longer. */
function SpoolCard({ spool, cable }: { readonly spool: PlannedSpool; readonly cable: CableSpools['cable'] }) {
  const project = useProject();
  const { units, spoolSettings } = project.project;
  const { leftM, lengthM, cutIds, spareM, repair, stockId } = spool;
  const length = (m: number) => formatCableLength(m, units);
  const isWaste = leftM > 0.01 && leftM < spoolSettings.keepM;
  return (
    <article className={css.spool}>
      <header>
        <SpoolRing system={cable.system} left={leftM / lengthM} />
        <div>
          <b>{stockId === null ? text('order.newSpool', { key: spoolName(spool.key).slice(4) }) : spoolName(spool.key)}</b>
          <div className={isWaste ? css.bad : 'faint'}>
            {text(isWaste ? 'order.waste' : 'order.left', { left: length(leftM), length: length(lengthM) })}
          </div>
        </div>
      </header>
      <p className={css.cuts}>
        {cutIds.map((id) => (
          <span key={id} className="chip">
            {project.runs[id]?.number}
          </span>
        ))}
      </p>
      <p className="faint">
        {text('order.spare', { spare: length(Math.max(0, spareM)) })}{' '}
        {repair === null
          ? text('order.noRepair')
          : 'key' in repair
            ? text('order.repairFrom', { key: spoolName(repair.key) })
            : text('order.repairBuy')}
      </p>
    </article>
  );
}
