import type { OrderOfHouse } from '@dusky-spool/core/deltas';
import { offerOf } from '@dusky-spool/core/order';
import { billNames, offerLineName } from '@dusky-spool/texts';
import { Segmented } from 'antd';
import { useMemo } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { useMaySeeCosts, useRight } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { askOrder } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { today } from '../../state/today.ts';
import { useAsked } from '../../state/useAsked.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import { BillPanel } from './BillPanel.tsx';
import { ChangesPanel } from './ChangesPanel.tsx';
import { ClientOffer } from './ClientOffer.tsx';
import { DatesPanel } from './DatesPanel.tsx';
import { GoodsPanel } from './GoodsPanel.tsx';
import { OfferPanel } from './OfferPanel.tsx';
import { PricesPanel } from './PricesPanel.tsx';
import { PullList } from './PullList.tsx';
import { SpoolPlan } from './SpoolPlan.tsx';
import { StockPanel } from './StockPanel.tsx';
import { TasksPanel } from './TasksPanel.tsx';

import css from './order.module.css';

const TABS = ['plan', 'pulls', 'stock', 'bill', 'prices', 'offer', 'tasks', 'dates', 'goods', 'changes'] as const;
type Tab = (typeof TABS)[number];
/** Parts that show nothing of the worker's plan. */
const WITHOUT_PLAN: ReadonlySet<Tab> = new Set(['stock', 'tasks']);
/** The server makes a client's offer. */
const needsPlanFor = (tab: Tab, isClient: boolean): boolean => !WITHOUT_PLAN.has(tab) && !(isClient && tab === 'offer');
/** Parts with what the firm pays. */
const OF_FIRM: ReadonlySet<Tab> = new Set(['bill', 'prices', 'goods', 'changes', 'tasks', 'stock', 'plan']);

/** Spools and pulls, what is bought and at what price, the offer, dates, goods in, and changes. */
export function OrderScreen() {
  const mayPlan = useRight('plan');
  const { projectId = '' } = useParams();
  const [params, setParams] = useSearchParams();
  const maySeeCosts = useMaySeeCosts();
  const tabs = TABS.filter((one) => maySeeCosts || !OF_FIRM.has(one));
  const tab: Tab = tabs.find((one) => one === params.get('view')) ?? tabs[0];
  const needsPlan = needsPlanFor(tab, !maySeeCosts);
  const order = useAsked(askOrder, needsPlan ? '' : null);
  const go = (view: Tab) => setParams({ ...Object.fromEntries(params), view }, { replace: true });
  const isEmpty =
    order !== null && order.plan.cables.length === 0 && order.plan.leads.length === 0 && order.bill.lines.length === 0;
  return (
    <StagePage title={text('order.title')} lead={text(maySeeCosts ? 'order.lead' : 'order.clientLead')}>
      <div className={css.tabs}>
        <Segmented
          size="small"
          value={tab}
          aria-label={text('order.parts')}
          options={tabs.map((value) => ({ value, label: text(`order.tabs.${value}`) }))}
          onChange={go}
        />
      </div>
      {order === null && needsPlan && <p className="faint">{text('order.planning')}</p>}
      {isEmpty && needsPlan && <p>{text('order.empty')}</p>}
      {!needsPlan && tab === 'offer' && <ClientOffer projectId={projectId} />}
      {order && !isEmpty && needsPlan && <PlannedPart {...{ tab, order, mayPlan, projectId }} />}
      {tab === 'stock' && <StockPanel mayPlan={mayPlan} />}
      {tab === 'tasks' && <TasksPanel mayPlan={mayPlan} />}
    </StagePage>
  );
}

interface PartProps {
  readonly tab: Tab;
  readonly order: OrderOfHouse;
  readonly mayPlan: boolean;
  readonly projectId: string;
}

/** The parts that follow from the plan of the worker. */
function PlannedPart({ tab, order, mayPlan, projectId }: PartProps) {
  const project = useProject();
  const mayWrite = useRight('field');
  const offer = useMemo(() => offerOf(project, order, billNames, today()), [project, order]);
  const names = useMemo(
    () =>
      new Set(
        offer.lines
          .filter(({ group }) => group === 'material')
          .flatMap((line) => [offerLineName(line), `${offerLineName(line)}, ${line.detail}`].map((name) => name.toLowerCase())),
      ),
    [offer],
  );
  switch (tab) {
    case 'plan':
      return <SpoolPlan plan={order.plan} mayPlan={mayPlan} />;
    case 'pulls':
      return <PullList plan={order.plan} />;
    case 'bill':
      return <BillPanel bill={order.bill} />;
    case 'prices':
      return <PricesPanel {...{ projectId, mayPlan }} billNames={names} />;
    case 'offer':
      return <OfferPanel {...{ projectId, order, offer, mayPlan }} />;
    case 'dates':
      return <DatesPanel {...{ projectId, offer, mayPlan }} />;
    case 'goods':
      return <GoodsPanel offer={offer} mayWrite={mayWrite} />;
    case 'changes':
      return <ChangesPanel {...{ offer, mayPlan }} />;
    default:
      return null;
  }
}
