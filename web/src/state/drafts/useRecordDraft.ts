import { useCallback } from 'react';
import { useNotices } from '../../parts/messages/Notices';
import { useDraft } from './useDraft';

/** A record while it is edited: kept on this device until it is saved. */
export interface RecordDraft<Content> {
  readonly content: Content;
  /** The version it was made from. */
  readonly from: number;
  readonly isChanged: boolean;
  /** Changes it, with a way back. */
  readonly change: (to: Partial<Content>, what: string) => void;
  /** Lets it go: what the house has stands. */
  readonly drop: () => void;
}

interface Stored<Content> {
  readonly from: number;
  readonly content: Content;
}

/**
 * The draft of a record.
 *
 * @param key of this record on this device
 * @param saved as the house has it now
 */
export function useRecordDraft<Content>(
  key: string,
  saved: { readonly version: number; readonly content: Content },
): RecordDraft<Content> {
  const { changed } = useNotices();
  const { draft, keep, drop } = useDraft<Stored<Content>>(key);
  const content = draft?.content ?? saved.content;
  const from = draft?.from ?? saved.version;

  const change = useCallback(
    (to: Partial<Content>, what: string) => {
      keep({ from, content: { ...content, ...to } });
      const undo = () => {
        if (draft) keep(draft);
        else drop();
        return Promise.resolve();
      };
      changed(what, undo, { isQuiet: true });
    },
    [keep, drop, changed, draft, content, from],
  );
  return { content, from, isChanged: draft !== undefined, change, drop };
}
