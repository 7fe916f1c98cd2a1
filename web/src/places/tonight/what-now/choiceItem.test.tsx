import type { AdvisedChoice } from '@calm/contract';
import { describe, expect, it, jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderInApp } from '../../../test-support/render';
import { ChoiceItem } from './ChoiceItem';

const NOW_MS = Date.parse('2026-11-25T12:00:00Z');
const HOUR = 3_600_000;
const chill: AdvisedChoice = {
  do: 'chill',
  where: 'Walk-in',
  then: { where: null, hour: 8 },
  fromHour: 2,
  stages: [],
  window: {
    earliestHour: 10,
    peakHour: 11,
    latestHour: 13,
    odds: 0.95,
    odds90: null,
    odds10: null,
  },
  odds: 0.81,
  balls: 54.4,
  perService: [34.4, 20],
  why: 'waits-in-the-cold',
};
const hourOf = (hour: number, balls: number) => ({
  startMs: NOW_MS + hour * HOUR,
  endMs: NOW_MS + (hour + 1) * HOUR,
  balls,
});
const show = (
  choice: AdvisedChoice,
  onChoose: (() => void) | null,
  services = [hourOf(8, 40), hourOf(9, 27)],
) =>
  renderInApp(
    <ol>
      <ChoiceItem
        choice={choice}
        mixedMs={NOW_MS - 2 * HOUR}
        nowMs={NOW_MS}
        services={services}
        before={null}
        work={{ minutes: 25, who: ['Tilde'] }}
        isFirst
        onChoose={onChoose}
      />
    </ol>,
  );

describe('a way that a lot could take', () => {
  it('says what to do when, how many balls that is, and is chosen by its name', async () => {
    const choose = jest.fn<() => void>();
    show(chill, choose);
    expect(screen.getByText('Chill: Walk-in')).toBeInTheDocument();
    expect(screen.getByText(/^Takes 25\smin\. In then, and can: Tilde\.$/)).toBeInTheDocument();
    expect(screen.getByText('Back to where it is opened')).toBeInTheDocument();
    expect(screen.getByText('54 of 67 balls open well')).toBeInTheDocument();
    expect(screen.getByText(/8 times in 10$/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Do this: Chill: Walk-in' }));
    expect(choose).toHaveBeenCalledTimes(1);
  });

  it('has no window where it is not opened any more, and no button for whoever only looks', () => {
    const none = { stages: null, window: null, then: null, where: null, balls: 0, odds: 0 };
    show({ ...chill, ...none, do: 'staff', why: 'good-enough' }, null);
    expect(screen.getByText('Staff meal')).toBeInTheDocument();
    expect(screen.getByText('Good enough for the crew, not for guests.')).toBeInTheDocument();
    expect(screen.queryByText(/balls open well/)).not.toBeInTheDocument();
    expect(screen.getByText('Guests then lack 67 balls.')).toBeInTheDocument();
    expect(screen.queryByRole('button')).not.toBeInTheDocument();
  });

  it('tells each service apart, hours of one together', () => {
    const apart = [hourOf(0, 20), hourOf(1, 10), hourOf(5, 40)];
    show({ ...chill, perService: [20, 4.4, 30] }, null, apart);
    expect(screen.getByText(/: 24 of 30, .*: 30 of 40$/)).toBeInTheDocument();
    expect(screen.getByText('54 of 70 balls open well')).toBeInTheDocument();
  });
});
