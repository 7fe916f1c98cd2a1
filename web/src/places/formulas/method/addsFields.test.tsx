import type { MethodStep } from '@calm/contract';
import type { StepAddition } from '@calm/core';
import { describe, expect, it, jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderInApp } from '../../../test-support/render';
import { AddsFields, addsOff } from './AddsFields';

const KINDS = ['flour', 'water', 'salt'] as const;
const step = (adds?: MethodStep['adds']): MethodStep => ({
  key: 'brine',
  title: 'Brine',
  detail: '',
  ...(adds && { adds }),
});

describe('what goes in at a step', () => {
  it('is told in percent of all of it, kind by kind; what is told of one flour alone stays', async () => {
    const change = jest.fn<(adds: readonly StepAddition[], what: string) => void>();
    const semolina = { kind: 'flour', name: 'semolina', percent: 100 } as const;
    renderInApp(
      <AddsFields
        step={step([{ kind: 'water', percent: 95 }, semolina])}
        kinds={KINDS}
        onChange={change}
      />,
    );
    const salt = screen.getByRole('textbox', { name: /Brine, Salt/ });
    await userEvent.clear(salt);
    await userEvent.type(salt, '100{Enter}');
    expect(change.mock.calls[0]?.[0]).toEqual([
      { kind: 'water', percent: 95 },
      { kind: 'salt', percent: 100 },
      semolina,
    ]);
  });

  it('is nothing at all once the last is taken away', async () => {
    const change = jest.fn<(adds: readonly StepAddition[], what: string) => void>();
    renderInApp(
      <AddsFields step={step([{ kind: 'salt', percent: 5 }])} kinds={KINDS} onChange={change} />,
    );
    const salt = screen.getByRole('textbox', { name: /Brine, Salt/ });
    await userEvent.clear(salt);
    await userEvent.type(salt, '0{Enter}');
    expect(change.mock.calls[0]?.[0]).toEqual([]);
  });

  it('adds up over all steps, or it is said of what', () => {
    expect(addsOff([step(), step()], KINDS)).toEqual([]);
    const half = [{ kind: 'flour', percent: 50 }] as const;
    expect(addsOff([step(half), step(half)], KINDS)).toEqual([
      { kind: 'water', percent: 0 },
      { kind: 'salt', percent: 0 },
    ]);
    const all = step([
      { kind: 'flour', percent: 50 },
      { kind: 'water', percent: 100 },
      { kind: 'salt', percent: 110 },
    ]);
    expect(addsOff([all, step(half)], KINDS)).toEqual([{ kind: 'salt', percent: 110 }]);
  });
});
