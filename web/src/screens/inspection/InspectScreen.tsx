import { Segmented } from 'antd';
import { useSearchParams } from 'react-router';
import { text } from '../../ground/text.ts';
import { StagePage } from '../../ui/StagePage.tsx';
import { CHECK_VIEWS, ChecksScreen } from '../checks/ChecksScreen.tsx';
import { PunchPanel } from './PunchPanel.tsx';
import { SignOffPanel } from './SignOffPanel.tsx';
import { TestPanel } from './TestPanel.tsx';
import { WalkPanel } from './WalkPanel.tsx';
import css from './inspection.module.css';

const VIEWS = ['walk', 'punch', 'tests', 'sign-off'] as const;
type View = (typeof VIEWS)[number];

const PANELS = { walk: WalkPanel, punch: PunchPanel, tests: TestPanel, 'sign-off': SignOffPanel } as const;

/** The site inspection before the walls close. The checks of the plan have views of their own, which the header opens. */
export function InspectScreen({ projectId }: { readonly projectId: string }) {
  const [query, setQuery] = useSearchParams();
  const asked = query.get('view');
  if (CHECK_VIEWS.some((one) => one === asked)) return <ChecksScreen projectId={projectId} />;
  const view = VIEWS.find((one) => one === asked) ?? 'walk';
  const Panel = PANELS[view];
  return (
    <StagePage title={text('site.title')} lead={text(`site.leads.${view}`)}>
      <Segmented<View>
        className={css.views}
        value={view}
        aria-label={text('site.views')}
        options={VIEWS.map((value) => ({ value, label: text(`site.tabs.${value}`) }))}
        onChange={(next) => setQuery({ ...Object.fromEntries(query), view: next }, { replace: true })}
      />
      <Panel />
      <p className="faint">{text('aid')}</p>
    </StagePage>
  );
}
