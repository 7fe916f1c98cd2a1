import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/messages/Notices';
import { problemOf } from '../../parts/messages/problemOf';
import { problemWords } from '../../parts/messages/problemWords';

/** What two people disagree about: what the house has now, and what was sent here. */
export interface Disagreement<Theirs, Mine> {
  readonly theirs: Theirs;
  readonly mine: Mine;
}

/**
 * Sends one kind of change and keeps what comes of it: a disagreement to be settled by the person,
 * or a notice that it is not saved yet.
 *
 * @param onRefused when whoever is signed in may not do this
 * @param send resolves when the house has acknowledged, rejects with the request's error
 */
export function useWrite<Mine, Theirs>(
  send: (mine: Mine) => Promise<Theirs>,
  onRefused?: () => void,
) {
  const { t } = useTranslation();
  const { failed } = useNotices();
  const [stale, setStale] = useState<Disagreement<Theirs, Mine> | null>(null);
  const [isSending, setSending] = useState(false);

  const write = async (mine: Mine): Promise<Theirs | null> => {
    setSending(true);
    try {
      const saved = await send(mine);
      setStale(null);
      return saved;
    } catch (error) {
      const problem = problemOf<Theirs>(error);
      if (problem?.type === '/problems/stale') {
        setStale({ theirs: problem.current as Theirs, mine });
      } else if (!problem) failed(t('errors.notSaved'));
      else if (problem.status === 404) failed(`${t('errors.gone')}. ${t('errors.goneHow')}`);
      else failed(problemWords(t, error));
      // Whoever may not, cannot send it later either: the page goes back to what the house has.
      if (problem?.status === 403) onRefused?.();
      return null;
    } finally {
      setSending(false);
    }
  };
  return { write, stale, settle: () => setStale(null), isSending };
}
