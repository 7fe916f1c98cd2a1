import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/messages/Notices';
import { problemOf } from '../../parts/messages/problemOf';
import { problemWords } from '../../parts/messages/problemWords';

interface Unwrapped<Stored> {
  readonly unwrap: () => Promise<Stored>;
}

/** The three writes of a shelf, as the mutations of its records. */
interface Writes<Content, Stored> {
  readonly add: (sent: { house: string; content: Content }) => Unwrapped<Stored>;
  readonly change: (sent: {
    house: string;
    id: string;
    change: { version: number; content: Content };
  }) => Unwrapped<Stored>;
  readonly remove: (sent: { house: string; id: string }) => Unwrapped<Stored>;
}

/**
 * Adding, changing and taking away one record in a dialog, each with its way back. What was refused stays
 * open, with the reason.
 *
 * @param record null makes a new one
 */
export function useRecordEditor<
  Content,
  Stored extends { readonly id: string; readonly version: number },
>({
  house,
  record,
  contentOf,
  writes: { add, change, remove },
  say,
  onClose,
}: {
  readonly house: string;
  readonly record: Stored | null;
  readonly contentOf: (record: Stored) => Content;
  readonly writes: Writes<Content, Stored>;
  readonly say: {
    readonly kept: (record: Stored) => string;
    readonly removed: (record: Stored) => string;
    /** Why it cannot go while something uses it; absent where nothing can. */
    readonly inUse?: string;
  };
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const [wrong, setWrong] = useState<string | null>(null);
  const tried = async (work: () => Promise<void>) => {
    try {
      await work();
      onClose();
    } catch (error) {
      const problem = problemOf(error);
      if (problem?.type === '/problems/stale') setWrong(t('record.stale'));
      else if (problem?.type === '/problems/in-use' && say.inUse) setWrong(say.inUse);
      else setWrong(problemWords(t, error));
    }
  };
  const keep = (content: Content) =>
    tried(async () => {
      if (!record) {
        const kept = await add({ house, content }).unwrap();
        changed(say.kept(kept), () => remove({ house, id: kept.id }).unwrap());
        return;
      }
      const { id, version } = record;
      const kept = await change({ house, id, change: { version, content } }).unwrap();
      const before = { version: kept.version, content: contentOf(record) };
      changed(say.kept(kept), () => change({ house, id, change: before }).unwrap());
    });
  const takeOut = () =>
    tried(async () => {
      if (!record) return;
      await remove({ house, id: record.id }).unwrap();
      changed(say.removed(record), () => add({ house, content: contentOf(record) }).unwrap());
    });
  return { keep: (content: Content) => void keep(content), takeOut: () => void takeOut(), wrong };
}

/** A record without what the house keeps beside it. */
export function plainContent<Stored extends { readonly id: string; readonly version: number }>({
  id: _i,
  version: _v,
  ...content
}: Stored): Omit<Stored, 'id' | 'version'> {
  return content;
}
