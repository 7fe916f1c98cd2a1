import type { FormulaRecord, HouseBook } from '@calm/contract';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import { renderInApp } from '../../../test-support/render';
import { MethodClock } from './MethodClock';

const book = exampleBook();
const record = book.formulas.find(({ slug }) => slug === 'yard-dough') as FormulaRecord;
const show = (content: FormulaRecord, of: HouseBook = book) =>
  renderInApp(<MethodClock book={of} formulaId={record.id} content={content} />).container;
const withSteps = (minutes: readonly number[], speed?: 'slow'): FormulaRecord => ({
  ...record,
  method: {
    ...record.method,
    steps: minutes.map((each, i) => ({
      key: `s${i}`,
      title: 'Step',
      detail: '',
      minutes: each,
      ...(speed && { speed }),
    })),
  },
});

describe('what a method’s minutes come to', () => {
  it('is told beside what the plan gives a load', () => {
    const page = show(record);
    expect(page).toHaveTextContent(/takes 12\smin by this method: 12\smin worked, 0\smin standing/);
    expect(page).toHaveTextContent(/the plan gives each load 16\smin/);
  });

  it('is what the plan takes, where the route gives less', () => {
    expect(show(withSteps([40]))).toHaveTextContent(/less than that; the plan takes 40\smin/);
  });

  it('is worth a second look where it is far from usual', () => {
    show(withSteps([30], 'slow'));
    expect(screen.getByRole('status')).toHaveTextContent(/usually worked between/);
  });

  it('by hand tells how long new and practised hands take, and when to split', () => {
    const mixers = book.mixers.map((mixer) => ({ ...mixer, kind: 'hand' as const, maxDoughKg: 6 }));
    const page = show(record, { ...book, mixers });
    expect(page).toHaveTextContent(/for new hands, .*for hands used to it, .*for practised hands/);
    expect(page).toHaveTextContent(/More than 6\.0\skg is split/);
  });

  it('is nothing of a mixer that is not there', () => {
    expect(show({ ...record, mixerId: 'sold' }).textContent).toBe('');
  });
});
