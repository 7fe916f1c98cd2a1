import type { Machine, MachineStart } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import { renderInApp } from '../../test-support/render';
import { EnteredLate } from '../messages/EnteredLate';
import { Machines } from './Machines';

const MACHINE: Machine = {
  id: 'm',
  kind: 'till',
  name: 'Counter',
  probeId: null,
  issuedAt: '2026-11-25T08:00:00.000Z',
  lastSeenAt: null,
  revokedAt: null,
};

describe('machines that post by themselves', () => {
  it('are let in by name, with a token that is shown then', async () => {
    const started: MachineStart[] = [];
    const issue = (start: MachineStart) => {
      started.push(start);
      return Promise.resolve('a-token');
    };
    renderInApp(
      <Machines kind="till" machines={[]} issue={issue} revoke={() => Promise.resolve()} />,
    );
    expect(
      (screen.getByRole('button', { name: 'Make a token' }) as HTMLButtonElement).disabled,
    ).toBe(true);
    fireEvent.change(screen.getByLabelText('Name of the till'), { target: { value: ' Bar ' } });
    fireEvent.click(screen.getByRole('button', { name: 'Make a token' }));
    expect(await screen.findByText('a-token')).toBeTruthy();
    expect(started).toEqual([{ kind: 'till', name: 'Bar', probeId: null }]);
  });

  it('are shut out by a press, and say why where that could not be', async () => {
    const revoke = () => Promise.reject(new Error('no network'));
    renderInApp(
      <Machines
        kind="till"
        machines={[MACHINE, { ...MACHINE, id: 'n', name: 'Old', revokedAt: MACHINE.issuedAt }]}
        issue={() => Promise.resolve('')}
        revoke={revoke}
      />,
    );
    expect(screen.queryByRole('button', { name: 'Shut out Old' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Shut out Counter' }));
    expect(await screen.findByRole('alert')).toBeTruthy();
  });
});

describe('what was entered late', () => {
  it('says so, and what was entered at once does not', () => {
    const at = '2026-11-25T08:00:00.000Z';
    renderInApp(
      <>
        <EnteredLate of={{ at, receivedAt: '2026-11-25T08:10:00.000Z' }} />
        <EnteredLate of={{ at, receivedAt: null }} />
        <EnteredLate of={{ at, receivedAt: '2026-11-25T09:00:00.000Z' }} />
      </>,
    );
    expect(screen.getAllByText(/^entered late/)).toHaveLength(1);
  });
});
