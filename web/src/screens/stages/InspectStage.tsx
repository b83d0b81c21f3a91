import { useNavigate } from 'react-router';
import { CHECKS } from '@dusky-spool/core/checks';
import type { ProjectDocument } from '@dusky-spool/core/project';
import { text } from '../../app/text.ts';
import { useDerived } from '../../state/following.ts';
import { placeOf } from '../../state/finding-place.ts';
import { FindingCard } from '../../ui/FindingCard.tsx';
import { RankMark } from '../../ui/RankMark.tsx';
import { StagePage } from './StagePage.tsx';

/** Everything the checks found, stops first, and which rules ran. */
export function InspectStage({ projectId, document }: { readonly projectId: string; readonly document: ProjectDocument }) {
  const { findings } = useDerived(document);
  const navigate = useNavigate();
  const open = findings.filter((finding) => finding.rank !== 'fine');
  return (
    <StagePage title={text('stage.inspect.title')} lead={text('stage.inspect.lead')}>
      {open.length === 0 && (
        <p>
          <RankMark rank="fine" /> {text('stage.inspect.none')}
        </p>
      )}
      <div className="finding-grid">
        {open.map((finding) => (
          <FindingCard
            key={`${finding.check}${finding.code}${finding.subjects[0].id}`}
            finding={finding}
            units={document.project.units}
            onShow={() => void navigate(placeOf(projectId, document, finding))}
          />
        ))}
      </div>
      <h3 className="eyebrow">{text('stage.inspect.checks')}</h3>
      <ul className="rules">
        {CHECKS.map((check) => (
          <li key={check.id}>
            <b>{check.title}</b> <span className="faint">{check.source}</span>
          </li>
        ))}
      </ul>
      <p className="faint">{text('aid')}</p>
    </StagePage>
  );
}
