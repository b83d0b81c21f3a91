import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** What a link asks for by a parameter of the address, until it is answered: then the parameter is taken out. */
export function useAskedByLink(name: string): readonly [string | null, () => void] {
  const [params, setParams] = useSearchParams();
  const asked = params.get(name);
  const answered = useCallback(() => {
    if (asked === null) return;
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        next.delete(name);
        return next;
      },
      { replace: true },
    );
  }, [asked, name, setParams]);
  return [asked, answered];
}
