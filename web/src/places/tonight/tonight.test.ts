import { NO_PLAN, type Lot, type LotRecord, type Service } from '@calm/contract';
import { serviceIdOf, emptyMark, boardLots, leadProducts } from '@calm/domain';
import { stageKey, workOf } from '@calm/core';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import type { Board } from '../../state/board/useBoard';
import type { LotWindow } from '../../state/board/lotWindow';
import { decisionsOf, type LotTonight } from './decisions';
import { serviceBalls, whyNoWave } from './serviceBalls';

const book = exampleBook();
const round = leadProducts(book).find(({ slug }) => slug === 'yard-round');
if (!round) throw new Error('the demo has a round');
const services = exampleServices(round);
const [lunch, dinner] = services as [Service, Service];
const doorsMs = Date.parse(dinner.startsAt);
const MIN = 60_000;
/** Opens well from half an hour before lunch, for four hours. */
const window: LotWindow = {
  fromMs: Date.parse(lunch.startsAt) - 30 * MIN,
  peakMs: Date.parse(lunch.startsAt) + 60 * MIN,
  untilMs: Date.parse(lunch.startsAt) + 210 * MIN,
  odds: 0.95,
  surest: null,
};
const boardOf = (change: Partial<Lot> = {}): Board => ({
  house: 'yard',
  book,
  services,
  shifts: [],
  lots: boardLots(book, services, [exampleLot(book, round, change)], NO_PLAN),
  isCurrent: true,
});
const NOTHING = { usage: [], forecasts: [], records: [] };
const ballsAt = (
  board: Board,
  service: Service,
  atMs: number,
  records: readonly LotRecord[] = [],
) => {
  const [lot] = board.lots;
  if (!lot) throw new Error('the lot is on the board');
  return serviceBalls(lot, round, service, { ...NOTHING, records, window }, atMs);
};
const pulled = (balls: number, atMs: number, service = dinner): LotRecord => ({
  id: `${balls}/${atMs}`,
  lotId: exampleLot(book, round).id,
  at: new Date(atMs).toISOString(),
  receivedAt: null,
  personId: null,
  correctsId: null,
  content: {
    kind: 'pulled',
    productId: round.id,
    serviceId: serviceIdOf(service),
    trays: Math.ceil(balls / round.ballsPerTray),
    balls,
  },
});
const pullMark = () => {
  const pull = workOf(boardOf().lots[0]?.stages ?? []).find(({ key }) => key === 'pull');
  if (!pull) throw new Error('a round is pulled');
  return { pull, key: stageKey(pull) };
};

describe('dough that nobody has mixed', () => {
  it('is neither cold nor ready nor to be pulled: it is still to be made', () => {
    const lots = boardLots(book, services, [], NO_PLAN);
    const lot = lots.find(({ product }) => product.id === round.id);
    if (!lot) throw new Error('what is wanted is on the board');
    const balls = serviceBalls(lot, round, dinner, { ...NOTHING, window }, doorsMs - 60 * MIN);
    expect(balls.unmade).toBeGreaterThan(0);
    expect(balls.waves).toEqual([]);
    const { ready, warming, cold, notYet } = balls.standing;
    expect([ready, warming, cold, notYet]).toEqual([0, 0, 0, 0]);
    expect(ballsAt(boardOf(), dinner, doorsMs - 60 * MIN).unmade).toBe(0);
  });
});

describe('balls of a service', () => {
  it('are in the cold until they are pulled, and the first wave is for doors', () => {
    const balls = ballsAt(boardOf(), dinner, doorsMs - 5 * 60 * MIN);
    expect(balls.standing).toMatchObject({ ready: 0, warming: 0, cold: 60 });
    const [wave] = balls.waves;
    expect(wave?.readyMin).toBe(0);
    expect(wave?.pullMin).toBe(-balls.temperMin);
  });

  it('warm, then stand ready, for their own service alone', () => {
    const board = boardOf();
    const outMs = doorsMs - 3 * 60 * MIN;
    const { temperMin } = ballsAt(board, dinner, outMs);
    const records = [pulled(24, outMs)];
    expect(ballsAt(board, dinner, outMs + MIN, records).standing).toMatchObject({
      warming: 24,
      cold: 36,
    });
    const warm = ballsAt(board, dinner, outMs + (temperMin + 1) * MIN, records).standing;
    expect(warm).toMatchObject({ warming: 0, ready: 24 });
    expect(ballsAt(board, lunch, outMs + MIN, records).standing.warming).toBe(0);
  });

  it('have no wave left once enough is out, or once a pull would open after the last guest', () => {
    const board = boardOf();
    const outMs = doorsMs - 2 * 60 * MIN;
    const lastMs = doorsMs + 60 * MIN;
    const both = [pulled(36, outMs), pulled(24, lastMs)];
    const all = ballsAt(board, dinner, lastMs + MIN, both);
    expect(all.waves).toEqual([]);
    expect(whyNoWave(all, lastMs + MIN)).toBe('covered');
    // Late in the service with everything still in the cold.
    const lateMs = Date.parse(dinner.endsAt) - 20 * MIN;
    const late = ballsAt(board, dinner, lateMs);
    expect(late.waves).toEqual([]);
    expect(late.temperMin).toBeGreaterThan(20);
    expect(whyNoWave(late, lateMs)).toBe('tooLate');
  });

  it('are lent by a lot of another day, and missed where they were made for', () => {
    const from = { ...pulled(24, doorsMs - 60 * MIN), lotId: 'another' };
    const without = ballsAt(boardOf(), dinner, doorsMs - 30 * MIN);
    const withThem = ballsAt(boardOf(), dinner, doorsMs - 30 * MIN, [from]);
    const all = ({ standing }: typeof without) =>
      standing.cold + standing.warming + standing.ready + standing.notYet + standing.past;
    expect(all(withThem)).toBe(all(without) + 24);
    const [date, ...rest] = serviceIdOf(dinner).split('/');
    const other = [`${date?.slice(0, -2)}01`, ...rest].join('/');
    const lent = pulled(24, doorsMs - 60 * MIN);
    const content = { ...lent.content, serviceId: other } as typeof lent.content;
    const gone = { ...lent, content };
    const made = boardOf().lots[0]?.items[0]?.count ?? 0;
    const left = ballsAt(boardOf(), dinner, doorsMs - 30 * MIN, [gone]);
    expect(all(left)).toBe(Math.min(all(without), made - 24));
  });

  it('ticked off without waves came out for the first service', () => {
    const { key, pull } = pullMark();
    const marks = [
      { ...emptyMark(0, key), doneAt: new Date(pull.endMs).toISOString(), version: 1 },
    ];
    const board = boardOf({ marks });
    expect(ballsAt(board, lunch, pull.endMs + MIN).standing.warming).toBe(60);
    expect(ballsAt(board, dinner, pull.endMs + MIN).standing.warming).toBe(0);
  });

  it('are back in the cold when a pull is taken back', () => {
    const outMs = doorsMs - 3 * 60 * MIN;
    const out = pulled(24, outMs);
    const back = {
      ...out,
      id: 'back',
      correctsId: out.id,
      content: { ...out.content, trays: 0, balls: 0 },
    } as LotRecord;
    expect(ballsAt(boardOf(), dinner, outMs + MIN, [out, back]).standing).toMatchObject({
      warming: 0,
      cold: 60,
    });
  });
});

describe('what has to be decided', () => {
  const decide = (board: Board, atMs: number, change: Partial<LotTonight> = {}) => {
    const [lot] = board.lots;
    if (!lot) throw new Error('the lot is on the board');
    const windows = { isKnown: true, planned: window, now: window, isNever: false, held: [] };
    const tonight = { lot, windows, balls: [ballsAt(board, dinner, atMs)], ...change };
    return decisionsOf(board, [tonight], atMs, atMs).map(({ kind }) => kind);
  };
  const { key, pull } = pullMark();
  const allDone = boardOf({
    marks: workOf(boardOf().lots[0]?.stages ?? []).map((work) => ({
      ...emptyMark(0, stageKey(work)),
      doneAt: new Date(work.endMs).toISOString(),
      version: 1,
    })),
  });

  it('is nothing while all goes to plan', () => {
    expect(decide(allDone, doorsMs - 5 * 60 * MIN)).toEqual([]);
  });

  it('is a wave that should have come out', () => {
    expect(decide(allDone, doorsMs - 30 * MIN)).toContain('pull-late');
  });

  it('is a step that is late, and one that nobody can do', () => {
    const marks = allDone.lots[0]?.lot?.marks.filter(({ stepKey }) => stepKey !== key) ?? [];
    const undone = boardOf({ marks: marks.slice(0, -1) });
    const last = workOf(undone.lots[0]?.stages ?? []).at(-2);
    expect(decide(undone, (last?.endMs ?? 0) + 60 * MIN, { balls: [] })).toContain('step-late');
    const unpulled = boardOf({ marks });
    // Nobody is on shift.
    expect(decide(unpulled, pull.startMs - 60 * MIN, { balls: [] })).toContain('nobody');
  });

  it('is a window that has moved, and a lot that makes too few', () => {
    const now = { ...window, fromMs: window.fromMs - 50 * MIN, untilMs: doorsMs + 60 * MIN };
    const windows = { isKnown: true, planned: window, now, isNever: false, held: [] };
    expect(decide(allDone, window.fromMs - 60 * MIN, { windows, balls: [] })).toEqual(['moved']);
    const lots = boardOf().lots.map((lot) => ({
      ...lot,
      wanted: lot.items.map((item) => ({ ...item, count: item.count + 12 })),
    }));
    const few = { ...allDone, lots: lots.map((lot) => ({ ...lot, stages: lot.stages })) };
    expect(decide(few, doorsMs - 40 * 60 * 60 * MIN, { balls: [] })).toContain('too-few');
  });

  it('is first of all dough that was warm for longer than something in it may be', () => {
    const limit = { name: 'egg', aboveC: 5, mostMin: 120, overMs: null };
    const kindsAfter = (minutes: number) => {
      const held = [{ ...limit, minutes }];
      const windows = { isKnown: true, planned: window, now: window, isNever: false, held };
      return decide(allDone, doorsMs - 30 * MIN, { windows });
    };
    expect(kindsAfter(125)[0]).toBe('held');
    expect(kindsAfter(115)).not.toContain('held');
  });

  it('is three things at most, the most urgent first', () => {
    const board = boardOf();
    const [lot] = board.lots;
    if (!lot) throw new Error('the lot is on the board');
    const atMs = doorsMs - 30 * MIN;
    const windows = { isKnown: true, planned: window, now: window, isNever: false, held: [] };
    const many = Array.from({ length: 6 }, (): LotTonight => {
      return { lot, windows, balls: [ballsAt(board, dinner, atMs)] };
    });
    const decisions = decisionsOf(board, many, atMs, atMs);
    expect(decisions).toHaveLength(3);
    const times = decisions.map(({ byMs }) => byMs);
    expect(times).toEqual([...times].sort((a, b) => a - b));
  });
});
