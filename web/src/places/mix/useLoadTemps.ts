import type { LoadChange, LoadRecord, LoadTemps } from '@calm/contract';
import { useDraft } from '../../state/useDraft';
import { useWrite } from '../../state/useWrite';
import { useChangeLoadMutation } from './mixApi';
import type { Sheet } from './useSheet';

/** What the person writes about a load. */
export interface LoadWords extends LoadTemps {
  readonly doughOutC: number | null;
}

/** One load's temperatures: shown, written, and settled when two people wrote. */
export interface LoadTempsState {
  readonly temps: LoadWords;
  readonly frictionC: number;
  readonly write: (change: Partial<LoadWords>) => void;
  readonly stale: { theirs: LoadRecord; mine: LoadChange } | null;
  readonly keepTheirs: () => void;
  readonly useMine: () => void;
}

/** Reads and writes one load; before the lot is started, the sheet's own preview. */
export function useLoadTemps(house: string, sheet: Sheet, number: number): LoadTempsState {
  const lot = sheet.boardLot.lot;
  const record = lot?.loads.find((load) => load.number === number);
  const { draft, keep, drop } = useDraft<LoadWords>(`load/${house}/${lot?.id ?? ''}/${number}`);
  const [changeLoad] = useChangeLoadMutation();
  const { write, stale, settle } = useWrite((change: LoadChange) =>
    changeLoad({ house, lotId: lot?.id ?? '', number, change }).unwrap(),
  );
  const saved: LoadWords = record ? wordsOf(record) : { ...sheet.previewTemps, doughOutC: null };
  const temps = record ? (draft ?? saved) : saved;

  const save = async (words: LoadWords, version: number) => {
    keep(words);
    if (await write({ ...words, version })) drop();
  };
  return {
    temps,
    frictionC: record?.frictionC ?? sheet.friction.frictionC,
    write: (change) => {
      const next = { ...temps, ...change };
      if (record) void save(next, record.version);
      else {
        const { doughOutC: _none, ...preview } = next;
        sheet.setPreviewTemps(preview);
      }
    },
    stale,
    keepTheirs: () => {
      settle();
      drop();
    },
    useMine: () => {
      if (stale) void save(wordsOf(stale.mine), stale.theirs.version);
    },
  };
}

function wordsOf(load: LoadWords): LoadWords {
  const { roomTempC, flourTempC, tapTempC, prefermentTempC, doughOutC } = load;
  return { roomTempC, flourTempC, tapTempC, prefermentTempC, doughOutC };
}
