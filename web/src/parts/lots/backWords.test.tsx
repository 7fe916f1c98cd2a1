import { describe, expect, it } from '@jest/globals';
import { renderInApp } from '../../test-support/render';
import { BackWords } from './BackWords';

const MIXED_MS = Date.parse('2026-11-25T12:00:00.000Z');
const show = (back: Parameters<typeof BackWords>[0]['back']) =>
  renderInApp(<BackWords back={back} mixedMs={MIXED_MS} />).container;

describe('until when dough may go back into the cold', () => {
  it('is told with how long it then keeps', () => {
    const page = show({ isTakenOut: false, untilHour: 5, keepsUntilHour: 30 });
    expect(page).toHaveTextContent(
      /^Back into the cold until Wed 17:00; chilled now it keeps until Thu 18:00\.$/,
    );
  });

  it('is told of trays in the cold as if they were pulled now', () => {
    expect(show({ isTakenOut: true, untilHour: 5, keepsUntilHour: 30 })).toHaveTextContent(
      /^Pulled now, it may go back/,
    );
  });

  it('may be too late, or not a question at all', () => {
    expect(show({ isTakenOut: false, untilHour: null, keepsUntilHour: null })).toHaveTextContent(
      'Too late',
    );
    expect(show(null).textContent).toBe('');
  });
});
