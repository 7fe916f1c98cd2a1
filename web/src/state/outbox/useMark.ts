import type { Lot, MarkChange } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/messages/Notices';
import { markOf } from './outboxLots';
import { useOutboxItems, useWaiting } from './useOutboxItems';

/** How a step stands, and what a person can do to it. */
export interface StepTick {
  readonly isDone: boolean;
  readonly startedAt: string | null;
  readonly doneAt: string | null;
  readonly skippedWhy: string | null;
  readonly extraMin: number;
  readonly personId: string | null;
  /** Done here, and not in the house yet. */
  readonly isSending: boolean;
  readonly toggle: (isDone: boolean) => void;
  readonly start: () => void;
  /** Gives it more minutes. */
  readonly more: (minutes: number) => void;
  readonly skip: (why: string) => void;
  /** Hands it to somebody; null goes back to the plan. */
  readonly handTo: (personId: string | null, name: string) => void;
}

/**
 * A step's mark: read, set, taken back. A tick that someone else made first is simply shown.
 *
 * @param doneWords what is said when it is done, where that is more than the step's title
 */
export function useMark(
  house: string,
  lot: Lot | null,
  loadNumber: number,
  stepKey: string,
  title: string,
  doneWords: string = '',
): StepTick {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const post = useOutboxItems(house);
  const waiting = useWaiting(house);
  const mark = markOf(lot, loadNumber, stepKey);
  const { startedAt, doneAt, skippedWhy, extraMin, personId, version } = mark;
  const isSending = waiting.some(
    ({ command, refusal }) =>
      !refusal &&
      command.kind === 'mark' &&
      command.lotId === lot?.id &&
      command.loadNumber === loadNumber &&
      command.stepKey === stepKey,
  );
  const put = (
    words: string,
    change: Omit<MarkChange, 'version'>,
    back: Omit<MarkChange, 'version'>,
  ) => {
    if (!lot) return;
    const send = (over: number, to: Omit<MarkChange, 'version'>) => {
      const command = { lotId: lot.id, loadNumber, stepKey, change: { ...to, version: over } };
      post({ kind: 'mark', ...command }, `${lot.code}: ${words}`);
    };
    send(version, change);
    changed(words, () => {
      send(version + 1, back);
      return Promise.resolve();
    });
  };
  return {
    isDone: doneAt !== null,
    startedAt,
    doneAt,
    skippedWhy,
    extraMin,
    personId,
    isSending,
    toggle: (isDone) =>
      put(
        isDone && doneWords ? doneWords : t(isDone ? 'mark.ticked' : 'mark.unticked', { title }),
        { isDone },
        // Taken back as it was: a step that was done at four is done at four again.
        { isDone: !isDone, ...(!isDone && doneAt && { at: doneAt }) },
      ),
    start: () => put(t('mark.started', { title }), { isStarted: true }, { isStarted: false }),
    more: (minutes) =>
      put(
        t('mark.more', { title, count: minutes }),
        { extraMin: extraMin + minutes },
        { extraMin },
      ),
    skip: (why) => put(t('mark.skipped', { title, why }), { skippedWhy: why }, { isDone: false }),
    handTo: (to, name) => put(t('mark.handed', { title, name }), { personId: to }, { personId }),
  };
}
