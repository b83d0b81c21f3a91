import type { OrderOfHouse } from '@dusky-spool/core/deltas';
import { Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useRight } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { askOrder } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import { BillPanel } from './BillPanel.tsx';
import { PullList } from './PullList.tsx';
import { SpoolPlan } from './SpoolPlan.tsx';
import { StockPanel } from './StockPanel.tsx';

import css from './order.module.css';

const TABS = ['plan', 'pulls', 'bill', 'stock'] as const;
type Tab = (typeof TABS)[number];

/** Spools: what to buy and what is cut from what, the pulls with the spools that each sets up, the bill, and what is there already. */
export function OrderScreen() {
  const mayPlan = useRight('plan');
  const [params, setParams] = useSearchParams();
  const tab: Tab = TABS.find((one) => one === params.get('view')) ?? 'plan';
  const order = useOrder(tab !== 'stock');
  const go = (view: Tab) => setParams({ ...Object.fromEntries(params), view }, { replace: true });
  const isEmpty = order !== null && order.plan.cables.length === 0 && order.plan.leads.length === 0;
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
      {order === null && tab !== 'stock' && <p className="faint">{text('order.planning')}</p>}
      {isEmpty && tab !== 'stock' && <p>{text('order.empty')}</p>}
      {order && !isEmpty && tab === 'plan' && <SpoolPlan plan={order.plan} mayPlan={mayPlan} />}
      {order && !isEmpty && tab === 'pulls' && <PullList plan={order.plan} />}
      {order && !isEmpty && tab === 'bill' && <BillPanel bill={order.bill} />}
      {tab === 'stock' && <StockPanel mayPlan={mayPlan} />}
    </StagePage>
  );
}

/** The plan of the worker, worked out while it is shown; the last one stays until the next is there. */
function useOrder(isShown: boolean): OrderOfHouse | null {
  const project = useProject();
  const [order, setOrder] = useState<OrderOfHouse | null>(null);
  useEffect(() => {
    if (!isShown) return;
    let isOver = false;
    void askOrder().then((found) => {
      if (!isOver && found) setOrder(found);
    });
    return () => {
      isOver = true;
    };
  }, [project, isShown]);
  return order;
}
