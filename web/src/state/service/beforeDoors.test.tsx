import type { Service } from '@calm/contract';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import { leadProducts, serviceTasks } from '@calm/domain';
import { describe, expect, it } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import { emptyMark } from '@calm/domain';
import { renderInApp } from '../../test-support/render';
import type { Board } from '../board/useBoard';
import { BeforeDoors } from './BeforeDoors';

const book = exampleBook();
const [product] = leadProducts(book);
if (!product) throw new Error('the demo has a product');
const [service] = exampleServices(product);
if (!service) throw new Error('the demo has a service');
const board = { house: 'yard', book } as unknown as Board;
const balls = service.counts.reduce((sum, { count }) => sum + count, 0);
const tasks = serviceTasks(book.house.settings.ovens ?? [], service, balls);
const lot = exampleLot(book, product, {
  marks: [{ ...emptyMark(0, tasks[0]?.key ?? ''), doneAt: '2026-11-25T14:00:00.000Z', version: 1 }],
});
const show = (of: Service, order: Parameters<typeof BeforeDoors>[0]['order']) =>
  renderInApp(<BeforeDoors board={board} service={of} order={order} />);

describe('before doors', () => {
  it('lists what is due in time’s order, with what is done already', () => {
    show(service, [
      { lot, code: 'YR-1' },
      { lot: null, code: 'SL-1' },
    ]);
    const list = screen.getAllByRole('listitem');
    expect(list).toHaveLength(tasks.length);
    const boxes = screen.getAllByRole('checkbox');
    expect(boxes[0]).toBeChecked();
    expect(boxes.at(-1)).not.toBeChecked();
    expect(screen.getByText('Opened in this order: YR-1, SL-1.')).toBeInTheDocument();
  });

  it('keeps what is done when another lot comes to be opened first', () => {
    const other = { ...lot, id: 'other', code: 'YR-2', marks: [] };
    show(service, [
      { lot: other, code: 'YR-2' },
      { lot, code: 'YR-1' },
    ]);
    expect(screen.getAllByRole('checkbox')[0]).toBeChecked();
  });

  it('leads from the test bake to where it is put down', () => {
    show(service, [{ lot, code: 'YR-1' }]);
    const last = screen.getAllByRole('listitem').at(-1) as HTMLElement;
    expect(within(last).getByRole('link')).toHaveAttribute('href', `/yard/log/${lot.code}`);
    expect(screen.queryByText(/Opened in this order/)).not.toBeInTheDocument();
  });

  it('can only be looked at while no lot of the service has begun', () => {
    show(service, [{ lot: null, code: 'YR-1' }]);
    for (const box of screen.getAllByRole('checkbox')) expect(box).toBeDisabled();
  });

  it('is nothing where nothing is baked', () => {
    show({ ...service, counts: [] }, []);
    expect(screen.queryByRole('list')).not.toBeInTheDocument();
  });
});
