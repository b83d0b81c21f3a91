import type { ReactNode } from 'react';
import css from './ui.module.css';

interface Props {
  readonly title: string;
  readonly lead: string;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
}

/** The sheet of paper that every stage without a plan lies on. */
export function StagePage({ title, lead, aside, children }: Props) {
  return (
    <div className={css.stagePage} role="region" aria-label={title} tabIndex={0}>
      <div className="stage-sheet">
        <header className="stage-head">
          <div>
            <h2>{title}</h2>
            <p>{lead}</p>
          </div>
          {aside}
        </header>
        {children}
      </div>
    </div>
  );
}
