import { useEffect, useState } from 'react';
import { useProject } from './open-project.ts';

/** The worker's answer about the project as it is now; null until it comes. Asked again when the project or the question changes. */
export function useAsked<Q extends string, T>(ask: (question: Q) => Promise<T | null>, question: Q | null): T | null {
  const project = useProject();
  const [answer, setAnswer] = useState<T | null>(null);
  useEffect(() => {
    if (question === null) return;
    let isStale = false;
    void ask(question).then((found) => {
      if (!isStale) setAnswer(found);
    });
    return () => {
      isStale = true;
    };
  }, [ask, question, project]);
  return question === null ? null : answer;
}
