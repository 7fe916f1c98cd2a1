import { TILDE as ME } from '../test-support/session';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import i18next from 'i18next';
import { useLocation } from 'react-router';
import { houseServer, problem } from '../test-support/houseServer';
import { renderInApp } from '../test-support/render';
import { allKept, notKept, posted, refused, type OutboxItem } from '../state/outbox/outbox';
import { preferred } from '../state/preferences';
import { makeStore } from '../state/store';
import { KeysDialog } from './KeysDialog';
import { PreferencesDialog } from './PreferencesDialog';
import { OutboxBar } from './rail/OutboxBar';
import { OwnerForm } from './sign-in/OwnerForm';
import { PasswordForm } from './sign-in/PasswordForm';
import { PinPad } from './sign-in/PinPad';
import { STOPS } from './spine/stops';
import { useKeys } from './useKeys';

const { t } = i18next;
const user = () => userEvent.setup();

let server: Awaited<ReturnType<typeof houseServer>> | null = null;
afterEach(async () => {
  await server?.close();
  server = null;
});

describe('the pad for a PIN', () => {
  it('takes large keys and a keyboard’s digits, and shows none of them', async () => {
    const onSubmit = jest.fn<(pin: string) => void>();
    renderInApp(<PinPad isBusy={false} onSubmit={onSubmit} />);
    const signIn = screen.getByRole('button', { name: t('signIn.comeIn') });
    await user().click(screen.getByRole('button', { name: '7' }));
    fireEvent.keyDown(window, { key: '3' });
    fireEvent.keyDown(window, { key: 'x' });
    expect(signIn).toBeDisabled();
    for (const key of ['5', '9', 'Backspace', '1']) fireEvent.keyDown(window, { key });
    expect(screen.getByRole('status', { name: t('signIn.pin') })).toHaveTextContent('●●●●');
    expect(document.body).not.toHaveTextContent('7351');
    expect(signIn).toBeEnabled();
    fireEvent.keyDown(window, { key: 'Enter' });
    expect(onSubmit.mock.calls).toEqual([['7351']]);
  });

  it('takes no more digits than a PIN has, and is sent once at a time', async () => {
    const onSubmit = jest.fn<(pin: string) => void>();
    renderInApp(<PinPad isBusy onSubmit={onSubmit} />);
    for (const digit of '1234567890') fireEvent.keyDown(window, { key: digit });
    expect(screen.getByRole('status', { name: t('signIn.pin') }).textContent).toHaveLength(8);
    fireEvent.keyDown(window, { key: 'Enter' });
    expect(screen.getByRole('button', { name: t('signIn.comeIn') })).toBeDisabled();
    expect(onSubmit).not.toHaveBeenCalled();
    await user().click(screen.getByRole('button', { name: t('signIn.delete') }));
    expect(screen.getByRole('status', { name: t('signIn.pin') }).textContent).toHaveLength(7);
  });
});

describe('a manager’s password', () => {
  it('is sent on Enter, and not while it is empty', async () => {
    const onSubmit = jest.fn<(password: string) => void>();
    renderInApp(<PasswordForm isBusy={false} onSubmit={onSubmit} />);
    expect(screen.getByRole('button')).toBeDisabled();
    const field = screen.getByLabelText(t('signIn.password'));
    expect(field).toHaveAttribute('type', 'password');
    await user().type(field, 'four plain words here{Enter}');
    expect(onSubmit.mock.calls).toEqual([['four plain words here']]);
  });
});

describe('the first account', () => {
  const fill = async () => {
    renderInApp(<OwnerForm house="yard" />);
    await user().type(screen.getByLabelText(new RegExp(t('signIn.code'))), 'K7QM-2XHD-9RTE');
    await user().type(screen.getByLabelText(new RegExp(t('signIn.name'))), 'Odile');
    await user().type(screen.getByLabelText(new RegExp(t('signIn.initials'))), 'od');
    await user().type(
      screen.getByLabelText(new RegExp(t('signIn.password'))),
      'a few words nobody says{Enter}',
    );
  };

  it('is sent whole, initials in capitals', async () => {
    server = await houseServer(() => ({ status: 201 }));
    await fill();
    await waitFor(() => expect(server?.writes()).toHaveLength(1));
    expect(server.writes()[0]).toMatchObject({
      method: 'POST',
      path: '/api/v1/houses/yard/owner',
      body: { name: 'Odile', initials: 'OD', password: 'a few words nobody says' },
    });
  });

  it('is not sent with a password that anybody could guess', async () => {
    server = await houseServer(() => ({ status: 201 }));
    renderInApp(<OwnerForm house="yard" />);
    await user().type(screen.getByLabelText(new RegExp(t('signIn.code'))), 'K7QM-2XHD-9RTE');
    await user().type(screen.getByLabelText(new RegExp(t('signIn.name'))), 'Odile');
    await user().type(screen.getByLabelText(new RegExp(t('signIn.initials'))), 'od');
    const password = screen.getByLabelText(new RegExp(t('signIn.password')));
    await user().type(password, 'short{Enter}');
    expect(password).toHaveAttribute('aria-invalid', 'true');
    expect(password).toHaveAccessibleDescription(t('signIn.passwordHow', { count: 10 }));
    expect(server.writes()).toEqual([]);
  });

  it('says why it was refused, and keeps what was typed', async () => {
    server = await houseServer(() => problem('bad-input', 400));
    await fill();
    expect(await screen.findByRole('alert')).toHaveTextContent(t('problems.bad-input'));
    expect(screen.getByLabelText(new RegExp(t('signIn.name')))).toHaveValue('Odile');
  });

  it('says that the house was not reached', async () => {
    server = await houseServer(() => null);
    await fill();
    expect(await screen.findByRole('alert')).toHaveTextContent(t('signIn.unreached'));
  });
});

describe('how somebody reads numbers', () => {
  it('is chosen once, kept with the person, and remembered by the device', async () => {
    const store = makeStore();
    server = await houseServer(({ path }) => ({ body: path.includes('session') ? ME : {} }));
    renderInApp(<PreferencesDialog onClose={jest.fn()} />, { store });
    const choose = async (of: string, value: string | RegExp) => {
      await user().click(screen.getByLabelText(t(`reading.title.${of}`)));
      await user().click(screen.getByRole('option', { name: value }));
    };
    await choose('mass', t('reading.value.us'));
    await choose('temp', t('reading.value.fahrenheit'));
    await choose('clock', /^12 hours: 2:40/);
    const wanted = { mass: 'us', temp: 'fahrenheit', clock: '12h' };
    expect(store.getState().display).toMatchObject(wanted);
    expect(makeStore().getState().display).toMatchObject(wanted);
    await waitFor(() =>
      expect(server?.writes().at(-1)).toMatchObject({
        method: 'PUT',
        path: '/api/v1/houses/yard/session/preferences',
        body: wanted,
      }),
    );
  });
});

describe('keys', () => {
  function Page({ onHelp }: { readonly onHelp: () => void }) {
    useKeys(onHelp, jest.fn());
    const { pathname } = useLocation();
    return (
      <>
        <output>{pathname}</output>
        <input aria-label="A field" />
      </>
    );
  }

  it('go to every stop, and not while somebody types', async () => {
    renderInApp(<Page onHelp={jest.fn()} />);
    const path = () => screen.getByRole('status').textContent;
    for (const stop of STOPS) {
      fireEvent.keyDown(document.body, { key: stop.digit });
      expect(path()).toBe(`/yard/${stop.path}`);
    }
    const before = path();
    await user().type(screen.getByLabelText('A field'), STOPS[0]?.digit ?? '');
    expect(path()).toBe(before);
    fireEvent.keyDown(document.body, { key: STOPS[0]?.digit, ctrlKey: true });
    expect(path()).toBe(before);
  });

  it('move the time cursor, snap it back to now, and open their list', () => {
    const onHelp = jest.fn();
    const store = makeStore();
    renderInApp(<Page onHelp={onHelp} />, { store });
    const before = store.getState().cursor;
    fireEvent.keyDown(document.body, { key: ']' });
    expect(store.getState().cursor).not.toEqual(before);
    fireEvent.keyDown(document.body, { key: 'n' });
    expect(store.getState().cursor).toEqual(before);
    fireEvent.keyDown(document.body, { key: '?' });
    expect(onHelp).toHaveBeenCalledTimes(1);
  });

  it('are left to whatever stands over the page, and can be turned off', async () => {
    const onHelp = jest.fn();
    const store = makeStore();
    const page = (isOpen: boolean) => (
      <>
        <Page onHelp={onHelp} />
        {isOpen && (
          <div role="dialog">
            <button type="button">Cancel</button>
          </div>
        )}
      </>
    );
    const { rerender } = renderInApp(page(true), { store });
    screen.getByText('Cancel').focus();
    await user().keyboard('4?');
    expect(screen.getByRole('status')).toHaveTextContent('/yard');
    rerender(page(false));
    await user().keyboard('?');
    expect(onHelp).toHaveBeenCalledTimes(1);
    act(() => store.dispatch(preferred({ areKeysOn: false })));
    await user().keyboard('?');
    expect(onHelp).toHaveBeenCalledTimes(1);
  });

  it('can be changed; whoever had the new key takes the old one', async () => {
    const store = makeStore();
    renderInApp(<KeysDialog onClose={jest.fn()} />, { store });
    const field = (what: string) => screen.getByLabelText(t('keys.keyOf', { what }));
    field(t('stops.plan')).focus();
    await user().keyboard('1');
    expect(field(t('stops.plan'))).toHaveValue('1');
    expect(field(t('stops.tonight'))).toHaveValue('4');
    await user().click(screen.getByRole('button', { name: t('keys.reset') }));
    expect(field(t('stops.plan'))).toHaveValue('4');
  });

  it('are all listed', () => {
    renderInApp(<KeysDialog onClose={jest.fn()} />);
    const dialog = within(screen.getByRole('dialog'));
    for (const { path } of STOPS) {
      expect(dialog.getByText(t(`stops.${path}`))).toBeInTheDocument();
    }
  });
});

describe('what was done here and is not in the house', () => {
  const item = (more: Partial<OutboxItem> = {}): OutboxItem => ({
    id: '00000000-0000-4000-8000-000000000001',
    house: 'yard',
    personId: 'tilde',
    sessionId: ME.id,
    at: '2026-11-25T14:40:00.000Z',
    words: 'YR-1125-A: Mix done',
    refusal: null,
    command: {
      kind: 'mark',
      lotId: 'a-lot',
      loadNumber: 1,
      stepKey: 'mix',
      change: { version: 0, isDone: true },
    },
    ...more,
  });
  const stale = problem('stale', 409, {
    current: { doneAt: null, startedAt: null, skippedWhy: 'No flour', version: 3 },
  })?.body as NonNullable<OutboxItem['refusal']>;

  /** A device with some items; whoever is signed in is Tilde, and marks are not taken. */
  async function bar(...items: readonly OutboxItem[]) {
    server = await houseServer(({ path }) =>
      path.endsWith('/session') ? { body: ME } : problem('not-ready', 503),
    );
    const store = makeStore();
    for (const each of items) store.dispatch(posted({ ...each, refusal: null }));
    for (const { id, refusal } of items) if (refusal) store.dispatch(refused({ id, refusal }));
    renderInApp(<OutboxBar />, { store });
    return store;
  }

  it('says how much waits while the house cannot be reached', async () => {
    await bar(item());
    expect(await screen.findByText(t('outbox.waits', { count: 1 }))).toBeInTheDocument();
  });

  it('says what somebody else has done here, which goes when they sign in', async () => {
    await bar(item({ personId: 'bashir', sessionId: 'his' }));
    expect(await screen.findByRole('status')).toHaveTextContent(/^1 /);
    expect(server?.writes()).toEqual([]);
  });

  it('asks whoever comes back whether what was done in an earlier signing in is theirs', async () => {
    const store = await bar(item({ sessionId: 'yesterday' }));
    const told = await screen.findByRole('alert');
    expect(told).toHaveTextContent('YR-1125-A: Mix done');
    expect(server?.writes()).toEqual([]);
    await user().click(screen.getByRole('button', { name: t('outbox.sendEarlier') }));
    expect(store.getState().outbox.items[0]?.sessionId).toBe(ME.id);
    await waitFor(() => expect(server?.writes()).toHaveLength(1));
  });

  it('says loudly when the device could not keep it', async () => {
    const store = await bar();
    act(() => void store.dispatch(notKept()));
    expect(await screen.findByRole('alert')).toHaveTextContent(t('outbox.unkept'));
    act(() => void store.dispatch(allKept()));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  });

  it('shows both sides of what was not taken, and lets go of it', async () => {
    const store = await bar(item({ refusal: stale }));
    const told = await screen.findByRole('alert');
    expect(told).toHaveTextContent('YR-1125-A: Mix done');
    expect(told).toHaveTextContent('No flour');
    await user().click(screen.getByRole('button', { name: t('outbox.keepTheirs') }));
    expect(store.getState().outbox.items).toEqual([]);
  });

  it('sends mine over theirs, with the version that the house has now', async () => {
    const store = await bar(item({ refusal: stale }));
    await user().click(await screen.findByRole('button', { name: t('outbox.useMine') }));
    const [again] = store.getState().outbox.items;
    expect(again).toMatchObject({
      refusal: null,
      command: { change: { version: 3, isDone: true } },
    });
    await waitFor(() => expect(server?.writes().at(0)?.body).toMatchObject({ version: 3 }));
  });

  it('has nothing to compare where the house has nothing: it is dropped or sent again', async () => {
    const gone = problem('not-found', 404)?.body as NonNullable<OutboxItem['refusal']>;
    const store = await bar(item({ refusal: gone }));
    expect(await screen.findByRole('alert')).toHaveTextContent(t('problems.not-found'));
    expect(screen.getByRole('button', { name: t('outbox.again') })).toBeEnabled();
    await user().click(screen.getByRole('button', { name: t('outbox.drop') }));
    expect(store.getState().outbox.items).toEqual([]);
  });
});
