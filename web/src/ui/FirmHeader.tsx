import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from 'antd';
import { useRight, useSession } from '../ground/api/session.ts';
import { text } from '../ground/text.ts';
import { SignOutDialog } from './SignOutDialog.tsx';
import css from './ui.module.css';

/** The bar over the pages that belong to no project: the firm, the scanner, people, one's account, signing out. */
export function FirmHeader() {
  const session = useSession((state) => state.session);
  const isOwner = useRight('own');
  const [leaving, setLeaving] = useState(false);
  return (
    <header className="header dusk">
      <svg width={30} height={30} viewBox="0 0 40 40" aria-hidden="true" className={css.mark}>
        <g fill="none" stroke="currentColor" strokeWidth={2}>
          <path d="M37 20a17 17 0 1 0-17 17" />
          <circle cx={20} cy={20} r={11} />
          <circle cx={20} cy={20} r={5} />
        </g>
      </svg>
      <Link to="/projects" className={`${css.duskLink} ${css.firmName}`}>
        {session?.member?.firm}
      </Link>
      <span className="grow" />
      <Link to="/scan" className={css.duskLink}>
        {text('header.scan')}
      </Link>
      <Link to="/guide" className={css.duskLink}>
        {text('guide.title')}
      </Link>
      {isOwner && (
        <Link to="/people" className={css.duskLink}>
          {text('people.open')}
        </Link>
      )}
      <Link to="/account" className={`${css.duskLink} ${css.who}`}>
        {session?.member?.name}
      </Link>
      <Button size="small" ghost onClick={() => setLeaving(true)}>
        {text('signOut')}
      </Button>
      {leaving && <SignOutDialog onClose={() => setLeaving(false)} />}
    </header>
  );
}
