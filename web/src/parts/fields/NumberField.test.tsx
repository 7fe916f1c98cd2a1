import { describe, expect, it, jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { renderInApp } from '../../test-support/render';
import { NumberField } from './NumberField';

const TEMP = { min: -5, max: 55, decimals: 1 };

function field(change: Partial<Parameters<typeof NumberField>[0]> = {}, preferences = {}) {
  const onCommit = jest.fn<(value: number | null) => void>();
  const onInput = jest.fn<(value: number) => void>();
  /** Keeps what is committed, as a page does. */
  function Page() {
    const [value, setValue] = useState<number | null>(change.value ?? 20);
    return (
      <NumberField
        label="Room"
        unit="°C"
        rule={TEMP}
        onInput={onInput}
        {...change}
        value={value}
        onCommit={(to) => {
          setValue(to);
          onCommit(to);
        }}
      />
    );
  }
  renderInApp(<Page />, { preferences });
  return { onCommit, onInput, input: screen.getByRole('textbox'), user: userEvent.setup() };
}

describe('a field for a number', () => {
  it('says what it is and in which unit, and shows no more decimals than it has', () => {
    const { input } = field();
    expect(input).toHaveAccessibleName('Room (°C)');
    expect(input).toHaveValue('20');
  });

  it('hands on what is right while it is typed, and keeps it once it is left', async () => {
    const { input, user, onInput, onCommit } = field();
    await user.clear(input);
    await user.type(input, '21.5');
    expect(onInput).toHaveBeenLastCalledWith(21.5);
    expect(onCommit).not.toHaveBeenCalled();
    await user.tab();
    expect(onCommit.mock.calls).toEqual([[21.5]]);
  });

  it('takes a comma for a point, and keeps on Enter', async () => {
    const { input, user, onCommit } = field();
    await user.clear(input);
    await user.type(input, '18,4{Enter}');
    expect(onCommit.mock.calls).toEqual([[18.4]]);
  });

  it.each([
    ['200', /55/],
    ['-9', /5/],
    ['warm', /enter a number/i],
  ])(
    'says what is wrong with %s, keeps what was typed, and hands nothing on',
    async (text, why) => {
      const { input, user, onCommit } = field();
      await user.clear(input);
      await user.type(input, text);
      await user.tab();
      expect(input).toHaveValue(text);
      expect(input).toBeInvalid();
      expect(screen.getByText(why)).toBeInTheDocument();
      expect(onCommit).not.toHaveBeenCalled();
    },
  );

  it('goes back to what it was on Escape', async () => {
    const { input, user, onCommit } = field();
    await user.clear(input);
    await user.type(input, '31{Escape}');
    expect(input).toHaveValue('20');
    await user.tab();
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('goes up and down by its step, with keys and with its buttons, and stops at its limits', async () => {
    const { input, user, onCommit } = field({ step: 0.5, value: 54.8 });
    await user.click(input);
    await user.keyboard('{ArrowDown}{ArrowUp}{ArrowUp}');
    expect(onCommit.mock.calls.flat()).toEqual([54.3, 54.8, 55]);
    await user.click(screen.getByRole('button', { name: /less/i }));
    expect(onCommit).toHaveBeenLastCalledWith(54.5);
  });

  it('is read in the units of whoever reads, and kept in the house’s', async () => {
    const { input, user, onCommit } = field(
      { measure: 'temp' },
      { mass: 'us', temp: 'fahrenheit' },
    );
    expect(input).toHaveAccessibleName('Room (°F)');
    expect(input).toHaveValue('68');
    await user.clear(input);
    await user.type(input, '77{Enter}');
    expect(onCommit.mock.calls[0]?.[0]).toBeCloseTo(25, 6);
  });

  it('may be empty only where its rule says so', async () => {
    const strict = field();
    await strict.user.clear(strict.input);
    await strict.user.tab();
    expect(strict.input).toBeInvalid();
    expect(strict.onCommit).not.toHaveBeenCalled();
  });

  it('is emptied where it may be', async () => {
    const { input, user, onCommit } = field({ rule: { ...TEMP, mayBeEmpty: true } });
    await user.clear(input);
    await user.tab();
    expect(onCommit.mock.calls).toEqual([[null]]);
  });
});
