import { describe, expect, it } from '@jest/globals';
import { deviceStorage, isFiniteNumber, isObject, isOneOf } from './storage';
import { likelyHouse, rememberHouse } from './lastHouse';
import { makeStore } from './store';
import { edited, undone } from './drafts/planDraft';
import { preferred } from './preferences';

const KEY = 'calm-tray.test';
const numbers = deviceStorage<readonly number[]>(KEY, [1], (stored) =>
  Array.isArray(stored) && stored.every(isFiniteNumber) ? stored : null,
);

describe('what a device keeps', () => {
  it('is read back, and is the standard until something was written', () => {
    expect(numbers.read()).toEqual([1]);
    numbers.write([2, 3]);
    expect(numbers.read()).toEqual([2, 3]);
  });

  it.each(['{"half":', '"a word"', '[1, "two"]', 'null'])(
    'is not believed when it is %s',
    (text) => {
      localStorage.setItem(KEY, text);
      expect(numbers.read()).toEqual([1]);
    },
  );

  it('is checked by what it is', () => {
    expect([{}, [], null, 'x'].map(isObject)).toEqual([true, false, false, false]);
    expect([1, NaN, Infinity, '1'].map(isFiniteNumber)).toEqual([true, false, false, false]);
    expect(isOneOf(['a', 'b'], 'b') && !isOneOf(['a', 'b'], 'c')).toBe(true);
  });
});

describe('a device of an earlier version', () => {
  it('keeps the draft of a plan, under its standard names', () => {
    const content = {
      lots: [],
      pins: [],
      asIfs: [
        { kind: 'way-out', way: { kind: 'more-bench', people: 3 } },
        { kind: 'warm-tap', byC: 2 },
      ],
    };
    const drafts = { yard: { past: [content], present: content, future: [] }, other: 'nonsense' };
    localStorage.setItem('calm-tray.plan-drafts', JSON.stringify(drafts));
    const { planDrafts } = makeStore().getState();
    expect(Object.keys(planDrafts)).toEqual(['yard']);
    expect(planDrafts['yard']?.present.assumptions).toEqual([
      { kind: 'relaxation', relaxation: { kind: 'more-bench', people: 3 } },
      { kind: 'warm-tap', byC: 2 },
    ]);
  });

  it('falls back only in the preference that is no longer offered', () => {
    const stored = { theme: 'sepia', units: 'us', decimal: 'comma', isSpineNarrow: true };
    localStorage.setItem('calm-tray.preferences', JSON.stringify(stored));
    const { preferences, display } = makeStore().getState();
    expect(preferences).toEqual({
      theme: 'system',
      isSpineNarrow: true,
      areKeysOn: true,
      keys: {},
    });
    // How somebody read there is how the page reads until they say otherwise.
    expect(display).toMatchObject({ mass: 'us', temp: 'fahrenheit', decimal: 'comma' });
  });
});

describe('the house that is meant without an address', () => {
  const houses = [
    { slug: 'bell-oar', name: 'Bell & Oar', asideOn: null },
    { slug: 'lantern-yard', name: 'Lantern Yard', asideOn: null },
  ];

  it('is the one that was opened last here, or the first where that is gone', () => {
    expect(likelyHouse(houses)?.slug).toBe('bell-oar');
    rememberHouse('lantern-yard');
    expect(likelyHouse(houses)?.slug).toBe('lantern-yard');
    rememberHouse('given-up');
    expect(likelyHouse(houses)?.slug).toBe('bell-oar');
    expect(likelyHouse([])).toBeUndefined();
    const [first] = houses;
    const aside = houses.map((house) => ({ ...house, asideOn: '2026-11-25' }));
    expect(likelyHouse(aside)?.slug).toBe('bell-oar');
    expect(likelyHouse([...aside.slice(0, 1), ...houses.slice(1)])?.slug).not.toBe(first?.slug);
  });
});

describe('the store', () => {
  const content = (n: number) => ({
    lots: [],
    pins: [{ lotId: `l${n}`, stage: 0, serviceId: null }] as never[],
    assumptions: [],
  });

  it('writes down what changes, for the next visit', () => {
    const store = makeStore();
    store.dispatch(preferred({ theme: 'dark' }));
    const next = makeStore().getState();
    expect(next.preferences.theme).toBe('dark');
  });

  it('undoes a plan’s changes one by one, the last hundred of them', () => {
    const store = makeStore();
    const draft = () => store.getState().planDrafts['yard'];
    for (let n = 1; n <= 130; n += 1) {
      store.dispatch(edited({ house: 'yard', content: content(n), base: content(0) }));
    }
    expect(draft()?.past).toHaveLength(100);
    for (let n = 0; n < 100; n += 1) store.dispatch(undone('yard'));
    expect(draft()?.present).toEqual(content(30));
    store.dispatch(undone('yard'));
    expect(draft()?.present).toEqual(content(30));
  });
});
