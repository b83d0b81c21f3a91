import { useCallback, useEffect, useState } from 'react';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { getJson } from '../../ground/api/http.ts';

/** What stands at an address of the API, fetched again on demand. */
export function useFetched<T>(path: string): {
  readonly data: T | null;
  readonly problem: string | null;
  readonly again: () => void;
} {
  const [data, setData] = useState<T | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const again = useCallback(() => {
    getJson<T>(path).then(
      (reply) => {
        setData(reply);
        setProblem(null);
      },
      (error: unknown) => setProblem(sentenceOf(error)),
    );
  }, [path]);
  useEffect(again, [again]);
  return { data, problem, again };
}
