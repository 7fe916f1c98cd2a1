import { exampleBook } from '@calm/demo';
import type { Method } from '@calm/contract';
import type { Formula } from '@calm/core';
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { houseServer, problem } from '../../../test-support/houseServer';
import { renderInApp } from '../../../test-support/render';
import { FormulaLines } from './FormulaLines';
import { ProductDialog } from './ProductDialog';
import { StepFields } from '../method/MethodPart';

const book = exampleBook();
const record = book.formulas.find(({ slug }) => slug === 'yard-dough');
const product = book.products.find(({ slug }) => slug === 'yard-round');
if (!record || !product) throw new Error('the demo has a yard dough and its round');

const user = userEvent.setup();
let server: Awaited<ReturnType<typeof houseServer>> | null = null;
afterEach(async () => {
  await server?.close();
  server = null;
});

/** Types over a cell and leaves it. */
async function typeOver(cell: HTMLElement, text: string) {
  await user.clear(cell);
  await user.type(cell, text);
  await user.tab();
}

describe('the lines of a formula', () => {
  function lines(formula: Formula = record?.formula as Formula) {
    const changes: { formula: Formula; what: string }[] = [];
    function Page() {
      const [shown, setShown] = useState(formula);
      return (
        <FormulaLines
          draftKey="yard/dialog/home/yard-dough"
          formula={shown}
          pantry={book.pantry}
          onChange={(to, what) => {
            changes.push({ formula: to, what });
            setShown(to);
          }}
        />
      );
    }
    renderInApp(<Page />);
    return { changes, last: () => changes.at(-1)?.formula as Formula };
  }

  it('are typed in percent, and what was changed is said', async () => {
    const { changes, last } = lines();
    await typeOver(screen.getByRole('textbox', { name: 'Water (%)' }), '64');
    expect(last().waterPercent).toBe(64);
    expect(changes.at(-1)?.what).toMatch(/Water.*64/);
  });

  it('keep every digit of a small yeast', async () => {
    const { last } = lines();
    const cell = screen.getByRole('textbox', { name: /yeast.*in the batch/i });
    await typeOver(cell, '0.75');
    expect(cell).toHaveProperty('value', '0.75');
    expect(last().yeast.percent).toBeCloseTo(0.0075, 9);
  });

  it('are taken from a recipe in cups and packets, which says where it contradicts itself', async () => {
    const { last } = lines();
    await user.click(screen.getByRole('button', { name: 'By cups and spoons' }));
    const dialog = within(screen.getByRole('dialog'));
    await user.click(dialog.getByRole('button', { name: 'Save' }));
    expect(dialog.getByRole('alert')).toHaveTextContent('It needs flour and water');
    const flour = record?.formula.flours[0]?.name ?? '';
    await typeOver(dialog.getByRole('textbox', { name: `How much: ${flour}` }), '4');
    await typeOver(dialog.getByRole('textbox', { name: 'How much: Water' }), '1.5');
    await typeOver(dialog.getByRole('textbox', { name: 'How much: Salt' }), '2');
    await typeOver(dialog.getByRole('textbox', { name: /^How much: .*yeast/ }), '0.25');
    const stated = dialog.getByRole('textbox', {
      name: /^Weight as the recipe says: strong white/,
    });
    await typeOver(stated, '800');
    expect(dialog.getByRole('note')).toHaveTextContent(/about 509.*not 800/);
    await typeOver(stated, '500');
    expect(dialog.queryByRole('note')).toBeNull();
    await user.click(dialog.getByRole('button', { name: 'Save' }));
    // 500 g of flour, 360 g of water, 12 g of salt, a quarter of a 42 g cube.
    expect(last().waterPercent).toBeCloseTo(72, 6);
    expect(last().saltPercent).toBeCloseTo(2.4, 6);
    expect(last().yeast.percent).toBeCloseTo(2.1, 6);
  });

  it('are typed in grams of a batch, and the batch’s flour follows the main flour', async () => {
    const { last } = lines();
    const salt = record?.formula.saltPercent ?? 0;
    const inBatch = screen.getByRole('textbox', { name: 'Salt in the batch (g)' });
    await typeOver(inBatch, '300');
    // Ten kilograms of flour are counted to begin with.
    expect(last().saltPercent).toBeCloseTo(3, 6);
    expect(salt).not.toBeCloseTo(3, 3);
  });

  it('are counted per litre of water too; the water itself is the litre', async () => {
    const { last } = lines();
    await user.click(screen.getByRole('button', { name: 'Per litre of water' }));
    expect(screen.getByRole('textbox', { name: 'Water (g/L)' })).toBeDisabled();
    await typeOver(screen.getByRole('textbox', { name: 'Salt (g/L)' }), '50');
    const { saltPercent, waterPercent } = last();
    expect((saltPercent / waterPercent) * 1000).toBeCloseTo(50, 1);
  });

  it('take another flour, which takes its share from the first, and let it go again', async () => {
    const { last } = lines();
    const before = record?.formula.flours.length ?? 0;
    await user.click(screen.getByRole('button', { name: 'Add a flour' }));
    expect(last().flours).toHaveLength(before + 1);
    expect(last().flours.reduce((sum, { percent }) => sum + percent, 0)).toBeCloseTo(100, 6);
    const name = last().flours.at(-1)?.name ?? '';
    await user.click(screen.getByRole('button', { name: new RegExp(`Remove .*${name}`, 'i') }));
    expect(last().flours).toHaveLength(before);
    expect(last().flours.reduce((sum, { percent }) => sum + percent, 0)).toBeCloseTo(100, 6);
  });

  it('keep the last flour: there is no dough without', () => {
    lines({
      flours: [{ name: 'plain', percent: 100, strengthW: 260 }],
      waterPercent: 60,
      saltPercent: 2,
      yeast: { form: 'fresh', percent: 1 },
    });
    expect(screen.queryByRole('button', { name: /remove/i })).not.toBeInTheDocument();
  });

  it('refuse more than any dough has, and keep what was there', async () => {
    const { changes } = lines();
    const water = screen.getByRole('textbox', { name: 'Water (%)' });
    await user.clear(water);
    await user.type(water, '640');
    await user.tab();
    expect(screen.getByRole('alert')).toHaveTextContent('150');
    expect(changes).toEqual([]);
  });
});

describe('a step of the method', () => {
  const step: Method['steps'][number] = {
    key: 'mix',
    title: 'Mix',
    detail: 'All in',
    minutes: 4,
    speed: 'slow',
  };

  it('changes one thing at a time', async () => {
    const onChange = jest.fn<(to: object, what: string) => void>();
    renderInApp(<StepFields step={step} kinds={[]} number={1} onChange={onChange} />);
    await typeOver(screen.getByRole('textbox', { name: /Mix, minutes/ }), '6');
    expect(onChange).toHaveBeenLastCalledWith({ minutes: 6 }, expect.stringMatching(/6\smin/));
  });

  it('shows the caution where the step needs one', () => {
    renderInApp(
      <StepFields
        step={{ ...step, caution: 'mixer' }}
        kinds={[]}
        number={1}
        onChange={jest.fn()}
      />,
    );
    expect(screen.getByText(/Guard down/)).toBeInTheDocument();
  });
});

describe('a product', () => {
  const open = (learnedPercent: number | null = null) => {
    const onClose = jest.fn<() => void>();
    const losses = {
      ...book.losses,
      trims:
        learnedPercent === null
          ? []
          : [{ productId: product.id, lots: 9, percent: learnedPercent }],
    };
    renderInApp(
      <ProductDialog
        house="yard"
        book={{ ...book, losses }}
        record={record}
        product={product}
        onClose={onClose}
      />,
    );
    return { onClose };
  };

  it('is saved with what was changed and the rest as it was', async () => {
    server = await houseServer(({ body }) => ({
      body: { ...product, ...(body as { content: object }).content, version: 2 },
    }));
    const { onClose } = open();
    await typeOver(screen.getByRole('textbox', { name: /Ball weight/ }), '260');
    await user.click(screen.getByRole('button', { name: 'Thin or sheeted' }));
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(onClose).toHaveBeenCalled());
    expect(server.writes()[0]?.body).toMatchObject({
      version: product.version,
      content: { name: product.name, ballWeightG: 260, target: { riseMax: 1.6 } },
    });
  });

  it('stays in the book while dough of it is under way, and says so where the hand is', async () => {
    server = await houseServer(() => problem('in-use', 409));
    const { onClose } = open();
    await user.click(screen.getByRole('button', { name: 'Retire' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Dough of it is under way');
    expect(onClose).not.toHaveBeenCalled();
  });

  it('takes the trim that weighed lots say, when somebody presses for it', async () => {
    open(4.27);
    const trim = screen.getByRole('textbox', { name: /Trim/ });
    expect(trim).not.toHaveValue('4.3');
    await user.click(screen.getByRole('button', { name: 'Use it' }));
    expect(trim).toHaveValue('4.3');
  });

  it('names every way that the house has for it', async () => {
    open();
    await user.click(screen.getByRole('combobox', { name: 'Route' }));
    const list = await screen.findByRole('listbox');
    expect(
      within(list)
        .getAllByRole('option')
        .map(({ textContent }) => textContent),
    ).toEqual(book.routes.map(({ name }) => name));
  });
});
