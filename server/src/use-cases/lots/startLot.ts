import {
  adviseLoad,
  deriveLot,
  localDateOf,
  lotItem,
  productsOfDough,
  withMixerLine,
} from '@calm/domain';
import { ok, fail } from '@calm/core';
import type { House, HouseBook, Lot, LotStart, Product } from '@calm/contract';
import { v7 as uuid } from 'uuid';
import { activeKeyOf, findActiveLot, findLot, insertLot, takenCodes } from '../../store/lots/lots';
import { readPlan } from '../../store/plan/plans';
import type { Scope } from '../../database/scope';
import { servicesBetween } from '../demand/calendar';
import { learnedFrictions } from '../book/frictions';
import { bookOf } from '../book/losses';
import { type Result } from '../result';

/**
 * Starts a lot: freezes its recipe and counts, splits it into loads and gives it a code. Refused
 * when the same dough is under way for that date, or cannot be scaled.
 */
export async function startLot(
  scope: Scope,
  house: House,
  start: LotStart,
  now: Date,
): Promise<Result<Lot>> {
  const book = await bookOf(scope, house);
  const product = book.products.find((p) => p.id === start.productId);
  if (!product) return fail({ kind: 'not-found', what: 'product' });
  const problems = wrongIds(book, product, start);
  if (problems.length > 0) return fail({ kind: 'bad-input', errors: problems });

  const services = await servicesBetween(scope, house, { from: start.serviceDate, days: 1 }, now);
  const activeKey = activeKeyOf(product.formulaId, product.routeId, start.serviceDate);
  const underWay = await findActiveLot(scope, activeKey);
  if (underWay) return fail({ kind: 'already-started', current: underWay });

  const items = productsOfDough(book, product)
    .map((p) => lotItem(p, start.items.find((item) => item.productId === p.id)?.count ?? 0))
    .filter((item) => item.count > 0);
  const { content: plan } = await readPlan(scope);
  const { mixerId } = start;
  const derived = deriveLot(book, { product, items, services, plan, mixerId });
  if (!derived) return fail({ kind: 'not-found', what: 'service' });
  const { scaled } = derived;
  if (!scaled.ok) return fail({ kind: 'cannot-scale', reasons: scaled.reasons });

  const learned = (await learnedFrictions(scope, book)).find(
    (each) => each.mixerId === start.mixerId && each.formulaId === product.formulaId,
  );
  const setC = book.mixers.find(({ id }) => id === start.mixerId)?.frictionC ?? 0;
  const frictionC = learned?.frictionC ?? setC;
  const recipe = withMixerLine(derived.recipe, learned?.line ?? null);
  const id = uuid();
  const isWritten = await insertLot(scope, {
    lot: {
      id,
      code: await nextCode(scope, book, product, now),
      serviceDate: start.serviceDate,
      formulaId: product.formulaId,
      routeId: product.routeId,
      mixerId: start.mixerId,
      startedAt: now,
      doorsAt: new Date(derived.doorsMs),
      closeAt: new Date(derived.closeMs),
      recipe,
      planned: derived.stages,
      activeKey,
    },
    items,
    loads: scaled.value.loads.map((load, i) => ({
      number: i + 1,
      ...start.temps,
      frictionC,
      waterTempC: adviseLoad(recipe, load, start.temps, frictionC).pourTempC,
      doughOutC: null,
    })),
  });
  return isWritten
    ? ok((await findLot(scope, id)) as Lot)
    : fail({ kind: 'already-started', current: await findActiveLot(scope, activeKey) });
}

/** Ids that the schema cannot check: another house's, or another dough's. */
function wrongIds(book: HouseBook, product: Product, start: LotStart) {
  const dough = new Set(productsOfDough(book, product).map((p) => p.id));
  const wrong = (path: string, message: string) => ({ path, code: 'id.unknown', message });
  return [
    ...(book.mixers.some((m) => m.id === start.mixerId)
      ? []
      : [wrong('mixerId', 'There is no such mixer in this house.')]),
    ...start.items.flatMap((item, i) =>
      dough.has(item.productId)
        ? []
        : [wrong(`items/${i}/productId`, 'This product is not made of this dough.')],
    ),
  ];
}

/** Lots that carry one day's code were begun that day: no longer ago than this, ms. */
const SAME_DAY_MS = 36 * 60 * 60_000;

/** `YR-1124-A`: the formula's letters, the day it is mixed, and which lot of that dough and day it is. */
async function nextCode(scope: Scope, book: HouseBook, product: Product, now: Date) {
  const formula = book.formulas.find((f) => f.id === product.formulaId);
  const [, month, day] = localDateOf(now, book.house.timeZone).split('-');
  const since = new Date(now.getTime() - SAME_DAY_MS);
  const taken = await takenCodes(scope, product.formulaId, since);
  let code = '';
  for (let n = 0; code === '' || taken.has(code); n += 1)
    code = `${formula?.code}-${month}${day}-${lettersOf(n)}`;
  return code;
}

const LETTERS = 26;

/** A, B, … Z, AA, AB, … */
const lettersOf = (n: number): string =>
  (n < LETTERS ? '' : lettersOf(Math.floor(n / LETTERS) - 1)) +
  String.fromCharCode('A'.charCodeAt(0) + (n % LETTERS));
