import { emptyMark, leadProducts } from '@calm/domain';
import type { LoadRecord, Lot, MarkChange } from '@calm/contract';
import { exampleBook, exampleLot } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import {
  outboxSlice,
  posted,
  delivered,
  refused,
  insisted,
  type OutboxCommand,
  type OutboxItem,
} from './outbox';
import { lotsWithOutboxItems, markOf, recordsWithOutboxItems } from './outboxLots';
import { insistedOn } from './useOutboxItems';

const book = exampleBook();
const [product] = leadProducts(book);
if (!product) throw new Error('the demo has a product');
const load: LoadRecord = {
  number: 1,
  version: 1,
  roomTempC: 22,
  flourTempC: 21,
  tapTempC: 14,
  prefermentTempC: null,
  frictionC: 15,
  waterTempC: 17,
  doughOutC: null,
};
const lot = exampleLot(book, product, { loads: [load] });
const AT = '2026-11-26T10:00:00.000Z';
let made = 0;
const item = (command: OutboxCommand, change: Partial<OutboxItem> = {}): OutboxItem => ({
  id: String((made += 1)),
  house: 'yard',
  personId: 'tilde',
  sessionId: 'this-morning',
  at: AT,
  words: '',
  command,
  refusal: null,
  ...change,
});
const mark = (change: Omit<MarkChange, 'version'>, version = 0): OutboxCommand => ({
  kind: 'mark',
  lotId: lot.id,
  loadNumber: 1,
  stepKey: 'mix',
  change: { at: AT, version, ...change },
});
const after = (...items: OutboxItem[]) => lotsWithOutboxItems([lot], items)[0] as Lot;
const refusal = {
  type: '/problems/stale',
  title: '',
  status: 409,
  detail: '',
  requestId: '',
  current: { ...emptyMark(1, 'mix'), version: 4 },
} as const;

describe('lots with what waits', () => {
  it('are as the house will have them: one change over the other', () => {
    const now = after(
      item(mark({ isStarted: true })),
      item(mark({ extraMin: 2 }, 1)),
      item(mark({ isDone: true }, 2)),
    );
    expect(markOf(now, 1, 'mix')).toMatchObject({
      startedAt: AT,
      extraMin: 2,
      doneAt: AT,
      version: 3,
    });
    expect(lot.marks).toEqual([]);
  });

  it('do nothing twice that the house has already', () => {
    const there = exampleLot(book, product, {
      marks: [{ ...emptyMark(1, 'mix'), doneAt: AT, version: 1 }],
    });
    const [now] = lotsWithOutboxItems([there], [item(mark({ isDone: true }))]);
    expect(now?.marks).toEqual(there.marks);
  });

  it('leave out what was refused', () => {
    expect(after(item(mark({ isDone: true }), { refusal }))).toBe(lot);
  });

  it('carry a load’s temperatures', () => {
    const { number: _n, version: _v, frictionC: _f, waterTempC: _w, ...temps } = load;
    const change = { ...temps, doughOutC: 25.5, version: 1 };
    const now = after(item({ kind: 'load', lotId: lot.id, number: 1, change }));
    expect(now.loads[0]).toMatchObject({ doughOutC: 25.5, version: 2 });
    expect(now.recipe).toBe(lot.recipe);
  });

  it('are the same lots when nothing of theirs waits', () => {
    const lots = [lot];
    const other = { ...mark({ isDone: true }), lotId: 'another' } as OutboxCommand;
    expect(lotsWithOutboxItems(lots, [item(other)])).toBe(lots);
  });
});

describe('records with what waits', () => {
  const start = { id: 'r1', content: { kind: 'said', note: 'Semolina is out' } } as const;
  const said = item({ kind: 'record', lotId: lot.id, start });

  it('show what is on its way, once, with who and when', () => {
    const [first, ...others] = recordsWithOutboxItems([], [said]);
    expect(first).toMatchObject({ id: 'r1', personId: 'tilde', at: AT, correctsId: null });
    expect(others).toEqual([]);
    const there = first ? [first] : [];
    expect(recordsWithOutboxItems(there, [said])).toBe(there);
  });

  it('show nothing of what was refused', () => {
    expect(recordsWithOutboxItems([], [{ ...said, refusal }])).toEqual([]);
  });
});

describe('the outbox', () => {
  const reduce = outboxSlice.reducer;
  const empty = { items: [], isCutOff: false, isUnkept: false };
  const one = item(mark({ isDone: true }));
  const two = item(mark({ extraMin: 2 }, 1));

  it('keeps what is done in order, and lets go only of what was taken', () => {
    const both = [posted(one), posted(two)].reduce(reduce, empty);
    expect(both.items).toEqual([one, two]);
    expect(reduce(both, delivered(one.id)).items).toEqual([two]);
  });

  it('never drops what was refused: it waits to be looked at', () => {
    const full = reduce(empty, posted(one));
    const told = reduce(full, refused({ id: one.id, refusal }));
    expect(told.items).toEqual([{ ...one, refusal }]);
  });

  it('sends again over what the house has now, under another key', () => {
    const told = { ...one, refusal };
    const again = insistedOn(told);
    expect(again.id).not.toBe(one.id);
    expect(again.refusal).toBeNull();
    expect(again.command).toMatchObject({ change: { version: 4, isDone: true } });
    const state = reduce(
      { items: [told], isCutOff: false, isUnkept: false },
      insisted({ id: one.id, item: again }),
    );
    expect(state.items).toEqual([again]);
  });

  it('has what was put on the scale on this device in its lot, and once', () => {
    const content = {
      kind: 'weighed',
      loadNumber: 1,
      key: 'yeast',
      grams: 80,
      wantedG: 56,
    } as const;
    const command = { kind: 'record', lotId: lot.id, start: { id: 'w1', content } } as const;
    const [now] = lotsWithOutboxItems([lot], [item(command)]);
    expect(now?.weighed.map(({ content: { grams } }) => grams)).toEqual([80]);
    const [again] = lotsWithOutboxItems(now ? [now] : [], [item(command)]);
    expect(again?.weighed).toHaveLength(1);
    const right = { ...content, grams: 56 };
    const start = { id: 'w2', content: right, correctsId: 'w1' };
    const [put] = lotsWithOutboxItems(now ? [now] : [], [item({ ...command, start })]);
    expect(put?.weighed.map(({ content: { grams } }) => grams)).toEqual([56]);
  });

  it('has what was told of the yeast on this device in its lot, the last of it', () => {
    const told = (id: string, proof: 'foam' | 'bubbles', correctsId?: string) =>
      item({
        kind: 'record',
        lotId: lot.id,
        start: {
          id,
          content: { kind: 'yeast', openedOn: null, proof, note: '' },
          ...(correctsId !== undefined && { correctsId }),
        },
      });
    const [now] = lotsWithOutboxItems([lot], [told('y1', 'foam'), told('y2', 'bubbles', 'y1')]);
    expect(now?.yeastPack?.content.proof).toBe('bubbles');
    expect(now?.weighed).toEqual(lot.weighed);
    const back = { id: 'y3', correctsId: 'y2', content: { kind: 'taken-back' } } as const;
    const undone = item({ kind: 'record', lotId: lot.id, start: back });
    expect(lotsWithOutboxItems(now ? [now] : [], [undone])[0]?.yeastPack).toBeUndefined();
    expect(lotsWithOutboxItems([lot], [])[0]?.yeastPack).toBeUndefined();
  });
});
