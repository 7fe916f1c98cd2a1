import { STANDARD_CURRENCY, STANDARD_DISPLAY } from '@calm/contract';
import { makeFormats } from '@calm/domain';
import { beforeAll, describe, expect, it, jest } from '@jest/globals';
import { screen } from '@testing-library/react';
import { useState } from 'react';
import userEvent from '@testing-library/user-event';
import { renderInApp } from '../../test-support/render';
import { FormatsContext } from '../format/useFormats';
import { DateField } from './DateField';
import type { DateFieldProps } from './dateFieldProps';
import { EditingContext } from './editing';

// It comes later, as on a page: not within a test's own patience where a machine is busy.
beforeAll(async () => void (await import('./DatePicker')));

const formats = (language: 'en' | 'en-US') =>
  makeFormats({ ...STANDARD_DISPLAY, language, currency: STANDARD_CURRENCY, timeZone: 'UTC' });

/** The calendar's field, once somebody has gone to the date. */
async function wanted() {
  const toRead = screen.queryByRole('textbox', { name: /^Day/ });
  if (toRead) await userEvent.click(toRead);
  return screen.findByRole('group', { name: 'Day' });
}

async function field(props: Partial<DateFieldProps> = {}, language: 'en' | 'en-US' = 'en') {
  const onChange = jest.fn();
  renderInApp(
    <FormatsContext.Provider value={formats(language)}>
      <DateField label="Day" value="2026-11-25" onChange={onChange} {...props} />
    </FormatsContext.Provider>,
  );
  return { group: await wanted(), onChange };
}
const type = async (part: 'Day' | 'Month' | 'Year', keys: string) => {
  await userEvent.click(screen.getByRole('spinbutton', { name: part }));
  await userEvent.keyboard(keys);
};

describe('a date', () => {
  it('stands to be read as it would be typed, before anybody goes to it', async () => {
    renderInApp(
      <FormatsContext.Provider value={formats('en-US')}>
        <DateField label="Day" value="2026-11-25" onChange={jest.fn()} />
      </FormatsContext.Provider>,
    );
    const toRead = screen.getByRole('textbox', { name: 'Day' });
    expect(toRead).toHaveValue('11/25/2026');
    await userEvent.click(toRead);
    await screen.findByRole('group', { name: 'Day' });
    expect(screen.getByRole('spinbutton', { name: 'Month' })).toHaveFocus();
  });

  it.each([
    ['en', '25/11/2026'],
    ['en-US', '11/25/2026'],
  ] as const)('is written as %s writes dates', async (language, written) => {
    const { group } = await field({}, language);
    expect(group).toHaveTextContent(written);
  });

  it('is taken whole, on Enter', async () => {
    const { onChange } = await field();
    await type('Day', '03');
    expect(onChange).not.toHaveBeenCalled();
    await userEvent.keyboard('{Enter}');
    expect(onChange).toHaveBeenCalledWith('2026-11-03');
  });

  it('is taken on leaving the field', async () => {
    const { onChange } = await field();
    await type('Month', '12');
    await userEvent.tab();
    await userEvent.tab();
    await userEvent.click(document.body);
    expect(onChange).toHaveBeenCalledWith('2026-12-25');
  });

  it('is not taken beyond its limits, and the field says what it wants', async () => {
    const { onChange } = await field({ latest: '2026-11-26' });
    await type('Day', '29{Enter}');
    expect(onChange).not.toHaveBeenCalled();
    expect(screen.getByText('Enter a date like 25/11/2026.')).toBeVisible();
    await userEvent.keyboard('{Escape}');
    expect(screen.queryByText('Enter a date like 25/11/2026.')).toBeNull();
  });

  it('is in its form by the time that Enter sends it', async () => {
    const sent: (string | null)[] = [];
    function Form() {
      const [date, setDate] = useState<string | null>('2026-11-25');
      return (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            sent.push(date);
          }}
        >
          <DateField label="Day" value={date} onChange={setDate} />
          <button type="submit">Save</button>
        </form>
      );
    }
    renderInApp(<Form />);
    await wanted();
    await type('Day', '03{Enter}');
    expect(sent).toEqual(['2026-11-03']);
  });

  it('is chosen from a month', async () => {
    const { onChange } = await field();
    await userEvent.click(screen.getByRole('button', { name: /Open calendar: Day/ }));
    await userEvent.click(await screen.findByRole('gridcell', { name: '12' }));
    expect(onChange).toHaveBeenCalledWith('2026-11-12');
  });

  it('can be emptied only where it is not required', async () => {
    const { onChange } = await field();
    await userEvent.click(screen.getByRole('spinbutton', { name: 'Day' }));
    await userEvent.keyboard('{Control>}a{/Control}{Backspace}{Enter}');
    expect(onChange).toHaveBeenCalledWith(null);
  });

  it('can only be read by whoever may not change it', () => {
    renderInApp(
      <EditingContext value={false}>
        <DateField label="Day" value="2026-11-25" onChange={jest.fn()} />
      </EditingContext>,
    );
    expect(screen.getByRole('textbox', { name: 'Day' })).toHaveAttribute('readonly');
  });
});
