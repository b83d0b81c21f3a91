import { useState, type ReactNode } from 'react';
import { text } from '../ground/text.ts';
import { SmallButton } from './SmallButton.tsx';

/** What is placed and drawn from: beside the plan, and behind a button where the window has no room for it. */
export function NarrowTools({ children }: { readonly children: ReactNode }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <div
      className={isOpen ? 'narrow-tools open' : 'narrow-tools'}
      // A tool that was taken up is used on the plan.
      onClick={(event) => {
        if ((event.target as Element).closest('.palette [aria-pressed]')) setIsOpen(false);
      }}
    >
      <SmallButton className="narrow-toggle" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
        {text(isOpen ? 'plan.closeTools' : 'plan.tools')}
      </SmallButton>
      {children}
    </div>
  );
}
