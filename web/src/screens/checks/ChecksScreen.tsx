import { Segmented } from 'antd';
import { useSearchParams } from 'react-router';
import { text } from '../../ground/text.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import { Calculators } from './Calculators.tsx';
import { FindingList } from './FindingList.tsx';
import { Reference } from './Reference.tsx';
import { RuleTable } from './RuleTable.tsx';

const VIEWS = ['findings', 'rules', 'calculators', 'reference'] as const;
type View = (typeof VIEWS)[number];

/** What the checks found, how the rules are set, and the calculators behind them. */
export function ChecksScreen({ projectId }: { readonly projectId: string }) {
  const [query, setQuery] = useSearchParams();
  const view = VIEWS.find((one) => one === query.get('view')) ?? 'findings';
  return (
    <StagePage
      title={text('stage.inspect.title')}
      lead={text(`checks.leads.${view}`)}
      aside={
        <Segmented<View>
          value={view}
          options={VIEWS.map((value) => ({ value, label: text(`checks.views.${value}`) }))}
          onChange={(next) => setQuery(next === 'findings' ? {} : { view: next })}
        />
      }
    >
      {view === 'findings' && <FindingList projectId={projectId} />}
      {view === 'rules' && <RuleTable />}
      {view === 'calculators' && <Calculators />}
      {view === 'reference' && <Reference />}
      <p className="faint">{text('aid')}</p>
    </StagePage>
  );
}
