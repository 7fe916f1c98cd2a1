import { describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import { readdirSync, readFileSync } from 'node:fs';
import { renderInApp } from '../../test-support/render';
import { WORD_LANGUAGES } from '../../words/catalogue';
import { ManualPicture, PICTURES } from './ManualPicture';

const manual = `${process.cwd()}/docs/manual`;
const namedIn = (language: string) =>
  readdirSync(`${manual}/${language}`).flatMap((file) =>
    [
      ...readFileSync(`${manual}/${language}/${file}`, 'utf8').matchAll(
        /!\[([^\]]+)\]\(([^)]+)\)/g,
      ),
    ].map(([, words, name]) => ({ file, words, name })),
  );

describe('pictures of the manual', () => {
  it.each([...WORD_LANGUAGES])(
    'are there, each with its words, on the same pages: %s',
    (language) => {
      const named = namedIn(language);
      expect(new Set(named.map(({ name }) => name))).toEqual(new Set(Object.keys(PICTURES)));
      const placesOf = (all: typeof named) => all.map(({ file, name }) => `${file} ${name}`);
      expect(placesOf(named)).toEqual(placesOf(namedIn('en')));
    },
  );

  it('stand over what they are', () => {
    renderInApp(<ManualPicture src="ball-right" alt="right" />);
    const words = screen.getByText('right');
    expect(words.parentElement?.querySelector('svg')).toBeInTheDocument();
  });
});
