import type { LotRecord } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderInApp } from '../../test-support/render';
import { MeasureDough } from './MeasureDough';
import type { PutMeasure } from './putMeasure';

type Put = Parameters<PutMeasure>;

function measuring(records: readonly LotRecord[] = []): Put[] {
  const put: Put[] = [];
  renderInApp(
    <MeasureDough
      records={records}
      onPut={(...said) => put.push(said)}
      onPhoto={() => undefined}
    />,
  );
  return put;
}
const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));

describe('a measure of dough', () => {
  it('is two presses for what hands and eyes tell', async () => {
    const put = measuring();
    await press('Poke');
    await press('comes back slowly');
    expect(put).toEqual([
      [{ kind: 'checked', check: 'poke', answer: 'slowly', note: '' }, 'Poke: comes back slowly.'],
    ]);
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  it('of a rise says how much that is, and asks once what it started from', async () => {
    const content = { kind: 'risen', on: 'tub', from: 12, now: 15, note: '' } as const;
    const before: LotRecord = {
      id: 'a',
      lotId: 'lot',
      at: '2026-11-25T12:00:00.000Z',
      receivedAt: null,
      personId: null,
      correctsId: null,
      content,
    };
    const put = measuring([before]);
    await press('Rise');
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Height when mixed' }).value).toBe(
      '12',
    );
    await press('Save');
    expect(screen.getByRole('alert').textContent).toBe('Enter a number.');
    await userEvent.type(screen.getByRole('textbox', { name: 'Height now' }), '24');
    expect(screen.getByRole('status').textContent).toMatch(/^Now 2.00× what it was\./);
    await press('Save');
    expect(put.map(([said]) => said)).toEqual([{ ...content, now: 24 }]);
  });

  it('says of what no dough does that nothing is worked out from it', async () => {
    measuring();
    await press('Rise');
    await userEvent.type(screen.getByRole('textbox', { name: 'Height when mixed' }), '1');
    await userEvent.type(screen.getByRole('textbox', { name: 'Height now' }), '40');
    expect(screen.getByRole('status').textContent).toMatch(/No dough rises so little or so much/);
  });
});
