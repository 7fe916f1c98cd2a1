import { exampleBook } from '@calm/demo';
import type { Place } from '@calm/contract';
import type { LoadInEffect, LoadInWay } from '@calm/core';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { houseServer } from '../../test-support/houseServer';
import { renderInApp } from '../../test-support/render';
import { EffectTable } from './load-in/EffectTable';
import { loadInWays } from './load-in/loadInChoices';
import { PlaceDialog } from './setup/PlaceDialog';

const walkIn = exampleBook().places.find(({ name }) => name === 'Walk-in') as Place;
const user = userEvent.setup();
let server: Awaited<ReturnType<typeof houseServer>> | null = null;
afterEach(async () => {
  await server?.close();
  server = null;
});

describe('a place', () => {
  async function open(place: Place | null = walkIn) {
    server = await houseServer(({ body }) => ({
      body: { id: 'p', version: 2, ...(body as object) },
    }));
    const onClose = jest.fn<() => void>();
    renderInApp(<PlaceDialog place={place} onClose={onClose} />);
    const save = () => user.click(screen.getByRole('button', { name: 'Save' }));
    const sent = async () => {
      await waitFor(() => expect(onClose).toHaveBeenCalled());
      return server?.writes()[0]?.body;
    };
    return { save, sent, onClose };
  }
  const zones = () => screen.getAllByRole('textbox', { name: /^Zone/ });

  it('is not saved while two of its zones have one name', async () => {
    const { save, onClose } = await open();
    const [, second] = zones();
    await user.clear(second as HTMLElement);
    await user.type(second as HTMLElement, ` ${walkIn.zones[0]?.name.toUpperCase()} `);
    expect(screen.getByRole('alert')).toHaveTextContent('same name');
    await save();
    expect(onClose).not.toHaveBeenCalled();
    expect(server?.writes()).toEqual([]);
  });

  it('takes another zone, and its room learns how much warmer each is', async () => {
    const { save, sent } = await open();
    await user.click(screen.getByRole('button', { name: 'Add a zone' }));
    await user.type(zones().at(-1) as HTMLElement, 'top');
    const warmer = screen.getAllByRole('textbox', { name: /Warmer by/ }).at(-1) as HTMLElement;
    await user.clear(warmer);
    await user.type(warmer, '0.8');
    await user.tab();
    await save();
    expect(await sent()).toMatchObject({
      content: {
        room: { zonesC: { top: 0.8 } },
        zones: expect.arrayContaining([expect.objectContaining({ name: 'top', warmerC: 0.8 })]),
      },
    });
  });

  it('keeps at least one zone', async () => {
    await open(null);
    expect(screen.getByRole('button', { name: /Remove zone/ })).toBeDisabled();
  });

  it('that is not cooled has no thermostat to set', async () => {
    const { save, sent } = await open();
    expect(screen.getByRole('textbox', { name: /Set point/ })).toBeInTheDocument();
    await user.click(screen.getByRole('checkbox', { name: 'Cooled' }));
    expect(screen.queryByRole('textbox', { name: /Set point/ })).not.toBeInTheDocument();
    await save();
    expect(await sent()).toMatchObject({ content: { room: null } });
  });

  it('that is not cooled says how warm it is by the hour', async () => {
    const { save, sent } = await open();
    await user.click(screen.getByRole('checkbox', { name: 'Cooled' }));
    await user.click(screen.getByRole('button', { name: 'Add a time' }));
    await user.click(screen.getByRole('button', { name: 'Add a time' }));
    const night = screen.getByRole('textbox', { name: /Air from 12:00/ });
    await user.clear(night);
    await user.type(night, '18');
    await user.tab();
    await save();
    expect(await sent()).toMatchObject({
      content: {
        airByHour: [
          { fromMin: 480, airC: 22 },
          { fromMin: 720, airC: 18 },
        ],
      },
    });
  });

  it('asks how its coil defrosts only where it does so by a timer', async () => {
    await open();
    const timed = screen.getByRole('checkbox', { name: /Timed defrost/ });
    if (!(timed as HTMLInputElement).checked) await user.click(timed);
    expect(screen.getByRole('textbox', { name: /Every/ })).toBeInTheDocument();
    await user.click(timed);
    expect(screen.queryByRole('textbox', { name: /Every/ })).not.toBeInTheDocument();
  });
});

describe('ways of bringing warm trays in', () => {
  const ways = loadInWays(24, 2);
  const effect = (way: LoadInWay, to: Partial<LoadInEffect> = {}): LoadInEffect => ({
    name: way.name,
    warmerC: 2,
    peakC: 6,
    aboveMin: 0,
    backAfterH: 3,
    coldAfterH: 8,
    earlierMin: 0,
    ...to,
  });
  const table = (effects: readonly LoadInEffect[], onUse: ((way: LoadInWay) => void) | null) =>
    renderInApp(<EffectTable {...{ effects, ways, isBusy: false, apartH: 2, limitC: 5, onUse }} />);
  const rowOf = (index: number) => screen.getAllByRole('row')[index + 1] as HTMLElement;

  it('marks the one that keeps the room under the limit', () => {
    const [first, ...rest] = ways;
    if (!first) throw new Error('there is more than one way');
    table([effect(first, { aboveMin: 40 }), ...rest.map((way) => effect(way))], null);
    const best = screen
      .getAllByRole('row')
      .filter((row) => within(row).queryByText('least impact'));
    expect(best).toEqual([rowOf(1)]);
  });

  it('says where the core is not cold in time', () => {
    table([effect(ways[0] as LoadInWay, { coldAfterH: null })], null);
    expect(within(rowOf(0)).getByText(/over 16\sh/)).toBeInTheDocument();
  });

  it('is done as pressed, by whoever may mark', async () => {
    const onUse = jest.fn<(way: LoadInWay) => void>();
    table(
      ways.map((way) => effect(way)),
      onUse,
    );
    await user.click(within(rowOf(1)).getByRole('button'));
    expect(onUse.mock.calls.map(([way]) => way.name)).toEqual([ways[1]?.name]);
  });

  it('offers nothing to press to those who only look', () => {
    table(
      ways.map((way) => effect(way)),
      null,
    );
    expect(screen.queryByRole('button')).not.toBeInTheDocument();
  });
});
