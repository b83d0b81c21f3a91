import type { SpoolPlanOfHouse } from '@dusky-spool/core/order';
import { Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useRight } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { askSpools } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import { PullList } from './PullList.tsx';
import { SpoolPlan } from './SpoolPlan.tsx';
import { StockPanel } from './StockPanel.tsx';

import css from './order.module.css';

const TABS = ['plan', 'pulls', 'stock'] as const;
type Tab = (typeof TABS)[number];

/** Spools: what to buy and what is cut from what, the pulls with the spools that each sets up, and what is there already. */
export function OrderScreen() {
  const plan = useSpools();
  const mayPlan = useRight('plan');
  const [params, setParams] = useSearchParams();
  const tab: Tab = TABS.find((one) => one === params.get('view')) ?? 'plan';
  const go = (view: Tab) => setParams({ ...Object.fromEntries(params), view }, { replace: true });
  const isEmpty = plan !== null && plan.cables.length === 0 && plan.leads.length === 0;
  return (
    <StagePage title={text('order.title')} lead={text('order.lead')}>
      <Segmented
        size="small"
        className={css.tabs}
        value={tab}
        aria-label={text('order.parts')}
        options={TABS.map((value) => ({ value, label: text(`order.tabs.${value}`) }))}
        onChange={go}
      />
      {plan === null && tab !== 'stock' && <p className="faint">{text('order.planning')}</p>}
      {isEmpty && tab !== 'stock' && <p>{text('order.empty')}</p>}
      {plan && !isEmpty && tab === 'plan' && <SpoolPlan plan={plan} mayPlan={mayPlan} />}
      {plan && !isEmpty && tab === 'pulls' && <PullList plan={plan} />}
      {tab === 'stock' && <StockPanel mayPlan={mayPlan} />}
    </StagePage>
  );
}

/** The plan of the worker; the last one stays until the next is there. */
function useSpools(): SpoolPlanOfHouse | null {
  const project = useProject();
  const [plan, setPlan] = useState<SpoolPlanOfHouse | null>(null);
  useEffect(() => {
    let isOver = false;
    void askSpools().then((found) => {
      if (!isOver && found) setPlan(found);
    });
    return () => {
      isOver = true;
    };
  }, [project]);
  return plan;
}
