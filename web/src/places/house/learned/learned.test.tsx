import { exampleBook } from '@calm/demo';
import { afterEach, describe, expect, it } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { houseServer } from '../../../test-support/houseServer';
import { renderInApp } from '../../../test-support/render';
import { AlwaysLearned } from './AlwaysLearned';
import { LearnedWorkPart } from './LearnedWorkPart';

const book = exampleBook();
const [mixer] = book.mixers;
const [formula] = book.formulas;
let server: Awaited<ReturnType<typeof houseServer>> | null = null;
afterEach(async () => {
  await server?.close();
  server = null;
});

describe('minutes of work', () => {
  const work = [
    { kind: 'weigh', personId: null, factor: 1.4, samples: 12 },
    { kind: 'weigh', personId: book.people[0]?.id ?? '', factor: 0.8, samples: 6 },
  ];
  const open = async (mayPlan: boolean) => {
    server = await houseServer(() => ({ body: { inForce: [], proposals: [], fit: null } }));
    renderInApp(<LearnedWorkPart house="yard" book={book} work={work} mayPlan={mayPlan} />);
  };

  it('are told of the house and of each person, and planned with at a press that can be undone', async () => {
    await open(true);
    expect(screen.getByText(/^Weigh takes 40 % longer than planned \(12 times\)/)).toBeVisible();
    expect(screen.getByText(/20 % less than planned/)).toBeVisible();
    const buttons = screen.getAllByRole('button', { name: /^Plan with that/ });
    expect(buttons).toHaveLength(1);
    await userEvent.click(buttons[0] as HTMLElement);
    await waitFor(() => expect(server?.writes()).toHaveLength(1));
    expect(server?.writes()[0]).toMatchObject({
      method: 'POST',
      path: expect.stringMatching(/\/houses\/yard\/learned\/work$/),
      body: { kind: 'weigh' },
    });
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    const weighed = book.routes.filter(({ stages }) => stages.some(({ key }) => key === 'weigh'));
    await waitFor(() => expect(server?.writes()).toHaveLength(1 + weighed.length));
    const [route] = weighed;
    expect(server?.writes()[1]?.body).toEqual({
      version: (route?.version ?? 0) + 1,
      content: { name: route?.name, stages: route?.stages },
    });
  });

  it('are only told to whoever may not change routes', async () => {
    await open(false);
    expect(screen.queryByRole('button')).not.toBeInTheDocument();
  });
});

describe('what follows the record', () => {
  it('is each with what it was learned from', async () => {
    const friction = { mixerId: mixer?.id, formulaId: formula?.id, scatterC: 1, line: null };
    server = await houseServer(() => ({
      body: [
        { ...friction, frictionC: 11.4, loads: 9 },
        { ...friction, formulaId: 'unmixed', frictionC: 8, loads: 0 },
      ],
    }));
    const losses = {
      residue: { percent: 0.7, perLoadG: 90, lots: 60 },
      trims: [{ productId: book.products[0]?.id ?? '', percent: 6.5, lots: 19 }],
    };
    renderInApp(<AlwaysLearned house="yard" book={{ ...book, losses } as typeof book} />);
    const rowOf = (name: RegExp) => within(screen.getByRole('row', { name }));
    expect(rowOf(/^Stays in bowls/).getByText(/0\.7 % of the dough and 90 g/)).toBeVisible();
    expect(rowOf(/^Trimmed off/).getByText('19 lots')).toBeVisible();
    await waitFor(() => expect(screen.getByText(/11\.4/)).toBeVisible());
    expect(screen.getByText('9 loads')).toBeVisible();
    expect(screen.queryByText('0 loads')).not.toBeInTheDocument();
    expect(screen.getAllByRole('link', { name: /its readings/ }).length).toBeGreaterThan(0);
  });
});
