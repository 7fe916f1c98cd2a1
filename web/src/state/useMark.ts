import type { Lot } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../parts/Notices';
import { useMarkMutation } from './api';
import { useWrite } from './useWrite';

/** A step's tick as a person sees it. */
export interface StepTick {
  /** As sent while it is on its way, as the house has it otherwise. */
  readonly isDone: boolean;
  /** When the house took it, ISO. */
  readonly doneAt: string | null;
  readonly isSending: boolean;
  readonly toggle: (isDone: boolean) => void;
}

/** A step's tick: read, set, taken back. A tick that someone else made first is simply shown. */
export function useMark(
  house: string,
  lot: Lot | null,
  loadNumber: number,
  stepKey: string,
  title: string,
): StepTick {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const [change] = useMarkMutation();
  const mark = lot?.marks.find((m) => m.loadNumber === loadNumber && m.stepKey === stepKey);
  const send = (next: { isDone: boolean; version: number }) =>
    change({ house, lotId: lot?.id ?? '', loadNumber, stepKey, change: next }).unwrap();
  const { write, isSending } = useWrite(send);
  const [wanted, setWanted] = useState(false);
  const toggle = async (isDone: boolean) => {
    setWanted(isDone);
    const saved = await write({ isDone, version: mark?.version ?? 0 });
    if (!saved) return;
    changed(t(isDone ? 'mix.steps.ticked' : 'mix.steps.unticked', { title }), () =>
      send({ isDone: !isDone, version: saved.version }),
    );
  };
  const doneAt = mark?.doneAt ?? null;
  return {
    isDone: isSending ? wanted : doneAt !== null,
    doneAt,
    isSending,
    toggle: (isDone) => void toggle(isDone),
  };
}
