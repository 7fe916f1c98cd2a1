import { SKILLS } from '@calm/core';
import { WORD_FORMATS } from '@calm/domain';
import { crew, formulas, routes } from '@calm/demo';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import notes from './notes.json' with { type: 'json' };
import { loadWords, WORD_AREAS, WORD_LANGUAGES, type Words } from './catalogue';
import { sentencesOf, withoutPlural } from './sentences';

const src = fileURLToPath(new URL('..', import.meta.url));

const all = new Map<string, ReadonlyMap<string, string>>();
beforeAll(async () => {
  for (const language of WORD_LANGUAGES) {
    const areas = await Promise.all(WORD_AREAS.map((area) => loadWords(language, area)));
    all.set(language, sentencesOf(Object.assign({}, ...areas) as Words));
  }
});
const wordsOf = (language: string) => all.get(language) ?? new Map<string, string>();
const keysOf = (language: string) => new Set([...wordsOf(language).keys()].map(withoutPlural));

/** Every key that the sources ask for by name. */
function askedFor(): { key: string; file: string }[] {
  return (readdirSync(src, { recursive: true }) as string[])
    .filter((file) => /\.tsx?$/.test(file) && !file.includes('.test.'))
    .flatMap((file) =>
      [...readFileSync(`${src}/${file}`, 'utf8').matchAll(/\bt\(\s*'([^']+)'/g)].map((match) => ({
        key: match[1] ?? '',
        file,
      })),
    );
}

/** Turns that a tired person stumbles over, and what belongs to the formats or to a library. */
const BANNED: readonly RegExp[] = [
  /\breckon/i,
  /\banew\b/i,
  /\bthaw/i,
  /\btake (it |them )?out of the book\b/i,
  /\btake (it |them )?out\b/i,
  /\btaken out\b/i,
  /\blet (it|the draft) go\b/i,
  /\bcomes? in (by|with)\b/i,
  /\bcome in yet\b/i,
  /\bspent\b/i,
  /\bpast it\b/i,
  /\bblown up\b/i,
  /\bthe house's money\b/i,
  /\bleads nowhere\b/i,
  /\bmend/i,
  /\bsettle/i,
  /\bbrings? (it|them|one|[{]{2}\w+[}]{2}) in\b/i,
  /\bbrought in\b/i,
  /\bsomebody else’s hands\b/i,
  /\bput right\b/i,
  /\bthe working\b/i,
  /\bnpm\b/,
  /\bfetching\b/i,
];

/** A unit, a currency or a clock beside a number or a value; W is a flour's name for its strength. */
const BUILT_IN =
  /(?:\d|\}\})\s?(?:°[CF]?|g|kg|oz|lb|h|min|kJ|L|ml|%)(?![\w’])|[€$£]|\b\d{1,2}:\d{2}\b/;

describe('the English catalogue', () => {
  it('has every sentence that the sources ask for', () => {
    const asked = askedFor();
    expect(asked.length).toBeGreaterThan(80);
    expect(asked.filter(({ key }) => !keysOf('en').has(key))).toEqual([]);
  });

  it('has a word for every stage, skill, stop and caution of the house', () => {
    const stages = routes.flatMap((route) => route.stages);
    const wanted = [
      ...stages.map((stage) => (stage.kind === 'work' ? `work.${stage.key}` : `rest.${stage.key}`)),
      ...stages.map((stage) =>
        stage.kind === 'work' ? `workDone.${stage.key}` : `state.${stage.key}`,
      ),
      ...SKILLS.map((skill) => `skill.${skill}`),
      ...crew.flatMap((person) => person.skills.map((skill) => `skill.${skill}`)),
      ...formulas.flatMap((formula) =>
        formula.method.steps.flatMap((step) => (step.caution ? [`cautions.${step.caution}`] : [])),
      ),
    ];
    expect(wanted.filter((key) => !keysOf('en').has(key))).toEqual([]);
  });

  it('says nothing in a turn that costs a tired person a second', () => {
    const odd = [...wordsOf('en')].filter(([, said]) => BANNED.some((turn) => turn.test(said)));
    expect(odd).toEqual([]);
  });

  it('has no apostrophe of a typewriter', () => {
    expect([...wordsOf('en')].filter(([, said]) => /\w'\w/.test(said))).toEqual([]);
  });
});

describe.each([...WORD_LANGUAGES])('the catalogue in %s', (language) => {
  it('has every key, and none that nobody asks for in English', () => {
    const [own, english] = [keysOf(language), keysOf('en')];
    expect([...english].filter((key) => !own.has(key))).toEqual([]);
    // Counted nouns are a language's own.
    const isNoun = (key: string) => key.startsWith('noun.');
    expect([...own].filter((key) => !english.has(key) && !isNoun(key))).toEqual([]);
  });

  it('has every plural of the language, where something is counted', () => {
    const words = wordsOf(language);
    const counted = [...wordsOf('en').keys()]
      .filter((key) => key.endsWith('_other'))
      .map(withoutPlural);
    const { pluralCategories } = new Intl.PluralRules(language).resolvedOptions();
    // Italian and Spanish have a form of their own for millions: nobody counts so far here.
    const forms = pluralCategories.filter((form) => form !== 'many' || language === 'ar');
    // A sentence that is the same for every number says the counted noun through a format.
    const missing = counted.flatMap((key) =>
      words.has(key)
        ? []
        : forms.map((form) => `${key}_${form}`).filter((form) => !words.has(form)),
    );
    expect(missing).toEqual([]);
  });

  it('builds no unit, currency or clock into a sentence', () => {
    expect([...wordsOf(language)].filter(([, said]) => BUILT_IN.test(said))).toEqual([]);
  });

  it('names the values of the English sentence, and only formats that there are', () => {
    const valuesOf = (said: string) =>
      new Set([...said.matchAll(/\{\{(\w+)/g)].map(([, name]) => name));
    const odd = [...wordsOf(language)].filter(([key, said]) => {
      const english =
        wordsOf('en').get(key) ?? wordsOf('en').get(`${withoutPlural(key)}_other`) ?? '';
      const [own, theirs] = [valuesOf(said), valuesOf(english)];
      // "One tray" may be said without its number.
      own.delete('count');
      theirs.delete('count');
      return [...own].some((name) => !theirs.has(name)) || own.size < theirs.size;
    });
    expect(odd.filter(([key]) => !key.startsWith('noun.'))).toEqual([]);
    const formats = [...wordsOf(language).values()].flatMap((said) =>
      [...said.matchAll(/\{\{\w+, (\w+)/g)].map(([, name]) => name ?? ''),
    );
    expect(formats.filter((name) => !WORD_FORMATS.includes(name))).toEqual([]);
  });

  it('leaves no placeholder half open, and no sentence empty', () => {
    const torn = [...wordsOf(language)].filter(
      ([, said]) => said.trim() === '' || said.split('{{').length !== said.split('}}').length,
    );
    expect(torn).toEqual([]);
  });
});

describe('notes for translators', () => {
  const noted = Object.keys(notes);
  /** A note is on a key, or on everything under it. */
  const isNoted = (key: string) => noted.some((each) => key === each || key.startsWith(`${each}.`));

  it('are on what there is', () => {
    const keys = [...keysOf('en')];
    const gone = noted.filter((each) => !keys.some((key) => `${key}.`.startsWith(`${each}.`)));
    expect(gone).toEqual([]);
  });

  it('say what is meant wherever one English text is said in two ways elsewhere', () => {
    const byText = new Map<string, string[]>();
    for (const [key, text] of wordsOf('en'))
      if (key === withoutPlural(key) || key.endsWith('_other'))
        byText.set(text, [...(byText.get(text) ?? []), key]);
    const inTwoWays = [...byText.values()].filter((keys) =>
      WORD_LANGUAGES.some(
        (language) => new Set(keys.flatMap((key) => wordsOf(language).get(key) ?? [])).size > 1,
      ),
    );
    expect(inTwoWays.length).toBeGreaterThan(10);
    const unnoted = inTwoWays.map((keys) => keys.filter((key) => !isNoted(withoutPlural(key))));
    // One of them may do without: what is said of the others tells it apart.
    expect(unnoted.filter((keys) => keys.length > 1)).toEqual([]);
  });
});
