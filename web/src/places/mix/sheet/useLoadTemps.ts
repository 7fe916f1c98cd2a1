import type { LoadTemps } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useOutboxItems } from '../../../state/outbox/useOutboxItems';
import type { Sheet } from './useSheet';

/** What the person writes about a load. */
interface LoadWords extends LoadTemps {
  readonly doughOutC: number | null;
}

/** One load's temperatures: shown, and written. */
export interface LoadTempsState {
  readonly temps: LoadWords;
  readonly frictionC: number;
  readonly write: (change: Partial<LoadWords>) => void;
}

/** Reads and writes one load; before the lot is started, the sheet's own preview. */
export function useLoadTemps(house: string, sheet: Sheet, number: number): LoadTempsState {
  const { t } = useTranslation();
  const { lot } = sheet.boardLot;
  const record = lot?.loads.find((load) => load.number === number);
  const post = useOutboxItems(house);
  const temps: LoadWords = record ? wordsOf(record) : { ...sheet.previewTemps, doughOutC: null };
  return {
    temps,
    frictionC: record?.frictionC ?? sheet.friction.frictionC,
    write: (change) => {
      const next = { ...temps, ...change };
      if (lot && record) {
        const command = { number, lotId: lot.id, change: { ...next, version: record.version } };
        post({ kind: 'load', ...command }, t('mix.water.written', { code: lot.code, number }));
      } else {
        const { doughOutC: _none, ...preview } = next;
        sheet.setPreviewTemps(preview);
      }
    },
  };
}

function wordsOf(load: LoadWords): LoadWords {
  const { roomTempC, flourTempC, tapTempC, prefermentTempC, doughOutC } = load;
  return { roomTempC, flourTempC, tapTempC, prefermentTempC, doughOutC };
}
