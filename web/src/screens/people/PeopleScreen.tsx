import { useNavigate, useSearchParams } from 'react-router';
import { Segmented } from 'antd';
import { useRight } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { FirmHeader } from '../../ui/FirmHeader.tsx';
import { AuditTrail } from './AuditTrail.tsx';
import { MailBox } from './MailBox.tsx';
import { Members } from './Members.tsx';
import { ServerPanel } from './ServerPanel.tsx';

const VIEWS = ['members', 'audit', 'mail', 'server'] as const;
type View = (typeof VIEWS)[number];

/** For owners: who is in the firm, what was done, what was mailed, how the server is. */
export function PeopleScreen() {
  const isOwner = useRight('own');
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const asked = search.get('view');
  const view: View = VIEWS.find((one) => one === asked) ?? 'members';
  return (
    <div className="projects-page">
      <FirmHeader />
      <main className="projects">
        <div className="projects-head">
          <h1>{text('people.title')}</h1>
          <span className="grow" />
          {isOwner && (
            <Segmented
              value={view}
              onChange={(next) => void navigate(`/people?view=${next}`)}
              options={VIEWS.map((value) => ({ value, label: text(`people.views.${value}`) }))}
            />
          )}
        </div>
        {!isOwner ? (
          <p className="lead">{text('people.ownersOnly')}</p>
        ) : view === 'members' ? (
          <Members />
        ) : view === 'audit' ? (
          <AuditTrail />
        ) : view === 'mail' ? (
          <MailBox />
        ) : (
          <ServerPanel />
        )}
      </main>
    </div>
  );
}
