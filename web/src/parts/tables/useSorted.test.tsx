import { describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderInApp } from '../../test-support/render';
import { useSorted } from './useSorted';

const rows = [
  { name: 'Zora', left: 2 },
  { name: 'école', left: null },
  { name: 'Ärla', left: 10 },
];
const by = {
  name: (row: (typeof rows)[number]) => row.name,
  left: (row: (typeof rows)[number]) => row.left,
};

function Table() {
  const { sorted, heading } = useSorted(rows, by);
  return (
    <table>
      <thead>
        <tr>
          {heading('name', 'Name')}
          {heading('left', 'Left')}
        </tr>
      </thead>
      <tbody>
        {sorted.map(({ name }) => (
          <tr key={name}>
            <th scope="row">{name}</th>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const names = () => screen.getAllByRole('rowheader').map(({ textContent }) => textContent);
const press = async (name: string) => userEvent.click(screen.getByRole('button', { name }));
const sortOf = (name: string) =>
  screen.getByRole('columnheader', { name }).getAttribute('aria-sort');

describe('a table', () => {
  it('stays as it came until somebody sorts it, and comes back to that', async () => {
    renderInApp(<Table />);
    expect(names()).toEqual(['Zora', 'école', 'Ärla']);
    await press('Name');
    expect(names()).toEqual(['Ärla', 'école', 'Zora']);
    expect(sortOf('Name')).toBe('ascending');
    await press('Name');
    expect(names()).toEqual(['Zora', 'école', 'Ärla']);
    expect(sortOf('Name')).toBe('descending');
    await press('Name');
    expect(sortOf('Name')).toBe('none');
  });

  it('sorts numbers as numbers, with what is not known last both ways', async () => {
    renderInApp(<Table />);
    await press('Left');
    expect(names()).toEqual(['Zora', 'Ärla', 'école']);
    await press('Left');
    expect(names()).toEqual(['Ärla', 'Zora', 'école']);
  });
});
