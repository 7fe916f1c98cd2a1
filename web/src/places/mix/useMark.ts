import type { Lot, Mark } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/Notices';
import { useMarkMutation } from '../../state/api';
import { useWrite } from '../../state/useWrite';

/** A step's tick: read, set, taken back. A tick that someone else made first is simply shown. */
export function useMark(
  house: string,
  lot: Lot | null,
  loadNumber: number,
  stepKey: string,
  title: string,
): { mark: Mark | undefined; toggle: (isDone: boolean) => void; isSending: boolean } {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const [change] = useMarkMutation();
  const mark = lot?.marks.find((m) => m.loadNumber === loadNumber && m.stepKey === stepKey);
  const send = (next: { isDone: boolean; version: number }) =>
    change({ house, lotId: lot?.id ?? '', loadNumber, stepKey, change: next }).unwrap();
  const { write, isSending } = useWrite(send);
  const toggle = async (isDone: boolean) => {
    const saved = await write({ isDone, version: mark?.version ?? 0 });
    if (!saved) return;
    changed(t(isDone ? 'mix.steps.ticked' : 'mix.steps.unticked', { title }), () =>
      send({ isDone: !isDone, version: saved.version }),
    );
  };
  return { mark, toggle: (isDone) => void toggle(isDone), isSending };
}
