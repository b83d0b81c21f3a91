import { Segmented } from 'antd';
import { useSearchParams } from 'react-router';
import { text } from '../../ground/text.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import { Calculators } from './Calculators.tsx';
import { FindingList } from './FindingList.tsx';
import { Reference } from './Reference.tsx';
import { RuleTable } from './RuleTable.tsx';

/** The views of the checks; the site inspection of the same stage has others. */
// eslint-disable-next-line react-refresh/only-export-components -- the screen around it asks which view is meant
export const CHECK_VIEWS = ['findings', 'rules', 'calculators', 'reference'] as const;
type View = (typeof CHECK_VIEWS)[number];

/** What the checks found, how the rules are set, and the calculators behind them. */
export function ChecksScreen({ projectId }: { readonly projectId: string }) {
  const [query, setQuery] = useSearchParams();
  const view = CHECK_VIEWS.find((one) => one === query.get('view')) ?? 'findings';
  return (
    <StagePage
      title={text('site.checks')}
      lead={text(`checks.leads.${view}`)}
      aside={
        <Segmented<View>
          value={view}
          options={CHECK_VIEWS.map((value) => ({ value, label: text(`checks.views.${value}`) }))}
          onChange={(next) => setQuery({ view: next })}
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
