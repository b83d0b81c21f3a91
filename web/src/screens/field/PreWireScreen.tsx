import { Segmented } from 'antd';
import { useSearchParams } from 'react-router';
import { text } from '../../ground/text.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import { PreWireStage } from '../stages/PreWireStage.tsx';
import { CloseOfDayPanel } from './CloseOfDayPanel.tsx';
import { PullPanel } from './PullPanel.tsx';

import css from './field.module.css';

const VIEWS = ['runs', 'pull', 'close'] as const;
type View = (typeof VIEWS)[number];

/** The pre-wire day: all runs, the pull at hand, and what has to be done before the crew leaves. */
export function PreWireScreen() {
  const [params, setParams] = useSearchParams();
  const view: View = VIEWS.find((one) => one === params.get('view')) ?? 'runs';
  const tabs = (
    <Segmented
      className={css.views}
      value={view}
      aria-label={text('stage.field.views')}
      options={VIEWS.map((value) => ({ value, label: text(`stage.field.tabs.${value}`) }))}
      onChange={(value) => setParams({ ...Object.fromEntries(params), view: value }, { replace: true })}
    />
  );
  if (view === 'runs') return <PreWireStage tabs={tabs} />;
  const isPull = view === 'pull';
  return (
    <StagePage
      title={text(isPull ? 'stage.field.pullTitle' : 'stage.field.closeTitle')}
      lead={text(isPull ? 'stage.field.pullLead' : 'stage.field.closeLead')}
    >
      {tabs}
      {isPull ? <PullPanel /> : <CloseOfDayPanel />}
    </StagePage>
  );
}
