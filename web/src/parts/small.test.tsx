import { describe, expect, it, jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { renderInApp } from '../test-support/render';
import type { DateOrder } from '@calm/domain/columns';
import { Choice } from './fields/Choice';
import { DateOrderChoice } from './fields/DateOrderChoice';
import { TextCell } from './fields/TextCell';
import { Ball, type Silhouette } from './lots/Ball';

describe('one of a few', () => {
  it('is said in words and handed on as it is', async () => {
    const onChange = jest.fn<(value: number) => void>();
    renderInApp(
      <Choice
        label="People"
        value={1}
        values={[1, 2]}
        say={(people) => `${people} at the bench`}
        onChange={onChange}
      />,
    );
    const user = userEvent.setup();
    await user.click(screen.getByRole('combobox', { name: 'People' }));
    await user.click(screen.getByRole('option', { name: '2 at the bench' }));
    expect(onChange.mock.calls).toEqual([[2]]);
  });
});

describe('the order of a file’s dates', () => {
  const shown = (example: string, orders: readonly DateOrder[], order: DateOrder) => {
    const { container, unmount } = renderInApp(
      <DateOrderChoice
        column={{ example, orders }}
        order={order}
        width={200}
        onChange={() => undefined}
      />,
    );
    const text = container.querySelector('p')?.textContent;
    unmount();
    return text;
  };

  it('is asked about where nothing in the file tells it, and shown by an example where something does', () => {
    const either: readonly DateOrder[] = ['day-first', 'month-first'];
    expect(shown('03/04/2026', either, 'day-first')).toMatch(
      /^The file does not tell day from month\. Is 03\/04\/2026 Fri 3 Apr/,
    );
    expect(shown('03/04/2026', either, 'month-first')).toMatch(/Is 03\/04\/2026 Wed 4 Mar/);
    expect(shown('13/04/2026', ['day-first'], 'day-first')).toMatch(/^13\/04\/2026 is Mon 13 Apr/);
    expect(shown('13/04/2026', ['day-first'], 'month-first')).toBe(
      '13/04/2026 is no date in this order.',
    );
  });
});

describe('a short text', () => {
  function cell(more: Partial<Parameters<typeof TextCell>[0]> = {}) {
    const onCommit = jest.fn<(value: string) => void>();
    function Page() {
      const [value, setValue] = useState('Yard dough');
      const keep = (to: string) => {
        setValue(to);
        onCommit(to);
      };
      return <TextCell label="Name" most={20} {...more} value={value} onCommit={keep} />;
    }
    renderInApp(<Page />);
    return { onCommit, field: screen.getByLabelText('Name'), user: userEvent.setup() };
  }

  it('is kept on Enter and on leaving, without what is around it', async () => {
    const { field, user, onCommit } = cell();
    await user.clear(field);
    await user.type(field, '  Round dough {Enter}');
    await user.clear(field);
    await user.type(field, 'Slab dough');
    await user.tab();
    expect(onCommit.mock.calls).toEqual([['Round dough'], ['Slab dough']]);
  });

  it('goes back on Escape, and when nothing is left of it', async () => {
    const { field, user, onCommit } = cell();
    await user.type(field, ' and more{Escape}');
    expect(field).toHaveValue('Yard dough');
    await user.clear(field);
    await user.tab();
    expect(field).toHaveValue('Yard dough');
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('is emptied where it may be', async () => {
    const { field, user, onCommit } = cell({ mayBeEmpty: true });
    await user.clear(field);
    await user.tab();
    expect(onCommit.mock.calls).toEqual([['']]);
  });
});

describe('a ball', () => {
  it.each(['low', 'dome', 'full', 'slumped'] satisfies Silhouette[])(
    'has an outline of its own when it is %s, and is not read aloud',
    (shape) => {
      const { container } = renderInApp(<Ball shape={shape} count={8} />);
      const ball = container.querySelector(`[data-shape=${shape}]`);
      expect(ball).toHaveAttribute('aria-hidden', 'true');
      expect(ball).toHaveTextContent('8');
      const outlines = (['low', 'dome', 'full', 'slumped'] as const).map(
        (each) =>
          renderInApp(<Ball shape={each} />)
            .container.querySelector('path')
            ?.getAttribute('d') ?? '',
      );
      expect(new Set(outlines).size).toBe(4);
    },
  );
});
