import { useEffect, useRef, useState } from 'react';

/**
 * The answer to the newest question. While one is being answered only the newest of those that come
 * is kept, so that a drag never queues up behind itself.
 *
 * @param ask must be stable
 * @param question null asks nothing
 */
export function useLatest<Question, Answer>(
  ask: (question: Question) => Promise<Answer>,
  question: Question | null,
): { readonly question: Question; readonly answer: Answer } | null {
  const [latest, setLatest] = useState<{ question: Question; answer: Answer } | null>(null);
  const waiting = useRef<Question | null>(null);
  const isAsking = useRef(false);

  useEffect(() => {
    waiting.current = question;
    if (isAsking.current) return;
    const next = async () => {
      isAsking.current = true;
      try {
        for (let asked = waiting.current; asked !== null; asked = waiting.current) {
          waiting.current = null;
          const answer = await ask(asked);
          setLatest({ question: asked, answer });
        }
      } finally {
        isAsking.current = false;
      }
    };
    void next();
  }, [ask, question]);

  return latest;
}
