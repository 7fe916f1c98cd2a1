import { describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import { renderInApp } from '../../test-support/render';
import { WindowByLooks } from './WindowByLooks';

describe('what looks make of a window', () => {
  it('is said with how sure it is, and not at all before anybody looked', () => {
    const { container, unmount } = renderInApp(<WindowByLooks seen={null} />);
    expect(container.querySelector('[role=status]')).toBeNull();
    unmount();
    const at = (time: string) => Date.parse(`2026-11-25T${time}:00.000Z`);
    const after = { likelyMs: at('17:40'), fromMs: at('17:05'), untilMs: at('18:20') };
    const doubted = ['rise', 'rise'] as const;
    renderInApp(
      <WindowByLooks seen={{ before: null, after, yeastFactor: 1.09, placeC: -0.1, doubted }} />,
    );
    expect(screen.getByText(/^Its yeast seems to work 9.%.* faster/)).toBeTruthy();
    expect(screen.queryByText(/colder/)).toBeNull();
    expect(screen.getAllByText(/^A rise is not believed/)).toHaveLength(1);
    expect(screen.getByRole('status').textContent).toMatch(
      /^By what was seen of it: from .*, eight times in ten between .* and .*\.$/,
    );
  });
});
