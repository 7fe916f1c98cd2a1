import type { ReadingAnswer, ReadingCase } from '@calm/core';
import { describe, expect, it, jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderInApp } from '../../../../test-support/render';
import { Answer } from './Answer';
import { Coach } from './Coach';
import { Seen } from './Seen';

const asked: ReadingCase = {
  kind: { form: 'ball', found: 'right', warmth: 'warm' },
  plan: { airTempC: 22, level: null },
  seen: {
    hours: 26,
    hoursHere: 1.5,
    airTempC: 27,
    coreTempC: 24,
    silhouette: { form: 'ball', width: 1.5, height: 0.6 },
    poke: 'slowly',
  },
  odds: { early: 0.04, right: 0.9, late: 0.06 },
  minutesLeft: 100,
};

const tub: ReadingCase = {
  ...asked,
  kind: { form: 'tub', found: 'late', warmth: 'cool' },
  plan: { airTempC: 24, level: 1.3 },
  seen: { ...asked.seen, airTempC: 20, silhouette: { form: 'tub', level: 1.62, dome: 0 } },
  odds: { early: 0, right: 0.1, late: 0.9 },
  minutesLeft: null,
};

describe('a dough to be read', () => {
  it('is told in words as it is drawn', () => {
    renderInApp(<Seen seen={asked.seen} />);
    expect(screen.getByRole('img')).toHaveAccessibleName(/1\.50×.*0\.60×/);
    expect(screen.getByText('comes back slowly')).toBeInTheDocument();
    expect(screen.getByText('24 °C')).toBeInTheDocument();
    expect(screen.getByText('27 °C')).toBeInTheDocument();
  });

  it('is told in its tub by its mark and its top, with what it is to grow to', () => {
    renderInApp(<Seen seen={tub.seen} plan={tub.plan} />);
    expect(screen.getByRole('img')).toHaveAccessibleName(/1\.62×.*flat/);
    expect(screen.getByText('1.3× the dashed line')).toBeInTheDocument();
  });

  it.each([
    [0.9, /domed/],
    [-0.9, /sunk in/],
  ])('is drawn as it stands: %d', (dome, words) => {
    renderInApp(<Seen seen={{ ...tub.seen, silhouette: { form: 'tub', level: 2, dome } }} />);
    expect(screen.getByRole('img')).toHaveAccessibleName(words);
    expect(screen.queryByText(/the dashed line/)).not.toBeInTheDocument();
  });

  it('is answered once both are said; what is past is not good for any longer', async () => {
    const say = jest.fn<(answer: ReadingAnswer) => void>();
    renderInApp(<Answer form="ball" onSay={say} />);
    const done = screen.getByRole('button', { name: 'Say so' });
    expect(done).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: 'Right' }));
    expect(done).toBeDisabled();
    await userEvent.click(screen.getByRole('button', { name: /^2\sh$/ }));
    await userEvent.click(done);
    expect(say).toHaveBeenLastCalledWith({ found: 'right', minutesLeft: 120 });
    await userEvent.click(screen.getByRole('button', { name: 'Too late' }));
    expect(screen.queryByText('For how long is it still good?')).not.toBeInTheDocument();
    await userEvent.click(done);
    expect(say).toHaveBeenLastCalledWith({ found: 'late', minutesLeft: null });
  });
});

describe('the coach', () => {
  it('says what it was, why, and how likely each was', () => {
    renderInApp(<Coach asked={asked} score={0.93} />);
    expect(screen.getByText(/^Good for another 1\sh 40\smin\.$/)).toBeInTheDocument();
    expect(screen.getByText(/is 5\s°C warmer than planned, so it came sooner/)).toBeInTheDocument();
    expect(screen.getByText('90 %')).toBeInTheDocument();
    expect(screen.getByText('Your answer: 93 of a hundred.')).toBeInTheDocument();
  });

  it('says of a tub what its mark told, against the plan', () => {
    renderInApp(<Coach asked={tub} score={0.2} />);
    expect(screen.getByText(/4\s°C cooler than planned.*well above 1\.3×/)).toBeInTheDocument();
    expect(screen.queryByText(/Good for another/)).not.toBeInTheDocument();
  });
});
