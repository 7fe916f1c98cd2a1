import { DAY_MS, MINUTE_MS, pullWaves, usageCurve } from '@calm/core';
import type { Baking, Leftover, Lot, Opening, RecordContent } from '@calm/contract';
import { instantOf, localDateOf, weekdayOf } from '@calm/domain';
import { services, TIME_ZONE } from '../lanternYard';
import { noise } from '../noise';

/*
 * What was seen of Lantern Yard's lots: pieces on the scale, waves pulled, how balls opened and baked, what
 * was left. The weeks have their stories: a heatwave, a bad delivery of flour, a power cut.
 */

/** A record by the demo's own keys. */
export interface DemoRecord {
  readonly key: string;
  /** The demo's key of its lot. */
  readonly lot: string;
  readonly at: Date;
  /** Somebody of the crew, by name. */
  readonly by: string;
  readonly content: RecordContent;
}

const HEATWAVE = { first: 40, last: 34 };
const BAD_FLOUR = { first: 19, last: 17 };
const POWER_CUT = 12;
const PIECES = 14;
/** Ossian's hand is heavy. */
const HEAVY_G = 4;
const KEEP_MIN = 150;

/**
 * Everything on record of some lots up to now.
 *
 * @param trayOf how many balls of a product fit a tray
 * @param patternIdOf the id of a service of the week
 */
export function makeRecords(
  lots: readonly Lot[],
  now: Date,
  trayOf: (productId: string) => number,
  patternIdOf: (service: (typeof services)[number]) => string,
): DemoRecord[] {
  const today = Date.parse(localDateOf(now, TIME_ZONE));
  return lots.flatMap((lot) => {
    const daysAgo = Math.round((today - Date.parse(lot.serviceDate)) / DAY_MS);
    const made = [...pieces(lot), ...pulls(lot, trayOf, patternIdOf), ...outcomes(lot, daysAgo)];
    return made
      .filter(({ at }) => at <= now)
      .map((record, i) => ({ ...record, lot: lot.id, key: `${lot.id}/${i}` }));
  });
}

type Made = Omit<DemoRecord, 'lot' | 'key'>;

const doneAt = (lot: Lot, step: RegExp) =>
  lot.marks.find(({ stepKey }) => step.test(stepKey))?.doneAt;

function pieces(lot: Lot): Made[] {
  const balled = doneAt(lot, /-divide-ball$/);
  const [item] = lot.items;
  if (!balled || !item) return [];
  const by = noise(`${lot.id}/balls`) > 0 ? 'Ossian' : 'Tilde';
  return Array.from({ length: PIECES }, (_, i) => {
    const off = noise(`${lot.id}/piece/${i}`) * item.ballWeightG * 0.018;
    const grams = Math.round(item.ballWeightG + off + (by === 'Ossian' ? HEAVY_G : 0));
    return {
      at: new Date(Date.parse(balled) - (PIECES - i) * MINUTE_MS),
      by,
      content: { kind: 'piece', productId: item.productId, grams },
    };
  });
}

const servicesOf = (lot: Lot) =>
  services.filter(({ weekday }) => weekday === weekdayOf(lot.serviceDate));

function pulls(
  lot: Lot,
  trayOf: (productId: string) => number,
  patternIdOf: (service: (typeof services)[number]) => string,
): Made[] {
  const temper = lot.recipe.route.find(({ kind, key }) => kind === 'rest' && key === 'temper');
  if (temper?.kind !== 'rest' || !lot.recipe.route.some(({ key }) => key === 'pull')) return [];
  const open = servicesOf(lot);
  return open.flatMap((service) =>
    lot.items.flatMap((item): Made[] => {
      const lengthMin = service.endMin - service.startMin;
      const doorsMs = instantOf(lot.serviceDate, service.startMin, TIME_ZONE).getTime();
      const waves = pullWaves({
        curve: usageCurve([], lengthMin),
        balls: Math.floor(item.count / open.length),
        ballsPerTray: trayOf(item.productId),
        temperMin: temper.hours.preferred * 60,
        keepMin: KEEP_MIN,
      });
      return waves.map(({ pullMin, trays, balls }) => ({
        at: new Date(
          doorsMs + (pullMin + Math.round(4 * noise(`${lot.id}/${pullMin}`))) * MINUTE_MS,
        ),
        by: 'Wren',
        content: {
          kind: 'pulled',
          productId: item.productId,
          serviceId: `${lot.serviceDate}/${patternIdOf(service)}`,
          trays,
          balls,
        },
      }));
    }),
  );
}

function outcomes(lot: Lot, daysAgo: number): Made[] {
  const last = servicesOf(lot).at(-1);
  if (!last) return [];
  const doorsMs = Date.parse(lot.doorsAt);
  const [opened, baked, note] = storyOf(lot, daysAgo);
  const records: Made[] = [
    {
      at: new Date(doorsMs + 20 * MINUTE_MS),
      by: 'Wren',
      content: { kind: 'opened', found: opened, note },
    },
    {
      at: new Date(doorsMs + 35 * MINUTE_MS),
      by: 'Wren',
      content: { kind: 'baked', found: baked, note: '' },
    },
  ];
  const isCut = daysAgo === POWER_CUT;
  for (const item of lot.items) {
    const share = isCut ? 0.4 : 0.05 + 0.05 * noise(`${lot.id}/${item.productId}/left`);
    const left = Math.round(item.count * share);
    const leftTo: Leftover = isCut ? 'bin' : left > 4 ? 'kept' : 'staff';
    records.push({
      at: new Date(Date.parse(lot.closeAt) + 10 * MINUTE_MS),
      by: 'Bashir',
      content: {
        kind: 'used',
        productId: item.productId,
        used: item.count - left,
        left,
        leftTo,
        note: isCut ? `Dark from 19:20, ${last.name.toLowerCase()} ended early.` : '',
      },
    });
  }
  return records;
}

/** How a lot's balls turned out, and what is said of it. */
function storyOf({ id }: Lot, daysAgo: number): [Opening, Baking, string] {
  if (daysAgo <= HEATWAVE.first && daysAgo >= HEATWAVE.last) {
    return ['sticks', 'pale', 'Kitchen like an oven; balls ran ahead all evening.'];
  }
  if (daysAgo <= BAD_FLOUR.first && daysAgo >= BAD_FLOUR.last) {
    return ['tears', 'well', 'The delivery of these days: same water, much weaker.'];
  }
  if (daysAgo === POWER_CUT) return ['slack', 'pale', 'Walk-in was off for three hours.'];
  const luck = noise(`${id}/opened`);
  if (luck > 0.93) return ['springs-back', 'blistered', 'Pulled late.'];
  if (luck < -0.96) return ['slack', 'gummy', ''];
  return ['well', 'well', ''];
}
