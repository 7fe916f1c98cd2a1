import type { Role } from '@calm/contract';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { act, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import i18next from 'i18next';
import { houseServer, problem } from '../test-support/houseServer';
import { renderHookInApp, renderInApp } from '../test-support/render';
import { usePermission } from './api/usePermission';
import { useWrite } from './api/useWrite';
import { plainContent, useRecordEditor } from './drafts/useRecordEditor';
import { useBatches } from './useBatches';

const { t } = i18next;

let server: Awaited<ReturnType<typeof houseServer>> | null = null;
afterEach(async () => {
  await server?.close();
  server = null;
});

describe('what a role may do on the page', () => {
  it.each([
    ['manager', true, true],
    ['hand', true, false],
    ['oven', false, false],
    ['viewer', false, false],
  ] as const)('%s: make %s, crew %s', async (role: Role, make, crew) => {
    server = await houseServer(() => ({
      body: { personId: 'p', name: 'P', initials: 'P', role },
    }));
    const { result } = renderHookInApp(
      () => ({
        see: usePermission('see'),
        make: usePermission('make'),
        crew: usePermission('crew'),
      }),
      { at: '/yard' },
    );
    expect(result.current).toEqual({ see: false, make: false, crew: false });
    await waitFor(() => expect(result.current.see).toBe(true));
    expect(result.current).toEqual({ see: true, make, crew });
  });
});

const asError = (answer: ReturnType<typeof problem>) => ({ data: answer?.body });

describe('a write', () => {
  it('comes to what the house acknowledged', async () => {
    const { result } = renderHookInApp(() => useWrite((mine: number) => Promise.resolve(mine * 2)));
    let saved: number | null = null;
    await act(async () => {
      saved = await result.current.write(21);
    });
    expect(saved).toBe(42);
    expect(result.current).toMatchObject({ stale: null, isSending: false });
  });

  it('that somebody else was faster with keeps both sides until one is chosen', async () => {
    const stale = asError(problem('stale', 409, { current: 40 }));
    const { result } = renderHookInApp(() => useWrite((_mine: number) => Promise.reject(stale)));
    await act(async () => {
      expect(await result.current.write(52)).toBeNull();
    });
    expect(result.current.stale).toEqual({ theirs: 40, mine: 52 });
    act(() => result.current.settle());
    expect(result.current.stale).toBeNull();
  });

  it.each([
    ['not reached', {}, /not saved/i],
    ['gone', asError(problem('not-found', 404)), /./],
    ['refused', asError(problem('in-use', 409)), t('problems.in-use')],
  ])('that was %s says so', async (_how, error, words) => {
    function Page() {
      const { write } = useWrite((_mine: number) => Promise.reject(error));
      return <button onClick={() => void write(1)}>Save</button>;
    }
    renderInApp(<Page />);
    await userEvent.setup().click(screen.getByText('Save'));
    await waitFor(() => expect(screen.getByRole('alert')).toHaveTextContent(words));
  });
});

describe('the editor of a record', () => {
  interface Note {
    readonly id: string;
    readonly version: number;
    readonly text: string;
  }
  const unwrap = <T,>(value: Promise<T>) => ({ unwrap: () => value });
  /** Writes as a house would take them, with what was sent. */
  function writes(fails: object | null = null) {
    const sent: unknown[] = [];
    const take = (kind: string, what: object, stored: Note) => {
      sent.push({ kind, ...what });
      return unwrap(fails ? Promise.reject(fails) : Promise.resolve(stored));
    };
    return {
      sent,
      add: (what: { house: string; content: { text: string } }) =>
        take('add', what, { id: 'new', version: 1, text: what.content.text }),
      change: (what: {
        house: string;
        id: string;
        change: { version: number; content: { text: string } };
      }) =>
        take('change', what, {
          id: what.id,
          version: what.change.version + 1,
          text: what.change.content.text,
        }),
      remove: (what: { house: string; id: string }) =>
        take('remove', what, { id: what.id, version: 1, text: '' }),
    };
  }
  const editor = (record: Note | null, own: ReturnType<typeof writes>, onClose = jest.fn()) => {
    function Page() {
      const editing = useRecordEditor<{ text: string }, Note>({
        house: 'yard',
        of: 'note',
        record,
        start: () => ({ text: '' }),
        contentOf: plainContent,
        writes: own,
        say: { kept: ({ text }) => `Saved: ${text}.`, removed: ({ text }) => `Gone: ${text}.` },
        onClose,
      });
      return (
        <>
          <input
            aria-label="Text"
            value={editing.content.text}
            onChange={(event) => editing.put({ text: event.target.value })}
          />
          {editing.isRestored && <p>restored</p>}
          <button onClick={() => editing.keep({ text: 'later' })}>Save</button>
          <button onClick={editing.takeOut}>Delete</button>
          <button onClick={editing.leave}>Cancel</button>
          {editing.wrong && <p role="status">{editing.wrong}</p>}
        </>
      );
    }
    const { unmount } = renderInApp(<Page />);
    const text = () => screen.getByRole('textbox', { name: 'Text' });
    return { onClose, unmount, text, user: userEvent.setup() };
  };
  const NOTE: Note = { id: 'n', version: 3, text: 'before' };

  it('adds a new one; undo deletes it', async () => {
    const own = writes();
    const { onClose, user } = editor(null, own);
    await user.click(screen.getByText('Save'));
    await waitFor(() => expect(onClose).toHaveBeenCalledTimes(1));
    expect(screen.getByText('Saved: later.')).toBeInTheDocument();
    await user.click(screen.getByRole('button', { name: /undo/i }));
    expect(own.sent).toEqual([
      { kind: 'add', house: 'yard', content: { text: 'later' } },
      { kind: 'remove', house: 'yard', id: 'new' },
    ]);
  });

  it('changes one over the version it read; undo writes what it was over the new one', async () => {
    const own = writes();
    const { user } = editor(NOTE, own);
    await user.click(screen.getByText('Save'));
    await user.click(await screen.findByRole('button', { name: /undo/i }));
    expect(own.sent).toEqual([
      {
        kind: 'change',
        house: 'yard',
        id: 'n',
        change: { version: 3, content: { text: 'later' } },
      },
      {
        kind: 'change',
        house: 'yard',
        id: 'n',
        change: { version: 4, content: { text: 'before' } },
      },
    ]);
  });

  it('deletes one; undo adds it again', async () => {
    const own = writes();
    const { user } = editor(NOTE, own);
    await user.click(screen.getByText('Delete'));
    await user.click(await screen.findByRole('button', { name: /undo/i }));
    expect(own.sent).toEqual([
      { kind: 'remove', house: 'yard', id: 'n' },
      { kind: 'add', house: 'yard', content: { text: 'before' } },
    ]);
  });

  describe('what is typed', () => {
    /** The page is loaded again: only what is on the device is left. */
    const again = (record: Note | null) => editor(record, writes());

    it.each([
      ['a new one', null],
      ['a record', NOTE],
    ])('into %s is there after a reload', async (_what, record) => {
      const { text, unmount, user } = again(record);
      expect(screen.queryByText('restored')).toBeNull();
      await user.clear(text());
      await user.type(text(), 'half');
      unmount();
      const { text: later } = again(record);
      expect(later()).toHaveValue('half');
      expect(screen.getByText('restored')).toBeVisible();
    });

    it.each(['Cancel', 'Save'])('is gone after %s', async (press) => {
      const { text, unmount, onClose, user } = again(NOTE);
      await user.type(text(), ' and more');
      await user.click(screen.getByText(press));
      await waitFor(() => expect(onClose).toHaveBeenCalled());
      unmount();
      expect(again(NOTE).text()).toHaveValue('before');
    });

    it('is not put over a record that somebody else has changed since', async () => {
      const { text, unmount, user } = again(NOTE);
      await user.type(text(), ' mine');
      unmount();
      const { text: later } = again({ ...NOTE, version: 4, text: 'theirs' });
      expect(later()).toHaveValue('theirs');
      expect(screen.queryByText('restored')).toBeNull();
    });
  });

  it('stays open with the reason when it was refused', async () => {
    const { onClose, user } = editor(NOTE, writes(asError(problem('in-use', 409))));
    await user.click(screen.getByText('Delete'));
    expect(await screen.findByRole('status')).toHaveTextContent(t('problems.in-use'));
    expect(onClose).not.toHaveBeenCalled();
  });
});

describe('work in batches', () => {
  const deferred = () => {
    let resolve = () => {};
    let reject = (_why: Error) => {};
    const promise = new Promise<void>((yes, no) => {
      resolve = () => yes();
      reject = no;
    });
    return { promise, resolve, reject };
  };

  it('shows its steps, and not those of a run that was left', async () => {
    const { result } = renderHookInApp(() => useBatches('choose', 'It failed.'));
    const [first, second] = [deferred(), deferred()];
    act(() =>
      result.current.begin(async (mine) => {
        result.current.step(mine, 'reading');
        await first.promise;
        result.current.step(mine, 'read');
      }),
    );
    expect(result.current.state).toBe('reading');
    act(() => result.current.leave());
    act(() =>
      result.current.begin(async (mine) => {
        await second.promise;
        result.current.step(mine, 'second');
      }),
    );
    await act(async () => first.resolve());
    expect(result.current.state).toBe('choose');
    await act(async () => second.resolve());
    expect(result.current.state).toBe('second');
  });

  it('goes back to the last safe step when something fails', async () => {
    const { result } = renderHookInApp(() => useBatches('choose', 'It failed.'));
    act(() => result.current.makeSafe('columns'));
    await act(async () => {
      result.current.begin((mine) => {
        result.current.step(mine, 'sending');
        return Promise.reject(new Error('cut off'));
      });
      await Promise.resolve();
    });
    expect(result.current.state).toBe('columns');
    expect(screen.getByText('It failed.')).toBeInTheDocument();
    act(() => result.current.back());
    expect(result.current.state).toBe('columns');
  });
});
