import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/messages/Notices';
import { problemOf } from '../../parts/messages/problemOf';
import { problemWords } from '../../parts/messages/problemWords';
import type { Retirement } from '../../parts/retired/retirement';
import { isObject } from '../storage';
import { useDraft } from './useDraft';

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

/** What was typed into a dialog, over which version of its record; 0 is a new one. */
interface Draft<Content> {
  readonly version: number;
  readonly content: Content;
}

/** What was typed before, unless the record or what a record is made of has changed since. */
function restored<Content extends object>(
  draft: unknown,
  version: number,
  start: Content,
): Content | null {
  if (!isObject(draft) || draft['version'] !== version || !isObject(draft['content'])) return null;
  const { content } = draft;
  const isWhole = Object.keys(start).every((key) => key in content);
  return isWhole ? (content as Content) : null;
}

/**
 * Adding, changing and taking away one record in a dialog, each with its way back. What is typed is kept on the
 * device until it is saved or cancelled, also over a reload. What was refused stays open, with the reason.
 *
 * @param of what kind of record it is, among those whose dialogs keep what is typed
 * @param record null makes a new one
 * @param start what a new one begins with
 */
export function useRecordEditor<
  Content extends object,
  Stored extends { readonly id: string; readonly version: number },
>({
  house,
  of,
  record,
  start,
  contentOf,
  writes: { add, change, remove },
  retirement,
  say,
  onClose,
}: {
  readonly house: string;
  readonly of: string;
  readonly record: Stored | null;
  readonly start: () => Content;
  readonly contentOf: (record: Stored) => Content;
  readonly writes: Writes<Content, Stored>;
  /** Of records that are offered no more rather than deleted; what is on record keeps them. */
  readonly retirement?: Retirement;
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
  const {
    draft,
    keep: keepDraft,
    drop,
  } = useDraft<Draft<Content>>(`${house}/dialog/${of}/${record?.id ?? 'new'}`);
  const version = record?.version ?? 0;
  const [before] = useState(() => (record ? contentOf(record) : start()));
  const typed = restored(draft, version, before);
  const [isRestored] = useState(typed !== null);
  const content = typed ?? before;
  const put = (to: Partial<Content>) => keepDraft({ version, content: { ...content, ...to } });
  const leave = () => {
    drop();
    onClose();
  };
  const inUse = retirement ? t(`retired.needed.${retirement.kind}`) : say.inUse;
  const tried = async (work: () => Promise<void>) => {
    try {
      await work();
      leave();
    } catch (error) {
      const problem = problemOf(error);
      if (problem?.type === '/problems/stale') setWrong(t('record.stale'));
      else if (problem?.type === '/problems/in-use' && inUse) setWrong(inUse);
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
      const { id } = record;
      if (retirement) {
        await retirement.retire(id);
        changed(say.removed(record), () => retirement.bringBack(id));
        return;
      }
      await remove({ house, id }).unwrap();
      changed(say.removed(record), () => add({ house, content: contentOf(record) }).unwrap());
    });
  return {
    content,
    put,
    /** Whether it goes on from what was typed before a reload. */
    isRestored,
    /** Closes it, and what was typed is gone. */
    leave,
    keep: (content: Content) => void keep(content),
    takeOut: () => void takeOut(),
    wrong,
  };
}

/** A record without what the house keeps beside it. */
export function plainContent<Stored extends { readonly id: string; readonly version: number }>({
  id: _i,
  version: _v,
  ...content
}: Stored): Omit<Stored, 'id' | 'version'> {
  return content;
}
