import { STANDARD_TARGET, type DoughRoute } from '../ferment';
import type { Evening, EveningTray } from '../practice';

const ROUTE: DoughRoute = {
  formula: {
    flours: [{ name: 'strong white', percent: 100, strengthW: 280 }],
    waterPercent: 62,
    saltPercent: 2.6,
    yeast: { form: 'fresh', percent: 0.45 },
  },
  ballWeightG: 275,
  doughTempC: 24,
  stages: [
    { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 20 },
    { kind: 'ball', hours: 20, airTempC: 4, container: 'lidded-tray' },
  ],
};

/** So many trays that are alike. */
export const alikeTrays = (tray: EveningTray, count: number): EveningTray[] =>
  Array.from({ length: count }, () => tray);

/** Four trays of one dough, some thirty guests, a bench so warm. */
export const practisedEvening = (benchC: number): Evening => ({
  doorsMin: 120,
  hands: 1,
  hasMixer: true,
  cold: { name: 'Walk-in', airTempC: 4, container: 'lidded-tray' },
  bench: { name: 'Bench', airTempC: benchC, container: 'lidded-tray' },
  doughs: [
    {
      route: ROUTE,
      target: STANDARD_TARGET,
      trays: alikeTrays({ route: ROUTE, balls: 12, nights: 0 }, 4),
      ballsPerTray: 12,
      perQuarter: [0, 1, 2, 4, 5, 6, 5, 4, 2, 2, 1, 1],
    },
  ],
});
