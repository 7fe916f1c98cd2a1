import type { Assumption } from '@calm/contract';
import type { Conflict, ConflictFix, PlannedLot, Relaxation } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { formats as f, t } from '../../../test-support/words';
import { doughWarnings, formatWarningMessage } from './doughWarnings';
import type { PlanWords } from '../planWords';
import { planMessages } from './conflictMessages';
import { formatPullsMessage } from '../paper/pullMessages';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';

const at = Date.parse('2026-11-27T10:00:00Z') / 60_000;
const lot: PlannedLot = {
  id: 'yard',
  doughId: 'dough',
  serviceIds: ['2026-11-28/dinner'],
  mixerId: 'spiral',
  loads: 2,
  doughKg: 40,
  steps: [
    {
      stage: 1,
      key: 'mix',
      skill: 'mix',
      startMin: at,
      endMin: at + 45,
      personIds: ['maro'],
      mixerId: 'spiral',
      serviceId: null,
    },
  ],
  rests: [
    {
      stage: 2,
      key: 'bulk',
      place: 'Bench',
      container: 'tub',
      startMin: at + 45,
      endMin: at + 75,
      trays: 0,
      tubs: 4,
      serviceId: null,
    },
  ],
  cost: { quality: 0, unsocial: 0, mix: 0, change: 0 },
};
const words: PlanWords = {
  t,
  f,
  person: (id) => ({ maro: 'Maro', tilde: 'Tilde' })[id] ?? id,
  initials: (id) => id.slice(0, 2).toUpperCase(),
  dough: () => 'Yard dough',
  doughCode: () => 'YR',
  lot: () => 'Yard dough for Sat 28 Nov',
  lotId: () => 'Yard dough for Sat 28 Nov',
  service: () => 'Dinner Sat 28 Nov',
  restOf: () => 'Cold',
  mixer: () => '40 kg spiral',
  product: () => 'Yard Round',
  moment: (minute) => f.moment(minute * 60_000),
  time: (minute) => f.time(minute * 60_000),
  step: (step) => t(`work.${step.key}`),
};
const messages = planMessages({ lots: [lot] }, words);
const step = { lotId: 'yard', stage: 1, serviceId: null };
const when = { startMin: at, endMin: at + 45 };

describe('what does not fit', () => {
  it('is said in sentences that name who, what, when and why', () => {
    const mix = 'Mix (Yard dough for Sat 28 Nov)';
    const cases: readonly (readonly [Conflict, string])[] = [
      [
        { kind: 'person-twice', personId: 'maro', step, other: null, when },
        `Maro is needed twice Fri 10:00–10:45: work in progress and ${mix}.`,
      ],
      [
        { kind: 'mixer-twice', mixerId: 'spiral', step, other: step, when },
        `40 kg spiral is needed twice Fri 10:00–10:45: ${mix} and ${mix}.`,
      ],
      [
        { kind: 'not-in', personId: 'tilde', step, when },
        `Tilde is not in for the whole of ${mix}, Fri 10:00–10:45.`,
      ],
      [
        { kind: 'cannot', personId: 'tilde', skill: 'mix', step },
        `Tilde cannot mix: ${mix}, Fri 10:00.`,
      ],
      [
        { kind: 'nobody', skill: 'ball', missing: 1, step },
        `1 more person who can ball is needed for ${mix}, Fri 10:00–10:45.`,
      ],
      [
        { kind: 'nobody', skill: 'ball', missing: 2, step },
        `2 more people who can ball are needed for ${mix}, Fri 10:00–10:45.`,
      ],
      [{ kind: 'past', step }, `${mix} was planned for Fri 10:00, and that is past.`],
      [
        { kind: 'rest-short', lotId: 'yard', stage: 2, serviceId: null, hours: 0.5, boundHours: 1 },
        'Bulk of Yard dough for Sat 28 Nov is only 0.5\u00a0h; its route needs at least 1.0\u00a0h.',
      ],
      [
        { kind: 'rest-short', lotId: 'yard', stage: 2, serviceId: null, hours: -1, boundHours: 1 },
        'Bulk of Yard dough for Sat 28 Nov has no time at all: what follows starts before it; its route needs at least 1.0\u00a0h.',
      ],
      [
        { kind: 'rest-long', lotId: 'yard', stage: 2, serviceId: null, hours: 3, boundHours: 2.5 },
        'Bulk of Yard dough for Sat 28 Nov is 3.0\u00a0h; its route allows at most 2.5\u00a0h.',
      ],
      [
        { kind: 'bench-full', people: 4, room: 3, when, steps: [step] },
        `4 people at the bench Fri 10:00–10:45, room for 3: ${mix}.`,
      ],
      [
        {
          kind: 'place-full',
          place: 'Walk-in',
          container: 'trays',
          amount: 99,
          room: 96,
          when,
          lotIds: ['yard'],
        },
        'Walk-in: 99 trays Fri 10:00–10:45, room for 96: Yard dough for Sat 28 Nov.',
      ],
      [
        { kind: 'other-size', lotId: 'yard', plannedKg: 40, wantedKg: 46.2 },
        'Yard dough for Sat 28 Nov is planned for 40.0\u00a0kg, and 46.2\u00a0kg are wanted now.',
      ],
      [
        { kind: 'open', doughId: 'dough', serviceId: 'dinner' },
        'Yard dough for Dinner Sat 28 Nov is not planned.',
      ],
    ];
    for (const [conflict, said] of cases) expect(messages.conflict(conflict)).toBe(said);
  });

  it('comes with fixes that say what they do', () => {
    const cases: readonly (readonly [ConflictFix, string])[] = [
      [{ kind: 'give', step, personIds: ['tilde'] }, 'Mix: give it to Tilde'],
      [
        { kind: 'move', step, startMin: at + 90, byMin: 90 },
        'Mix 1\u00a0h 30\u00a0min later, Fri 11:30',
      ],
      [{ kind: 'move', step, startMin: at - 15, byMin: -15 }, 'Mix 15\u00a0min earlier, Fri 09:45'],
    ];
    for (const [fix, said] of cases) expect(messages.fix(fix)).toBe(said);
  });
});

describe('ways out and what a plan takes to be so', () => {
  it('leave no name of the catalogue unsaid', () => {
    const ways: readonly Relaxation[] = [
      { kind: 'leave-out', doughId: 'dough', serviceId: 'dinner' },
      { kind: 'call-in', skill: 'mix', when },
      { kind: 'more-room', place: 'Walk-in', trays: 4, tubs: 0 },
      { kind: 'more-bench', people: 1 },
      { kind: 'second-mixer', mixerId: 'spiral' },
      { kind: 'smaller-load', mixerId: 'spiral', minDoughKg: 0 },
      { kind: 'other-hours', doughId: 'dough', stage: 2, least: 1, most: 3 },
    ];
    const assumptions: readonly Assumption[] = [
      ...ways.map((way) => ({ kind: 'relaxation', relaxation: way }) as const),
      { kind: 'away', personId: 'maro', when },
      { kind: 'more-balls', serviceId: 'dinner', percent: 20 },
      { kind: 'warmer', byC: 8, when },
      { kind: 'room-down', place: 'Walk-in', when },
      { kind: 'warm-tap', byC: 6 },
    ];
    const said = assumptions.map(messages.assumption);
    for (const text of said) {
      expect(text).toMatch(/\w+ \w+/);
      expect(text).not.toMatch(/plan\.|\{\{|undefined|NaN/);
    }
    expect(new Set(said).size).toBe(said.length);
    expect(said[7]).toBe('Maro is not in Fri 10:00–10:45');
    const day = { startMin: at, endMin: at + 1440 };
    expect(messages.assumption({ kind: 'away', personId: 'maro', when: day })).toBe(
      'Maro is not in on Fri 27 Nov',
    );
  });
});

describe('dough that misses its service', () => {
  const services = [
    {
      patternId: 'dinner',
      name: 'Dinner',
      date: '2026-11-28',
      startsAt: '2026-11-28T16:30:00.000Z',
      endsAt: '2026-11-28T21:30:00.000Z',
      counts: [],
    },
  ];
  const doorsMin = Date.parse('2026-11-28T16:30:00Z') / 60_000;
  const simulated = (fromMin: number, untilMin: number) =>
    [
      {
        lotId: 'yard',
        lot,
        waves: [],
        dose: null,
        ways: [
          {
            serviceId: '2026-11-28/dinner',
            mixedMin: at,
            places: [],
            way: {
              window: {
                kind: 'ready',
                earliestHour: (doorsMin + fromMin - at) / 60,
                peakHour: (doorsMin + fromMin - at) / 60,
                latestHour: (doorsMin + untilMin - at) / 60,
              },
            },
          },
        ],
      },
    ] as unknown as readonly SimulatedPlanLot[];

  it('is late, past it, or nothing to say', () => {
    expect(doughWarnings(simulated(-30, 300), { services })).toEqual([]);
    expect(doughWarnings(simulated(10, 300), { services })).toEqual([]);
    const [late] = doughWarnings(simulated(40, 300), { services });
    expect(late).toMatchObject({ kind: 'late', lateMin: 40 });
    expect(late && formatWarningMessage(late, words)).toBe(
      'Yard dough for Sat 28 Nov opens well only 40\u00a0min after doors of Dinner Sat 28 Nov.',
    );
    const [past] = doughWarnings(simulated(-300, 20), { services });
    expect(past && formatWarningMessage(past, words)).toBe(
      'Yard dough for Sat 28 Nov is over-proofed from Sat 16:50, too soon for Dinner Sat 28 Nov.',
    );
  });

  it('never opens, or no dose brings it there', () => {
    const [one] = simulated(0, 100);
    const never = { ...one, ways: [{ ...one?.ways[0], way: null }] } as unknown as SimulatedPlanLot;
    expect(doughWarnings([never], { services })).toMatchObject([{ kind: 'never' }]);
    const dose = { kind: 'no-dose', reasons: [], alternatives: [] };
    const none = { ...one, dose } as unknown as SimulatedPlanLot;
    expect(doughWarnings([none], { services })).toMatchObject([{ kind: 'no-dose' }]);
  });
});

describe('a pull', () => {
  it('is said wave by wave for each product, and other work says nothing', () => {
    const pull = { ...(lot.steps[0] as PlannedLot['steps'][number]), serviceId: 'dinner' };
    const wave = (at: string, trays: number) => ({
      pullAt: `2026-11-28T${at}:00.000Z`,
      readyAt: `2026-11-28T${at}:00.000Z`,
      goodUntil: `2026-11-28T${at}:00.000Z`,
      trays,
      balls: trays * 12,
    });
    const waves = [
      {
        serviceId: 'dinner',
        productId: 'round',
        odds: 0.943,
        waves: [wave('15:35', 7), wave('18:50', 1)],
      },
      { serviceId: 'lunch', productId: 'round', odds: null, waves: [wave('10:00', 3)] },
    ];
    const simulated = { waves } as unknown as SimulatedPlanLot;
    expect(formatPullsMessage({ ...pull, key: 'pull' }, simulated, words)).toEqual([
      'Yard Round: pull 7 trays 15:35, pull 1 tray 18:50 (enough at every minute: 94\u00a0%)',
    ]);
    expect(formatPullsMessage(pull, simulated, words)).toEqual([]);
    expect(formatPullsMessage({ ...pull, key: 'pull' }, null, words)).toEqual([]);
  });
});
