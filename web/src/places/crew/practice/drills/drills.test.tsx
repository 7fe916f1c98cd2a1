import type { ChoiceQuestion, CutQuestion, DrillAnswer, NumberQuestion } from '@calm/domain';
import { describe, expect, it, jest } from '@jest/globals';
import { createTheme, ThemeProvider } from '@mui/material/styles';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderInApp } from '../../../../test-support/render';
import { Explained } from './Explained';
import { Question } from './Question';
import { drillOf } from './useDrill';

const water: NumberQuestion = {
  kind: 'number',
  skill: 'water',
  told: {
    names: { product: 'Round' },
    tempsC: { dough: 24, room: 22, flour: 20, friction: 14, head: 16, balance: 15.4 },
  },
  unit: 'temperature',
  right: 15,
  within: 1,
  wrongFrom: 7,
};
const flour: NumberQuestion = {
  kind: 'number',
  skill: 'scaling',
  told: {
    names: { product: 'Round' },
    counts: { balls: 100, water: 62 },
    grams: { ball: 275, dough: 27_500 },
  },
  unit: 'mass',
  right: 16_900,
  within: 338,
  wrongFrom: 2535,
};
const caution: ChoiceQuestion = {
  kind: 'choice',
  skill: 'cautions',
  about: 'caution.cold.about',
  told: { tempsC: { limit: 5, air: 9 } },
  options: [
    { key: 'caution.cold.worse', worth: 0 },
    { key: 'caution.cold.first', worth: 1 },
  ],
};
const cut: CutQuestion = {
  kind: 'cut',
  skill: 'dividing',
  wholeG: 1000,
  wantedG: 250,
  thickness: [1, 1, 1, 1],
  tolerancePercent: 2,
};

describe('a question of a drill', () => {
  const onSay = jest.fn<(answer: DrillAnswer) => void>();
  const user = userEvent.setup();

  it('wants a number, in the unit that it is typed in', async () => {
    renderInApp(<Question question={water} said={null} onSay={onSay} />);
    expect(screen.getByText(/Round shall come off the mixer at 24 °C/)).toBeInTheDocument();
    const say = screen.getByRole('button', { name: 'Say so' });
    expect(say).toBeDisabled();
    await user.type(screen.getByRole('textbox', { name: /^Water/ }), '14');
    await user.click(say);
    expect(onSay).toHaveBeenLastCalledWith(14);
  });

  it('takes kilograms for grams', async () => {
    renderInApp(<Question question={flour} said={null} onSay={onSay} />);
    await user.type(screen.getByRole('textbox', { name: /^Flour/ }), '17');
    await user.click(screen.getByRole('button', { name: 'Say so' }));
    expect(onSay).toHaveBeenLastCalledWith(17_000);
  });

  it('names the house’s own limit, and takes one answer', async () => {
    renderInApp(<Question question={caution} said={null} onSay={onSay} />);
    expect(screen.getByText(/has 9 °C; this house’s limit is 5 °C/)).toBeInTheDocument();
    await user.click(screen.getByRole('button', { name: /^Keep the door shut/ }));
    expect(onSay).toHaveBeenLastCalledWith(1);
  });

  it('has its slider over its cut where words are read from the right', async () => {
    const { container } = renderInApp(
      <ThemeProvider theme={createTheme({ direction: 'rtl' })}>
        <Question question={cut} said={null} onSay={onSay} />
      </ThemeProvider>,
    );
    await userEvent.tab();
    await userEvent.keyboard('{ArrowRight>20/}');
    const line = Number(container.querySelector('line')?.getAttribute('x1'));
    expect(line).toBeGreaterThan(200);
    const thumb = container.querySelector<HTMLElement>('.MuiSlider-thumb');
    expect(parseFloat(thumb?.style.right ?? '')).toBeCloseTo(100 - line / 4, 6);
  });

  it('cuts where the slider stands', async () => {
    renderInApp(<Question question={cut} said={null} onSay={onSay} />);
    await user.tab();
    expect(screen.getByRole('slider', { name: 'Where to cut' })).toHaveFocus();
    await user.keyboard('{Home}');
    await user.click(screen.getByRole('button', { name: 'Cut here' }));
    expect(onSay).toHaveBeenLastCalledWith(0);
  });
});

describe('what would have been right', () => {
  it('is told with the numbers behind it', () => {
    renderInApp(<Explained question={water} said={{ answer: 20, score: 0.3 }} />);
    expect(screen.getByRole('status')).toHaveTextContent(/Not quite.*The sheet pours 15 °C/);
    expect(screen.getByRole('status')).toHaveTextContent('30 of a hundred');
  });

  it('of a cut is its weight, and how far that is off', () => {
    renderInApp(<Explained question={cut} said={{ answer: 0.3, score: 0.1 }} />);
    expect(screen.getByRole('status')).toHaveTextContent(
      /It weighs 300 g instead of 250 g: 20 % off/,
    );
  });
});

describe('a round that is not over', () => {
  it('is kept on the device', () => {
    const storage = drillOf('yard', 'ben', 'water');
    expect(storage.read()).toEqual([]);
    storage.write([1, 0.5]);
    expect(drillOf('yard', 'ben', 'water').read()).toEqual([1, 0.5]);
    localStorage.setItem(storage.key, '["x"]');
    expect(storage.read()).toEqual([]);
  });
});
