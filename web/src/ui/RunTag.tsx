import type { ReactNode } from 'react';
import css from './ui.module.css';

interface Props {
  readonly number: string;
  readonly large?: boolean;
  readonly children?: ReactNode;
}

/** A run as it is always shown: its number on a punched tag. */
export function RunTag({ number, large = false, children }: Props) {
  if (!large) return <span className={`${css.runTag} id`}>{number}</span>;
  return (
    <div className="punched-tag">
      <span className="punch" aria-hidden="true" />
      <div>
        <h2 className="id">{number}</h2>
        {children}
      </div>
    </div>
  );
}
