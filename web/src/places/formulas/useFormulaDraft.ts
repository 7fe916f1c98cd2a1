import type { FormulaContent, FormulaRecord } from '@calm/contract';
import type { Formula } from '@calm/core';
import { useCallback } from 'react';
import { useNotices } from '../../parts/Notices';
import { useDraft } from '../../state/useDraft';

/** A formula while it is edited: kept on this device until it is saved as a version. */
export interface FormulaDraft {
  readonly content: FormulaContent;
  /** The version it was made from. */
  readonly from: number;
  readonly isChanged: boolean;
  /** Changes it, with a way back. */
  readonly change: (to: Partial<FormulaContent>, what: string) => void;
  readonly changeFormula: (formula: Formula, what: string) => void;
  /** Lets it go: the version in the book stands. */
  readonly drop: () => void;
}

interface Kept {
  readonly from: number;
  readonly content: FormulaContent;
}

/** What a person edits of a formula. */
export function contentOf(record: FormulaContent): FormulaContent {
  const { name, formula, doughTempC, method, mixerId } = record;
  return { name, formula, doughTempC, method, mixerId };
}

/** The draft of a formula of the book. */
export function useFormulaDraft(house: string, record: FormulaRecord): FormulaDraft {
  const { changed } = useNotices();
  const { draft, keep, drop } = useDraft<Kept>(`formula/${house}/${record.slug}`);
  const content = draft?.content ?? contentOf(record);
  const from = draft?.from ?? record.version;

  const change = useCallback(
    (to: Partial<FormulaContent>, what: string) => {
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
  const changeFormula = useCallback(
    (formula: Formula, what: string) => change({ formula }, what),
    [change],
  );
  return { content, from, isChanged: draft !== undefined, change, changeFormula, drop };
}
