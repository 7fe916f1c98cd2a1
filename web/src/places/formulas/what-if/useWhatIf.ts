import { useCallback, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../../parts/messages/Notices';
import { useDraft } from '../../../state/drafts/useDraft';
import { asPlanned, type PlannedDough, type WhatIf } from './whatIf';

/** What a person is pulling at: live while they pull, kept when they let go, and with a way back. */
export interface WhatIfState {
  readonly shown: WhatIf;
  readonly planned: WhatIf;
  readonly isChanged: boolean;
  /** While a lever moves. */
  readonly pull: (whatIf: WhatIf) => void;
  /** When it is let go. */
  readonly settle: (whatIf: WhatIf, what: string) => void;
  /** Back to how the house makes it. */
  readonly reset: () => void;
}

/** The levers of one product, kept on this device. */
export function useWhatIf(house: string, dough: PlannedDough): WhatIfState {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const { draft, keep, drop } = useDraft<WhatIf>(`what-if/${house}/${dough.product.slug}`);
  const [pulled, setPulled] = useState<WhatIf | null>(null);
  const planned = useMemo(() => asPlanned(dough), [dough]);
  // A draft of a route that has since got other stages says nothing about this one.
  const kept = draft && draft.stages.length === planned.stages.length ? draft : planned;

  const restore = useCallback(
    (before: WhatIf | undefined) => () => {
      if (before) keep(before);
      else drop();
      return Promise.resolve();
    },
    [keep, drop],
  );
  const settle = useCallback(
    (whatIf: WhatIf, what: string) => {
      setPulled(null);
      keep(whatIf);
      changed(what, restore(draft), { isQuiet: true });
    },
    [keep, changed, restore, draft],
  );
  const reset = useCallback(() => {
    setPulled(null);
    drop();
    changed(t('formulas.whatIf.wasReset'), restore(draft));
  }, [drop, changed, restore, draft, t]);

  return {
    shown: pulled ?? kept,
    planned,
    isChanged: kept !== planned,
    pull: setPulled,
    settle,
    reset,
  };
}
