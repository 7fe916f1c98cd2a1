import type { Lot, RecordContent } from '@calm/contract';
import type { WeighedLine } from '@calm/core';
import { exampleBook, exampleLot } from '@calm/demo';
import { leadProducts, recipeFor } from '@calm/domain';
import { afterEach, describe, expect, it } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { houseServer } from '../../../test-support/houseServer';
import { renderInApp } from '../../../test-support/render';
import { TILDE } from '../../../test-support/session';
import { makeStore } from '../../../state/store';
import type { Sheet } from './useSheet';
import { YeastPack } from './YeastPack';

const book = exampleBook();
const [product] = leadProducts(book);
if (!product) throw new Error('the demo has a product');
const plain = exampleLot(book, product);
const sheet = { recipe: recipeFor(book, product) } as Sheet;
const yeast: WeighedLine = {
  key: 'yeast',
  kind: 'yeast',
  name: 'fresh',
  percent: 0.25,
  grams: 56,
  exactG: 56,
};
type Told = Extract<RecordContent, { kind: 'yeast' }>;
const lotOf = (told: Partial<Told> | null): Lot =>
  told === null
    ? plain
    : {
        ...plain,
        yeastPack: {
          id: 'told',
          lotId: plain.id,
          at: '2026-11-25T10:00:00.000Z',
          receivedAt: null,
          personId: null,
          correctsId: null,
          content: { kind: 'yeast', openedOn: null, proof: null, note: '', ...told },
        },
      };
const show = (told: Partial<Told> | null, store = makeStore()) =>
  renderInApp(<YeastPack house="yard" sheet={sheet} lot={lotOf(told)} yeast={yeast} />, { store });

let server: Awaited<ReturnType<typeof houseServer>> | null = null;
afterEach(async () => {
  await server?.close();
  server = null;
});

describe('the pack that a lot’s yeast is from', () => {
  it('says nothing of the dose until somebody has told of it', () => {
    show(null);
    expect(screen.queryByRole('status')).not.toBeInTheDocument();
  });

  it('that is as strong as new needs no other dose', () => {
    show({ proof: 'domed', openedOn: '2026-10-01' });
    expect(screen.getByRole('status')).toHaveTextContent('the dose is right');
  });

  it('that is weaker asks for more, by its test or by its age', () => {
    const { unmount } = show({ proof: 'bubbles' });
    expect(screen.getByRole('status')).toHaveTextContent(/50\s% .*112\.0\sg .*56\.0\sg/);
    unmount();
    show({ openedOn: '2026-11-15' });
    expect(screen.getByRole('status')).toHaveTextContent(/85\s%/);
  });

  it('in which nothing moved is not used', () => {
    show({ proof: 'nothing' });
    expect(screen.getByRole('status')).toHaveTextContent('do not use this pack');
  });

  it('is told with one press, which waits on the device until the house has it', async () => {
    server = await houseServer(({ path }) =>
      path.endsWith('/session') ? { body: TILDE } : { status: 503, body: {} },
    );
    const store = makeStore();
    show(null, store);
    await userEvent.click(screen.getByText('Pack of yeast'));
    await userEvent.click(screen.getByRole('button', { name: 'Thin foam' }));
    await waitFor(() => {
      const [item] = store.getState().outbox.items;
      expect(item?.command).toMatchObject({
        kind: 'record',
        start: { content: { kind: 'yeast', proof: 'foam', openedOn: null } },
      });
    });
  });
});
