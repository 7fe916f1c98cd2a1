import type { PracticeResult } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import type { OutboxItem } from '../../../../state/outbox/outbox';
import { withWaiting } from '../../../../state/practice/usePracticeResults';
import { pastReadings, roundOf } from './readingRound';

const result = (personId: string, at: string, ...scores: number[]): PracticeResult => ({
  id: `${personId}/${at}`,
  personId,
  at,
  receivedAt: null,
  content: {
    kind: 'reading',
    readings: scores.map((score) => ({ found: 'late', warmth: 'warm', score })),
  },
});
const results = [
  result('ben', '2026-11-25T10:00:00.000Z', 1, 0.5),
  result('mara', '2026-11-24T10:00:00.000Z', 0.2),
  result('ben', '2026-11-20T10:00:00.000Z', 0),
];

describe('what somebody has read', () => {
  it('is theirs alone, in time’s order, with what of a round is not kept yet', () => {
    const open = [{ found: 'early', warmth: 'cool', score: 0.7, atMs: 5 }] as const;
    const past = pastReadings(results, 'ben', open);
    expect(past.map(({ score }) => score)).toEqual([0, 1, 0.5, 0.7]);
    expect(past.at(-1)?.kind).toEqual({ form: 'ball', found: 'early', warmth: 'cool' });
    expect(pastReadings(results, 'nobody', [])).toEqual([]);
  });

  it('was a ball where it is not said, as of old', () => {
    const tub = { form: 'tub', found: 'late', warmth: 'warm', score: 1, atMs: 5 } as const;
    const forms = pastReadings(results, 'mara', [tub]).map(({ kind }) => kind.form);
    expect(forms).toEqual(['ball', 'tub']);
  });

  it('is on the device until its round is kept, and nothing else is believed of it', () => {
    const storage = roundOf('yard', 'ben');
    const one = { found: 'right', warmth: 'usual', score: 0.9, atMs: 1 } as const;
    storage.write([one]);
    expect(roundOf('yard', 'ben').read()).toEqual([one]);
    expect(roundOf('yard', 'mara').read()).toEqual([]);
    localStorage.setItem(
      storage.key,
      JSON.stringify([one, { found: 'never' }, { ...one, form: 'loaf' }, 3]),
    );
    expect(storage.read()).toEqual([one]);
    localStorage.setItem(storage.key, '"round"');
    expect(storage.read()).toEqual([]);
  });
});

describe('what was practised without a line', () => {
  const item = (personId: string, id: string): OutboxItem => ({
    id: `key-${id}`,
    house: 'yard',
    personId,
    sessionId: 's',
    at: '2026-11-26T10:00:00.000Z',
    words: 'Read the dough',
    command: {
      kind: 'practice',
      start: {
        id,
        content: { kind: 'reading', readings: [{ found: 'late', warmth: 'warm', score: 1 }] },
      },
    },
    refusal: null,
  });

  it('counts already, once, and not where the house would not have it', () => {
    const [sent] = results;
    if (!sent) throw new Error('there is one');
    const now = withWaiting(results, [item('ben', 'new'), item('ben', sent.id)]);
    expect(now.map(({ id }) => id)).toEqual(['new', ...results.map(({ id }) => id)]);
    expect(pastReadings(now, 'ben', []).at(-1)?.score).toBe(1);
    const refusal = { type: '/problems/bad-input', title: 'No', status: 400 } as never;
    expect(withWaiting(results, [{ ...item('ben', 'new'), refusal }])).toEqual(results);
  });
});
