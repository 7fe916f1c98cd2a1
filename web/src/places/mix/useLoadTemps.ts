import type { LoadChange, LoadRecord, LoadTemps } from '@calm/contract';
import { useDraftedWrite } from '../../state/useDraftedWrite';
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
  const [changeLoad] = useChangeLoadMutation();
  const { write, stale, settle } = useWrite((change: LoadChange) =>
    changeLoad({ house, lotId: lot?.id ?? '', number, change }).unwrap(),
  );
  const saved: LoadWords = record ? wordsOf(record) : { ...sheet.previewTemps, doughOutC: null };
  const typed = useDraftedWrite<LoadWords, Pick<LoadRecord, 'version'>>(
    `load/${house}/${lot?.id ?? ''}/${number}`,
    record ?? NOT_STARTED,
    (words, version) => write({ ...words, version }),
  );
  const temps = record ? (typed.draft ?? saved) : saved;

  return {
    temps,
    frictionC: record?.frictionC ?? sheet.friction.frictionC,
    write: (change) => {
      const next = { ...temps, ...change };
      if (record) void typed.put(next);
      else {
        const { doughOutC: _none, ...preview } = next;
        sheet.setPreviewTemps(preview);
      }
    },
    stale,
    keepTheirs: () => {
      settle();
      typed.drop();
    },
    useMine: () => {
      if (stale) void typed.put(wordsOf(stale.mine), stale.theirs.version);
    },
  };
}

/** A load that the house does not have yet. */
const NOT_STARTED = { version: 0 };

function wordsOf(load: LoadWords): LoadWords {
  const { roomTempC, flourTempC, tapTempC, prefermentTempC, doughOutC } = load;
  return { roomTempC, flourTempC, tapTempC, prefermentTempC, doughOutC };
}
