import { describe, expect, it, jest } from '@jest/globals';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { renderInApp } from '../test-support/render';
import { FromTo } from './fields/FromTo';
import { NumberCell } from './fields/NumberCell';
import { DISPLAY_CHOICES } from '@calm/contract';
import { makeFormats } from '@calm/domain';
import { reading } from '../test-support/words';
import { onOrAfter, readClockTime } from './fields/clockTime';
import { TimeOfDay } from './fields/TimeOfDay';
import { BlockList } from './layout/BlockList';
import { RecordDialog } from './layout/RecordDialog';
import { Failed } from './messages/Failed';
import { useNotices } from './messages/Notices';
import { problemOf } from './messages/problemOf';
import { TwoSides } from './messages/TwoSides';
import { WhyThis } from './messages/WhyThis';

const user = () => userEvent.setup();

describe('times of day', () => {
  it('are minutes from midnight; past it is the next morning', () => {
    expect(
      ['14:40', '1440', '9', '2:40 pm', '12:05 AM', '7.15', '2:40 م'].map(readClockTime),
    ).toEqual([880, 880, 540, 880, 5, 435, 880]);
    expect(['', '25:00', '9:75', '13 pm', 'noon'].map(readClockTime)).toEqual(
      Array.from({ length: 5 }, () => null),
    );
    expect(onOrAfter(120, 1080)).toBe(1560);
    expect(onOrAfter(1200, 1080)).toBe(1200);
  });

  it.each([...DISPLAY_CHOICES.language])('are read back as %s writes them', (language) => {
    for (const clock of DISPLAY_CHOICES.clock) {
      const f = makeFormats(reading({ language, clock }));
      for (let minute = 0; minute < 1440; minute += 5) {
        expect([f.timeOfDay(minute), readClockTime(f.timeOfDay(minute))]).toEqual([
          f.timeOfDay(minute),
          minute,
        ]);
      }
    }
  });

  it('are typed as the clock shows them, or taken away', async () => {
    const onChange = jest.fn<(minute: number | null) => void>();
    renderInApp(<TimeOfDay label="From" minute={600} onChange={onChange} />);
    const field = screen.getByLabelText('From');
    expect(field).toHaveValue('10:00');
    fireEvent.change(field, { target: { value: '' } });
    fireEvent.blur(field);
    expect(onChange).toHaveBeenLastCalledWith(null);
    fireEvent.change(field, { target: { value: '12:30' } });
    expect(onChange).toHaveBeenLastCalledWith(750);
  });

  it('say when they end the next morning', async () => {
    const onChange = jest.fn<(hours: { startMin: number; endMin: number }) => void>();
    const hours = { startMin: 17 * 60 + 30, endMin: 25 * 60 };
    renderInApp(<FromTo hours={hours} nextDay="The next day" onChange={onChange} />);
    expect(screen.getByText('The next day')).toBeInTheDocument();
    const [from, to] = screen.getAllByLabelText(/./, { selector: 'input' });
    expect(to).toHaveValue('01:00');
    fireEvent.change(to as HTMLElement, { target: { value: '22:30' } });
    fireEvent.blur(to as HTMLElement);
    expect(onChange).toHaveBeenLastCalledWith({ startMin: 1050, endMin: 1350 });
    fireEvent.change(from as HTMLElement, { target: { value: '02:00' } });
    expect(onChange).toHaveBeenLastCalledWith({ startMin: 120, endMin: 1500 });
  });
});

describe('a number in a table', () => {
  const RULE = { min: 0, max: 200, decimals: 0 };
  function cells(more: Partial<Parameters<typeof NumberCell>[0]> = {}) {
    const onCommit = jest.fn<(value: number) => void>();
    function Page() {
      const [value, setValue] = useState(more.value ?? 40);
      const keep = (to: number) => {
        setValue(to);
        onCommit(to);
      };
      return (
        <NumberCell label="Balls" rule={RULE} step={1} {...more} value={value} onCommit={keep} />
      );
    }
    renderInApp(<Page />);
    return { onCommit, cell: screen.getByRole('textbox', { name: 'Balls' }) };
  }

  it('is typed over and kept on leaving, and not twice', async () => {
    const { cell, onCommit } = cells();
    await user().clear(cell);
    await user().type(cell, '52');
    await user().tab();
    await user().click(cell);
    await user().tab();
    expect(onCommit.mock.calls).toEqual([[52]]);
  });

  it('keeps what cannot be kept as it was typed, with the reason beneath', async () => {
    const { cell, onCommit } = cells();
    await user().clear(cell);
    await user().type(cell, '2.5');
    expect(screen.getByRole('alert')).toHaveTextContent(/whole/i);
    await user().type(cell, '{Escape}');
    expect(cell).toHaveValue('40');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('goes to its neighbours in a grid, and changes by its step elsewhere', async () => {
    const onMove = jest.fn<(cell: HTMLElement, columns: number, rows: number) => void>();
    const { cell, onCommit } = cells({ onMove });
    await user().type(cell, '{ArrowDown}{ArrowRight}');
    expect(onMove.mock.calls.map(([, ...to]) => to)).toEqual([
      [0, 1],
      [1, 0],
    ]);
    expect(onCommit).not.toHaveBeenCalled();
  });

  it('is empty until somebody knows it', async () => {
    const { cell, onCommit } = cells({ isBlank: true });
    expect(cell).toHaveValue('');
    await user().type(cell, '40{Enter}');
    expect(onCommit.mock.calls).toEqual([[40]]);
  });
});

describe('a list whose order matters', () => {
  it('moves blocks up and down and takes them away, and says what was done', async () => {
    const onChange = jest.fn<(blocks: readonly string[], what: string) => void>();
    renderInApp(
      <BlockList
        label="Stages"
        blocks={['Mix', 'Rest', 'Ball']}
        nameOf={(block) => block}
        isRemovable={(block) => block !== 'Mix'}
        onChange={onChange}
      >
        {(block) => <span>{block}</span>}
      </BlockList>,
    );
    const buttons = screen.getAllByRole('button');
    const named = (rx: RegExp) =>
      buttons.find((button) => rx.test(button.getAttribute('aria-label') ?? ''));
    await user().click(named(/Rest.*up|up.*Rest/i) as HTMLElement);
    expect(onChange.mock.lastCall?.[0]).toEqual(['Rest', 'Mix', 'Ball']);
    expect(onChange.mock.lastCall?.[1]).toContain('Rest');
    expect(buttons.filter((button) => !(button as HTMLButtonElement).disabled).length).toBe(6);
  });
});

describe('a record’s dialog', () => {
  it('is sent on Enter, left on Escape, and says what is wrong', async () => {
    const [onKeep, onClose, onRemove] = [jest.fn(), jest.fn(), jest.fn()];
    renderInApp(
      <RecordDialog
        title="Closure"
        wrong="There is one already."
        onKeep={onKeep}
        onClose={onClose}
        onRemove={onRemove}
      >
        <input aria-label="Why" />
      </RecordDialog>,
    );
    expect(screen.getByRole('dialog')).toHaveAccessibleName('Closure');
    expect(screen.getByRole('alert')).toHaveTextContent('There is one already.');
    await user().type(screen.getByLabelText('Why'), 'Holiday{Enter}');
    expect(onKeep).toHaveBeenCalledTimes(1);
    await user().keyboard('{Escape}');
    expect(onClose).toHaveBeenCalledTimes(1);
    const [remove, cancel] = screen.getAllByRole('button');
    await user().click(remove as HTMLElement);
    expect(onRemove).toHaveBeenCalledTimes(1);
    await user().click(cancel as HTMLElement);
    expect(onClose).toHaveBeenCalledTimes(2);
  });

  it('has nothing to delete while the record is new', () => {
    renderInApp(
      <RecordDialog title="Closure" wrong={null} onKeep={jest.fn()} onClose={jest.fn()}>
        <p>Nothing yet</p>
      </RecordDialog>,
    );
    expect(screen.getAllByRole('button')).toHaveLength(2);
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('a working', () => {
  it('opens under its number and closes again', async () => {
    renderInApp(
      <WhyThis about="Water">
        <p>56 − 22 − 21</p>
      </WhyThis>,
    );
    const button = screen.getByRole('button', { name: /Water/ });
    expect(button).toHaveAttribute('aria-expanded', 'false');
    expect(screen.queryByText('56 − 22 − 21')).toBeNull();
    await user().click(button);
    expect(button).toHaveAttribute('aria-expanded', 'true');
    expect(screen.getByText('56 − 22 − 21')).toBeVisible();
    await user().click(button);
    expect(screen.queryByText('56 − 22 − 21')).toBeNull();
  });
});

describe('two sides', () => {
  it('are both said, and either can be kept', async () => {
    const [keep, use] = [jest.fn(), jest.fn()];
    renderInApp(
      <TwoSides what="Balls" theirs="40" mine="52" onKeepTheirs={keep} onUseMine={use} />,
    );
    expect(screen.getByRole('alert')).toHaveTextContent(/40/);
    expect(screen.getByRole('alert')).toHaveTextContent(/52/);
    const [theirs, mine] = screen.getAllByRole('button');
    await user().click(theirs as HTMLElement);
    await user().click(mine as HTMLElement);
    expect([keep.mock.calls.length, use.mock.calls.length]).toEqual([1, 1]);
  });
});

describe('notices', () => {
  /** A page on which things are done that can be undone. */
  function Page({ undo }: { readonly undo: () => Promise<unknown> }) {
    const { changed, said, undoLast } = useNotices();
    return (
      <>
        <button onClick={() => changed('Saved: 52 balls.', undo)}>Change</button>
        <button onClick={() => changed('Typed', undo, { isQuiet: true })}>Type</button>
        <button onClick={() => said('Printed.')}>Print</button>
        <button onClick={undoLast}>Back</button>
      </>
    );
  }

  it('say what was done, with a way back that is gone once', async () => {
    const undo = jest.fn(() => Promise.resolve());
    renderInApp(<Page undo={undo} />);
    await user().click(screen.getByText('Change'));
    expect(screen.getByText('Saved: 52 balls.')).toBeInTheDocument();
    await user().click(screen.getByRole('button', { name: /undo/i }));
    await waitFor(() => expect(screen.getByText(/Saved: 52 balls\..*|.*52/)).toBeInTheDocument());
    expect(undo).toHaveBeenCalledTimes(1);
    await user().click(screen.getByText('Back'));
    expect(undo).toHaveBeenCalledTimes(1);
  });

  it('undo quiet changes too, latest first, and say when it is too late', async () => {
    const order: string[] = [];
    const undo = jest.fn(() => {
      order.push('undone');
      return Promise.reject(new Error('somebody was faster'));
    });
    renderInApp(<Page undo={undo} />);
    await user().click(screen.getByText('Print'));
    expect(screen.getByText('Printed.')).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: /^undo$/i })).toBeNull();
    await user().click(screen.getByText('Type'));
    await user().click(screen.getByText('Back'));
    await waitFor(() => expect(screen.getByText(/Typed/)).toBeInTheDocument());
    expect(order).toEqual(['undone']);
  });
});

describe('a page that could not be read', () => {
  const document = {
    type: '/problems/not-found',
    title: '',
    status: 404,
    detail: '',
    requestId: 'r-7',
  };

  it('says that the house was not reached, and tries again', async () => {
    const onRetry = jest.fn();
    renderInApp(<Failed error={{ status: 'FETCH_ERROR' }} onRetry={onRetry} />);
    await user().click(screen.getByRole('button'));
    expect(onRetry).toHaveBeenCalledTimes(1);
  });

  it('leads away from what is not there, and names the request of what went wrong', () => {
    renderInApp(<Failed error={{ data: document }} onRetry={jest.fn()} />);
    expect(screen.getByRole('link')).toHaveAttribute('href', '/');
    renderInApp(<Failed error={{ data: { ...document, status: 500 } }} onRetry={jest.fn()} />);
    expect(screen.getByText(/r-7/)).toBeInTheDocument();
  });

  it('knows a problem document, as an object and as a text, and nothing else', () => {
    expect(problemOf({ data: document })).toEqual(document);
    expect(problemOf({ data: JSON.stringify(document) })).toEqual(document);
    for (const other of [null, undefined, {}, { data: 'gone' }, { data: { status: 404 } }]) {
      expect(problemOf(other)).toBeNull();
    }
  });
});
