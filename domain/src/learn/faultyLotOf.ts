import type { Fault } from '@calm/core';
import type { FaultyLotDocument, LotRecord } from '@calm/contract';
import { HOUR_MS, risenBy, workOf, stageKey } from '@calm/core';
import { currentRecords } from '../lots/currentRecords';
import type { BoardLot } from '../lots/lotBoard';
import { doughAsPlanned, stagesAsTheyWere } from '../lots/lotHistory';

const INGREDIENTS = ['yeast', 'salt', 'water'] as const;
/** A core temperature taken so near to the opening is that of the opening, h. */
const AT_OPENING_H = 1;

/**
 * A lot's record as the engine looks in it for what was behind a fault: its plan, and what was weighed, measured and
 * seen. Hours count from when it really came off the mixer.
 *
 * @param records of that lot, corrected ones among them
 * @returns null for a lot that is not mixed by its route
 */
export function faultyLotOf(
  lot: BoardLot,
  records: readonly LotRecord[],
  prefermentTempC: number,
): FaultyLotDocument | null {
  const plan = doughAsPlanned(lot, lot.product, prefermentTempC);
  if (!plan) return null;
  const was = stagesAsTheyWere(lot);
  const mixedMs =
    was[lot.stages.findIndex((stage) => stage.kind === 'work' && stage.key === 'mix')]?.endMs ??
    plan.mixedMs;
  const hourOf = (at: string) => (Date.parse(at) - mixedMs) / HOUR_MS;
  const inTime = ({ hour }: { readonly hour: number }) => hour >= 0;
  const readings = [
    ...currentRecords(records, 'core').map(({ at, content }) => ({
      hour: hourOf(at),
      coreTempC: content.coreTempC,
    })),
    ...currentRecords(records, 'looked').flatMap(({ at, content: { coreTempC } }) =>
      coreTempC === null ? [] : [{ hour: hourOf(at), coreTempC }],
    ),
  ].filter(inTime);
  const opened = currentRecords(records, 'opened').at(-1);
  const openedHour = opened ? hourOf(opened.at) : null;
  const near = readings.find(
    ({ hour }) => openedHour !== null && Math.abs(hour - openedHour) <= AT_OPENING_H,
  );
  const shaping = workOf(lot.stages).find(({ key }) => key === 'divide-ball' || key === 'pan');
  const shapedAt = lot.lot?.marks.find(
    ({ loadNumber, stepKey }) =>
      loadNumber === 0 && shaping !== undefined && stepKey === stageKey(shaping),
  )?.doneAt;
  const [first] = lot.lot?.loads ?? [];
  const told = (check: 'stretch' | 'skin' | 'smell') =>
    currentRecords(records, 'checked')
      .map(({ content }) => content)
      .findLast((content) => content.check === check)?.answer;
  return {
    dough: plan.document,
    weighed: INGREDIENTS.flatMap((ingredient) => {
      const own = (lot.lot?.weighed ?? []).filter(({ content }) => content.key === ingredient);
      const sum = (of: 'grams' | 'wantedG') =>
        own.reduce((all, { content }) => all + content[of], 0);
      return own.length === 0 ? [] : [{ ingredient, grams: sum('grams'), wantedG: sum('wantedG') }];
    }),
    scaleStepG: lot.recipe.settings.scaleReadabilityG.yeast,
    ...(first && { waterTempC: first.waterTempC }),
    readings,
    marks: currentRecords(records, 'risen')
      .map(({ at, content: { on, from, now } }) => ({
        hour: hourOf(at),
        rise: risenBy(on, from, now),
      }))
      .filter(inTime),
    ...(openedHour !== null &&
      openedHour >= 0 && {
        opened: { hour: openedHour, ...(near && { coreTempC: near.coreTempC }) },
      }),
    ...(shapedAt && { shapedHour: Math.max(0, hourOf(shapedAt)) }),
    checks: {
      ...(told('stretch') && { tears: told('stretch') === 'tears' }),
      ...(told('skin') && { drySkin: told('skin') === 'dry' }),
      ...(told('smell') && { alcohol: told('smell') === 'alcohol' }),
    },
    pieces: currentRecords(records, 'piece')
      .filter(({ content }) => content.productId === lot.product.id && content.grams > 1)
      .map(({ content }) => content.grams),
  };
}

/** The fault that an outcome is. */
const FAULT_OF: Readonly<Record<string, Fault>> = {
  tears: 'tears',
  'springs-back': 'springs-back',
  sticks: 'sticky-slack',
  slack: 'sticky-slack',
  pale: 'pale',
  blistered: 'dark-blistered',
  gummy: 'gummy',
  blown: 'big-bubbles',
};

/** The faults that a lot's outcomes say it had. */
export function faultsOf(records: readonly LotRecord[]): Fault[] {
  const found = [
    currentRecords(records, 'opened').at(-1)?.content.found,
    currentRecords(records, 'baked').at(-1)?.content.found,
  ];
  return [...new Set(found.flatMap((each) => (each ? (FAULT_OF[each] ?? []) : [])))];
}
