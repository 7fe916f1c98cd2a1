import type { AdviceQuestion } from '../advise';
import { pointBetween, simulate, STANDARD_TARGET, type DoughStage } from '../ferment';
import { ball, bulk, leanAt, yard } from './doughs';

const walkIn = { name: 'walk-in', airTempC: 4, container: 'lidded-tray' } as const;
const cellar = { name: 'cellar', airTempC: 14, container: 'lidded-tray' } as const;
const bench = { name: 'bench', airTempC: 23, container: 'lidded-tray' } as const;
const cabinet = { name: 'cabinet', airTempC: 30, container: 'lidded-tray' } as const;
const all = [walkIn, cellar, bench, cabinet];

type Waiting = AdviceQuestion & { readonly name: string };
const waiting = (
  name: string,
  yeastPercent: number,
  stages: readonly DoughStage[],
  nowHour: number,
  services: AdviceQuestion['services'],
  more: Partial<AdviceQuestion> = {},
): Waiting => ({
  name,
  route: {
    ...yard,
    formula: { ...leanAt(yeastPercent), waterPercent: 62, saltPercent: 2.4 },
    stages,
  },
  nowHour,
  services,
  places: all,
  ...more,
});
const service = (startHour: number, hours: number, balls: number) => ({
  startHour,
  endHour: startHour + hours,
  balls,
});

/** Twenty situations at the bench: dough that waits, early or late, warm or cold, for one service or for two. */
export const WAITING: readonly Waiting[] = [
  waiting('as planned', 0.3, [bulk(2, 22, 10), ball(40, 4), ball(3, 23)], 42, [service(45, 4, 80)]),
  waiting('warm, hours too early', 1, [ball(8, 26)], 1.5, [service(9, 3, 60)]),
  waiting('warm and near its peak, service late', 0.6, [ball(9, 24)], 5, [service(10, 3, 60)]),
  waiting('over-proofed on the bench', 1.2, [ball(9, 25)], 6, [service(10, 3, 60)]),
  waiting('weak yeast, service soon', 0.15, [bulk(1, 20, 10), ball(7, 20)], 5, [service(9, 3, 60)]),
  waiting('cold, to be pulled too late', 0.25, [bulk(2, 22, 10), ball(44, 4), ball(1, 20)], 40, [
    service(46, 3, 60),
  ]),
  waiting('cold, to be pulled too soon', 0.6, [bulk(2, 24, 10), ball(20, 5), ball(6, 26)], 22, [
    service(28, 4, 60),
  ]),
  waiting('a hot kitchen', 0.4, [ball(8, 33)], 2, [service(8, 3, 60)]),
  waiting('a cold kitchen', 0.4, [ball(6, 15)], 2, [service(6, 3, 60)]),
  waiting('lunch and dinner from one lot', 0.5, [ball(6, 24)], 3, [
    service(6, 2, 30),
    service(11, 4, 50),
  ]),
  waiting('dinner off, wanted tomorrow', 0.5, [ball(7, 24)], 5, [service(30, 3, 60)]),
  waiting('bulk that runs ahead', 0.8, [bulk(4, 26, 12), ball(3, 24)], 3, [service(10, 3, 60)]),
  waiting('bulk that lags', 0.15, [bulk(6, 18, 12), ball(3, 20)], 5, [service(9, 3, 60)]),
  waiting('a power cut warmed the walk-in', 0.5, [bulk(1, 23, 10), ball(30, 11)], 20, [
    service(31, 3, 60),
  ]),
  waiting('pulled by mistake a day early', 0.3, [bulk(2, 22, 10), ball(16, 4), ball(8, 23)], 20, [
    service(45, 3, 60),
  ]),
  waiting(
    'seen over-proofed',
    0.4,
    [bulk(2, 22, 10), ball(20, 5), ball(6, 24)],
    24,
    [service(29, 3, 60)],
    {
      trouble: 'over-proofed',
    },
  ),
  waiting('seen ahead', 0.4, [bulk(1, 22, 10), ball(7, 23)], 4, [service(9, 3, 60)], {
    trouble: 'ahead',
  }),
  waiting('seen behind', 0.4, [bulk(1, 22, 10), ball(7, 23)], 4, [service(8, 3, 60)], {
    trouble: 'behind',
  }),
  waiting('only a walk-in', 0.7, [ball(9, 25)], 3, [service(10, 2, 40)], { places: [walkIn] }),
  waiting(
    'wanted in half an hour, still cold',
    0.4,
    [bulk(2, 23, 10), ball(30, 4), ball(2, 22)],
    31,
    [service(31.5, 4, 80)],
  ),
];

/** Balls that open well on a way, found without anything of what is tested: each quarter of an hour by itself. */
export function ballsOn(question: AdviceQuestion, stages: readonly DoughStage[]): number {
  const { route, services, nowHour, target = STANDARD_TARGET } = question;
  const way = simulate({ ...route, stages }, { target, stepMin: 5 });
  if (!way.ok) return NaN;
  const { course, kinds } = way.value;
  let balls = 0;
  for (const { startHour, endHour, balls: wanted } of services) {
    const quarters = Math.round((endHour - startHour) * 4);
    for (let i = 0; i < quarters; i += 1) {
      const hour = startHour + (i + 0.5) / 4;
      if (hour < nowHour) continue;
      balls += (wanted / quarters) * pointBetween(course, hour, target, kinds).odds;
    }
  }
  return balls;
}
