import { beforeAll, describe, expect, it } from '@jest/globals';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { loadWords, WORD_AREAS, WORD_LANGUAGES, type Words } from '../../words/catalogue';
import { sentencesOf } from '../../words/sentences';
import { pageAt, PAGES } from '../pages';

const manual = fileURLToPath(new URL('../../../../docs/manual', import.meta.url));
const filesIn = (language: string) => readdirSync(`${manual}/${language}`).sort();
const read = (language: string, file: string) =>
  readFileSync(`${manual}/${language}/${file}`, 'utf8');

describe('the manual', () => {
  it('has a page for every page of the application, and none beside them', () => {
    const wanted = [...new Set(PAGES.map((page) => `${page.manual}.md`))].sort();
    expect(filesIn('en')).toEqual(wanted);
  });

  it.each([
    ['tonight', 'tonight'],
    ['formulas/pantry', 'pantry'],
    ['formulas/yard/method', 'formula'],
    ['formulas/yard', 'formula'],
    ['formulas/yard-round/what-if', 'what-if'],
    ['mix/2026-11-26/slab/weigh', 'weigh-off'],
    ['walk-in/alarms/7', 'alarms'],
    ['log/YR-1125-A', 'lot'],
    ['nowhere', undefined],
  ])('is opened from %s at %s', (address, page) => {
    expect(pageAt(address)?.manual).toBe(page);
  });
});

describe.each([...WORD_LANGUAGES])('the manual in %s', (language) => {
  let words: ReadonlyMap<string, string>;
  beforeAll(async () => {
    const areas = await Promise.all(WORD_AREAS.map((area) => loadWords(language, area)));
    words = sentencesOf(Object.assign({}, ...areas) as Words);
  });

  it('has the pages of the English one, each under a title of its own', () => {
    expect(filesIn(language)).toEqual(filesIn('en'));
    const titles = filesIn(language).map((file) => read(language, file).split('\n')[0] ?? '');
    expect(titles.filter((title) => !/^# \S/.test(title))).toEqual([]);
    expect(new Set(titles).size).toBe(titles.length);
  });

  it('names buttons by words that stand on them, and the same ones in every language', () => {
    const namedIn = (of: string, file: string) =>
      [...read(of, file).matchAll(/\[\[([^\]]+)\]\]/g)].map(([, key]) => key ?? '');
    for (const file of filesIn(language)) {
      const named = namedIn(language, file);
      expect(named.filter((key) => !words.has(key))).toEqual([]);
      // What is put into a sentence has no place on a button that is only named.
      expect(named.filter((key) => words.get(key)?.includes('{{'))).toEqual([]);
      expect(named.sort()).toEqual(namedIn('en', file).sort());
    }
  });

  it('leads from page to page, and nowhere else', () => {
    for (const file of filesIn(language)) {
      const links = [...read(language, file).matchAll(/(?<!!)\[[^\]]*\]\(([^)]+)\)/g)].map(
        ([, to]) => to ?? '',
      );
      expect(links.filter((to) => !existsSync(`${manual}/${language}/${to}`))).toEqual([]);
    }
  });

  it('is short enough to be read standing', () => {
    const long = filesIn(language).filter((file) => read(language, file).split(/\s+/).length > 220);
    expect(long).toEqual([]);
  });
});
