import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { paths, type HouseStart } from '@calm/contract';
import { countries, currencies, habitsOf } from '../../parts/house/countries';
import { HouseStartFields, likelyStart } from '../../parts/house/HouseStartFields';
import { SetUpList } from '../../parts/house/SetUpList';
import { renderInApp } from '../../test-support/render';
import { reading } from '../../test-support/words';
import { HouseEndBar } from '../../shell/rail/HouseEndBar';
import { Facts } from './facts/Facts';
import { MixerDialog } from './mixers/MixerDialog';
import { Mixers } from './mixers/Mixers';
import { WholeHouse } from './whole/WholeHouse';

const nothing = () => undefined;
const field = (name: string | RegExp) => screen.getByRole('textbox', { name }) as HTMLInputElement;

describe('a mixer', () => {
  it('is what its maker’s name says, until somebody says otherwise', () => {
    renderInApp(<MixerDialog mixer={null} timeZone="Europe/Rome" onClose={nothing} />);
    fireEvent.change(field(/^Name/), { target: { value: '20-quart planetary' } });
    expect(field(/^Dough at most/).value).toBe('6.5');
    fireEvent.change(field(/^Name/), { target: { value: '40 kg spiral' } });
    expect(field(/^Dough at most/).value).toBe('40');
    expect(screen.getByRole('combobox', { name: 'Kind' }).textContent).toBe('spiral');
  });

  it('that is there keeps its numbers when it is called otherwise', () => {
    const [mixer] = exampleBook().mixers;
    if (!mixer) throw new Error('the demo has mixers');
    renderInApp(<MixerDialog mixer={mixer} timeZone="Europe/Rome" onClose={nothing} />);
    fireEvent.change(field(/^Name/), { target: { value: '10 kg spiral' } });
    expect(field(/^Dough at most/).value).toBe('40');
  });

  it('says until when it is out of order, and what is missing in a house without one', () => {
    const book = exampleBook();
    const outOfOrder = { from: '2020-01-01T00:00:00.000Z', until: '2099-01-01T00:00:00.000Z' };
    const mixers = book.mixers.map((mixer, i) => (i === 0 ? { ...mixer, outOfOrder } : mixer));
    const { unmount } = renderInApp(<Mixers book={{ ...book, mixers }} mayChange={false} />);
    expect(screen.getByText(/^out of order until/)).toBeTruthy();
    expect(screen.getAllByText('works')).toHaveLength(mixers.length - 1);
    expect(screen.queryByRole('button')).toBeNull();
    unmount();
    renderInApp(<Mixers book={{ ...book, mixers: [] }} mayChange />);
    expect(screen.getByText(/^No mixer yet/)).toBeTruthy();
  });
});

describe('where a house is', () => {
  it('fills in what is usual there', () => {
    expect(habitsOf('US')).toMatchObject({
      currency: 'USD',
      display: { language: 'en-US', mass: 'us', temp: 'fahrenheit', clock: '12h', week: 'sunday' },
    });
    expect(habitsOf('IT')).toMatchObject({
      currency: 'EUR',
      display: { language: 'it', mass: 'metric', temp: 'celsius', clock: '24h', week: 'monday' },
    });
    expect(habitsOf('ZZ').currency).toBeNull();
    expect(countries('it').find(({ code }) => code === 'DE')?.name).toBe('Germania');
    expect(new Set(currencies()).size).toBe(currencies().length);
  });

  it('begins with nothing, or with a set that says what it is', () => {
    function Form() {
      const [start, setStart] = useState<HouseStart>(() => likelyStart(reading({})).start);
      return (
        <HouseStartFields
          start={start}
          firstCountry="IT"
          onChange={(to) => setStart((was) => ({ ...was, ...to }))}
        />
      );
    }
    renderInApp(<Form />);
    expect(screen.getByText(/^An empty house/)).toBeTruthy();
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Begin with' }));
    fireEvent.click(screen.getByRole('option', { name: 'Oven on wheels' }));
    expect(screen.getByText(/^No cold at all/)).toBeTruthy();
  });
});

describe('what is left to set up', () => {
  it('names the next step and why, and those that are done', () => {
    renderInApp(<SetUpList house="yard" left={['formula', 'plan', 'batch']} />);
    expect(
      screen.getByText('8 of 11 done. Leave it at any time; it goes on from here.'),
    ).toBeTruthy();
    expect(screen.getByRole('link', { name: 'A formula' }).getAttribute('href')).toBe(
      '/yard/formulas',
    );
    expect(screen.queryByRole('link', { name: /^A mixer/ })).toBeNull();
    expect(screen.getByText(/^Type your own in percent/)).toBeTruthy();
  });

  it('is nothing in a house that works', () => {
    renderInApp(<SetUpList house="yard" left={[]} />);
    expect(screen.queryByRole('region')).toBeNull();
  });
});

describe('facts of a house', () => {
  it('are changed by whoever may', () => {
    const { unmount } = renderInApp(
      <Facts title="Scales" facts={[['Scale', '1 g']]} onChange={nothing} />,
    );
    expect(screen.getByRole('button', { name: 'Change Scales' })).toBeTruthy();
    unmount();
    renderInApp(<Facts title="Scales" facts={[['Scale', '1 g']]} onChange={null} />);
    expect(screen.queryByRole('button')).toBeNull();
    expect(screen.getByText('1 g')).toBeTruthy();
  });
});

describe('the whole house', () => {
  const { house } = exampleBook();

  it('is deleted only by whoever types its name', () => {
    renderInApp(<WholeHouse house={house} />);
    const all = screen.getByRole('link', { name: 'Export everything' });
    expect(all.getAttribute('href')).toBe(paths.houseArchive(house.slug));
    fireEvent.click(screen.getByRole('button', { name: 'Delete this house' }));
    const really = screen.getByRole('button', { name: 'Delete in two weeks' }) as HTMLButtonElement;
    expect(really.disabled).toBe(true);
    fireEvent.change(field(/^Type Lantern Yard/), { target: { value: 'Lantern' } });
    expect(really.disabled).toBe(true);
    fireEvent.change(field(/^Type Lantern Yard/), { target: { value: 'Lantern Yard ' } });
    expect(really.disabled).toBe(false);
  });

  it('that is to be deleted can be kept, and everybody is told', () => {
    const ending = { ...house, eraseOn: '2026-12-09' };
    const { unmount } = renderInApp(<WholeHouse house={ending} />);
    expect(screen.getByText(/^It will be deleted for good on .*9/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Keep the house' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Delete this house' })).toBeNull();
    unmount();
    const { container } = renderInApp(<HouseEndBar house={ending} />);
    expect(container.textContent).toMatch(/^Lantern Yard will be deleted for good on .*9/);
  });

  it('is put aside and taken up again with one press, and says so meanwhile', () => {
    const { unmount } = renderInApp(<WholeHouse house={house} />);
    expect(screen.getByRole('button', { name: 'Put aside' })).toBeTruthy();
    unmount();
    const aside = { ...house, asideOn: '2026-11-25' };
    const second = renderInApp(<WholeHouse house={aside} />);
    expect(screen.getByRole('button', { name: 'Take up again' })).toBeTruthy();
    second.unmount();
    const { container } = renderInApp(<HouseEndBar house={aside} />);
    expect(container.textContent).toMatch(/^Lantern Yard is put aside since .*25/);
  });
});
