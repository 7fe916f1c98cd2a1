import type { HouseBook } from '@calm/contract';
import type { PastEvening } from '@calm/domain';
import { api } from '../../../../state/api/api';
import { practiceWorker } from '../../../../workers/practice/practice';

/** Reads how the doughs of past evenings went from the log. */
export function useAsItWent(house: string, book: HouseBook) {
  const [askLots] = api.useLazyLotsQuery();
  const [askLog] = api.useLazyLotLogQuery();
  return async (past: PastEvening): Promise<PastEvening> => {
    const lots = await askLots({ house, from: past.service.date, days: 1 }, true).unwrap();
    const logs = await Promise.all(
      lots.map(({ id }) => askLog({ house, lotOrCode: id }, true).unwrap()),
    );
    const coldBy = past.coldBy ?? 0;
    return { ...past, doughs: await practiceWorker().doughsAsTheyWent({ book, logs, coldBy }) };
  };
}
