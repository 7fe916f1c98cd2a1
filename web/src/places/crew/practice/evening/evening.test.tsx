import type { Decision, Deed, Evening, TraysSeen } from '@calm/core';
import { describe, expect, it, jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderInApp } from '../../../../test-support/render';
import { FRESH, mayTakeBack, runOf, takenBack, type EveningRun } from './eveningRun';
import { TrayGroup } from './TrayGroup';

const pull: Decision = { moment: 2, dough: 0, deed: { kind: 'trays', act: 'pull', trays: [0] } };
const look: Decision = { moment: 2, dough: 0, deed: { kind: 'look', tray: 0 } };

describe('an evening under way', () => {
  const storage = runOf('lantern-yard', 'ben', 'heatwave');

  it('is kept on the device, and begins afresh where what is kept is none', () => {
    expect(storage.read()).toEqual(FRESH);
    const run: EveningRun = { decisions: [pull, look], moment: 3, isKept: false };
    storage.write(run);
    expect(storage.read()).toEqual(run);
    for (const wrong of ['[]', '{"decisions":[{}],"moment":1}', '{"decisions":[]}', 'no']) {
      localStorage.setItem(storage.key, wrong);
      expect(storage.read()).toEqual(FRESH);
    }
  });

  it('lets what was decided last be undone until the clock moves; what was seen stays seen', () => {
    const run: EveningRun = { decisions: [pull], moment: 2, isKept: false };
    expect(takenBack(run).decisions).toEqual([]);
    expect(mayTakeBack({ ...run, moment: 3 })).toBe(false);
    const looked = { ...run, decisions: [pull, look] };
    expect(takenBack(looked)).toBe(looked);
    expect(mayTakeBack(FRESH)).toBe(false);
  });
});

describe('trays that went the same way', () => {
  const really = { doorsMin: 120 } as unknown as Evening;
  const group: TraysSeen = {
    trays: [0, 2, 3],
    nights: 0,
    place: 'cold',
    sinceMin: 0,
    ballsLeft: 36,
  };
  const shown = (of: Partial<TraysSeen>, onDecide: (deed: Deed) => void) =>
    renderInApp(
      <TrayGroup
        group={{ ...group, ...of }}
        product="Round"
        really={really}
        acts={['pull', 'discard']}
        onDecide={onDecide}
      />,
    );

  it('are pulled as many at a time as one says', async () => {
    const onDecide = jest.fn<(deed: Deed) => void>();
    shown({}, onDecide);
    await userEvent.click(screen.getByRole('button', { name: 'One tray more' }));
    await userEvent.click(screen.getByRole('button', { name: 'Pull' }));
    expect(onDecide).toHaveBeenCalledWith({ kind: 'trays', act: 'pull', trays: [0, 2] });
    expect(screen.getByRole('button', { name: 'One tray fewer' })).toBeEnabled();
  });

  it('that are empty can be done nothing with', () => {
    shown({ ballsLeft: 0.2 }, jest.fn());
    expect(screen.queryByRole('button')).toBeNull();
    expect(screen.getByText(/balls: 0/)).toBeInTheDocument();
  });
});
