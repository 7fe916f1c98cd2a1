import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { HouseCalendar, SalesColumns } from '@calm/contract';
import { dateOrdersOf, likelyOrder, readDateText, readTimeText } from './dateText';
import { guessColumns, guessProduct } from './salesColumns';
import { salesReader } from './salesFile';
import { wholeNumber } from './wholeNumber';

const pattern = (id: string, name: string, weekday: number, startH: number, endH: number) => ({
  id,
  name,
  weekday,
  startMin: startH * 60,
  endMin: endH * 60,
  firstDate: null,
  lastDate: null,
  version: 1,
});
// 2026-11-28 is a Saturday.
const calendar: HouseCalendar = {
  patterns: [
    pattern('lunch', 'Lunch', 6, 12, 15),
    pattern('late', 'Late', 6, 18, 26),
    pattern('sunday', 'Dinner', 7, 17, 22),
  ],
  usual: [],
  exceptions: [],
};
const TODAY = '2026-11-29';
const products = [
  { id: 'r', name: 'Yard Round' },
  { id: 's', name: 'Slab' },
];
const columns: SalesColumns = {
  date: 'date',
  product: 'item',
  sold: 'qty',
  service: 'service',
  dateOrder: 'year-first',
  products: { 'Yard Round': 'r', Slab: 's', Lemonade: null },
};
function read(text: string, change: Partial<SalesColumns> = {}) {
  const [titles = [], ...rows] = text
    .trim()
    .split('\n')
    .map((line) => line.split(';'));
  const reader = salesReader(titles, { ...columns, ...change }, calendar, TODAY);
  reader.take(rows, 2);
  return reader.result();
}

describe('dates as people write them', () => {
  it.each([
    ['2026-11-03', 'year-first', { date: '2026-11-03', minute: null }],
    ['2026-11-03T19:42:10Z', 'day-first', { date: '2026-11-03', minute: 1182 }],
    ['3.11.26', 'day-first', { date: '2026-11-03', minute: null }],
    ['11/3/2026 7:42 PM', 'month-first', { date: '2026-11-03', minute: 1182 }],
    ['03/11/2026, 00.05', 'day-first', { date: '2026-11-03', minute: 5 }],
    ['31/02/2026', 'day-first', null],
    ['13/13/2026', 'month-first', null],
    ['yesterday', 'day-first', null],
    ['2026-11-03 25 o’clock', 'year-first', null],
  ] as const)('%s, %s', (text, order, moment) => {
    expect(readDateText(text, order)).toEqual(moment);
  });

  it('are read in the one order that fits most of them', () => {
    expect(dateOrdersOf(['01/02/2026', '13/02/2026', 'Total'])).toEqual(['day-first']);
    expect(dateOrdersOf(['01/02/2026', '02/13/2026'])).toEqual(['month-first']);
    expect(dateOrdersOf(['2026-01-02', ''])).toEqual(['year-first']);
    expect(dateOrdersOf(['soon'])).toEqual([]);
  });

  it('that can be read in two orders are read as the house writes, and that is known', () => {
    const either = dateOrdersOf(['03/04/2026', '05/04/2026']);
    expect(either).toEqual(['day-first', 'month-first']);
    expect(likelyOrder(either, 'month-first')).toBe('month-first');
    expect(likelyOrder(['day-first'], 'month-first')).toBe('day-first');
    expect(likelyOrder([], 'month-first')).toBe('month-first');
  });

  it('come back whatever order they are written in', () => {
    const date = fc.date({
      min: new Date('1990-01-01'),
      max: new Date('2099-12-31'),
      noInvalidDate: true,
    });
    fc.assert(
      fc.property(date, fc.constantFrom('-', '.', '/'), (day, mark) => {
        const iso = day.toISOString().slice(0, 10);
        const [y = '', m = '', d = ''] = iso.split('-');
        const read = (parts: string[], order: Parameters<typeof readDateText>[1]) =>
          readDateText(parts.join(mark), order)?.date;
        expect(read([y, m, d], 'year-first')).toBe(iso);
        expect(read([d, m, y], 'day-first')).toBe(iso);
        expect(read([m, d, y], 'month-first')).toBe(iso);
      }),
    );
    expect(
      ['7:05 am', '12:10 am', '12:10 pm', '23h59', '24:00', '7', '24:61', '25:00'].map(
        readTimeText,
      ),
    ).toEqual([425, 10, 730, 1439, 1440, null, null, null]);
  });
});

describe('columns', () => {
  it('are guessed from their titles, and products from their names', () => {
    const titles = ['Receipt', 'Date', 'Time', 'Item', 'Qty', 'Sold out at'];
    const rows = [['17', '28.11.2026', '19:02', 'Pizza Yard Round', '2', '']];
    expect(guessColumns(titles, rows, ['Pizza Yard Round', 'Lemonade'], products)).toEqual({
      number: 'Receipt',
      date: 'Date',
      time: 'Time',
      product: 'Item',
      sold: 'Qty',
      soldOut: 'Sold out at',
      dateOrder: 'day-first',
      products: { 'Pizza Yard Round': 'r', Lemonade: null },
    });
  });

  it('are guessed by what stands in them, whatever the titles make one think', () => {
    const titles = ['Receipt', 'Sold on', 'Ordered at', 'Article', 'Qty', 'Total'];
    const rows = [
      ['1', '01.07.2026', '19:25', 'Slab', '1', '12,50'],
      ['2', '13.07.2026', '19:56', 'Lemonade', '4', '12,50'],
    ];
    expect(guessColumns(titles, rows, [], products)).toMatchObject({
      date: 'Sold on',
      time: 'Ordered at',
      product: 'Article',
      sold: 'Qty',
      number: 'Receipt',
      dateOrder: 'day-first',
    });
    expect(guessColumns(['a', 'b'], [['x', '2026-07-01']], [], products)).toMatchObject({
      date: 'b',
      product: 'a',
    });
  });

  it('of a product are guessed only when one alone can be meant', () => {
    expect(guessProduct('SLAB', products)).toBe('s');
    expect(guessProduct('slab & yard round', products)).toBeNull();
    expect(guessProduct('slabs', products)).toBeNull();
  });
});

describe('a file of totals', () => {
  it('is read by service, with what ran out and what was left', () => {
    const file = read(
      'date;service;item;qty;out;left\n' +
        '2026-11-28;lunch;Yard Round;60;14:30;\n' +
        '2026-11-28;Late;Slab;1,200;01:15;7\n' +
        '2026-11-28;Late;Lemonade;9;;\n',
      { soldOut: 'out', left: 'left' },
    );
    expect(file).toEqual({
      sales: [
        { date: '2026-11-28', patternId: 'lunch', productId: 'r', sold: 60, soldOutMin: 870 },
        {
          date: '2026-11-28',
          patternId: 'late',
          productId: 's',
          sold: 1200,
          soldOutMin: 1515,
          leftBalls: 7,
        },
      ],
      faulty: [],
      faults: 0,
      leftOut: 1,
      repeated: 0,
    });
  });

  it('knows a repeated line, and says which lines cannot be read', () => {
    const file = read(
      'date;service;item;qty\n' +
        '2026-11-28;Lunch;Slab;6\n' +
        '\n' +
        '2026-11-28;Lunch;Slab;6\n' +
        '2026-11-28;Lunch;Slab;8\n' +
        '2026-11-27;Lunch;Slab;6\n' +
        'Total;;Slab;20\n' +
        '2026-11-28;Lunch;Squid;1\n' +
        '2026-11-28;Late;Slab;a few\n' +
        '2026-11-28;Late;Slab;1.5\n' +
        '2026-11-28;;Yard Round;6\n' +
        '2026-11-30;Dinner;Slab;6\n',
    );
    expect(file.sales).toHaveLength(1);
    expect(file.repeated).toBe(1);
    expect(file.faulty.map(({ line, fault }) => [line, fault])).toEqual([
      [5, 'twice'],
      [6, 'no-service'],
      [7, 'no-date'],
      [8, 'no-product'],
      [9, 'no-count'],
      [10, 'no-count'],
      [11, 'which-service'],
      [12, 'to-come'],
    ]);
  });
});

describe('a file of single sales', () => {
  const sales = { date: 'at', number: 'no' } as const;
  const { service: _, ...rest } = columns;
  const readSales = (text: string) => {
    const [titles = [], ...rows] = text
      .trim()
      .split('\n')
      .map((line) => line.split(';'));
    const reader = salesReader(titles, { ...rest, ...sales }, calendar, TODAY);
    reader.take(rows, 2);
    return reader.result();
  };

  it('adds up by service and quarter hour; past midnight belongs to the evening before', () => {
    const file = readSales(
      'no;at;item;qty\n' +
        '1;2026-11-28 18:01;Slab;2\n' +
        '2;2026-11-28 18:14;Slab;1\n' +
        '3;2026-11-29 01:59;Slab;4\n' +
        '3;2026-11-29 01:59;Slab;4\n' +
        '4;2026-11-28 18:20;Slab;-1\n' +
        '5;2026-11-29 04:00;Slab;1\n',
    );
    expect(file.sales).toEqual([
      {
        date: '2026-11-28',
        patternId: 'late',
        productId: 's',
        sold: 6,
        quarters: [
          [0, 3],
          [31, 4],
        ],
      },
    ]);
    expect(file).toMatchObject({ repeated: 1, faults: 1 });
    expect(file.faulty).toEqual([{ line: 7, fault: 'no-service', text: '2026-11-29 04:00' }]);
  });

  it('loses no ball, in whatever order the lines come', () => {
    const line = fc.record({
      minute: fc.integer({ min: 18 * 60, max: 26 * 60 - 1 }),
      balls: fc.integer({ min: 1, max: 9 }),
    });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 40 }), (lines) => {
        const text = lines.map(({ minute, balls }, i) => {
          const date = minute < 1440 ? '2026-11-28' : '2026-11-29';
          const clock = `${Math.floor((minute % 1440) / 60)}:${String(minute % 60).padStart(2, '0')}`;
          return `${i};${date} ${clock};Slab;${balls}`;
        });
        const file = readSales(`no;at;item;qty\n${text.join('\n')}`);
        const all = lines.reduce((sum, { balls }) => sum + balls, 0);
        expect(file.sales[0]?.sold).toBe(all);
        const byQuarter = file.sales[0]?.quarters?.reduce((sum, [, balls]) => sum + balls, 0);
        expect(byQuarter).toBe(all);
      }),
    );
  });
});

describe('whole numbers', () => {
  it('have thousands as people part them, and no fractions of a ball', () => {
    const texts = [
      '12',
      '12.0',
      '12,0',
      '1 200',
      '1,000',
      '1.250',
      '2.000',
      '1’000’000',
      '−3',
      '1.5',
      '1,00,0',
      '',
    ];
    expect(texts.map(wholeNumber)).toEqual([
      12,
      12,
      12,
      1200,
      1000,
      1250,
      2,
      1_000_000,
      -3,
      null,
      null,
      null,
    ]);
  });
});
