import { startTransition, useEffect, useState } from 'react';

/** False for the first picture, true a moment later: what is not needed to begin work comes second. */
export function useAfterFirstPaint(): boolean {
  const [due, setDue] = useState(false);
  useEffect(() => {
    const soon = window.setTimeout(() => startTransition(() => setDue(true)), 30);
    return () => window.clearTimeout(soon);
  }, []);
  return due;
}
