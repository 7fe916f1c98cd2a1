import { DISPLAY_CHOICES, type Language } from '@calm/contract';

/** A language that has words of its own: regions of one language share them. */
export type WordLanguage = 'en' | 'it' | 'es' | 'ar';

/** What is loaded together: the shell's words, which are there first, the engine's reasons, and those of a place. */
export type WordArea =
  | 'base'
  | 'engine'
  | 'tonight'
  | 'whatNow'
  | 'demand'
  | 'formulas'
  | 'plan'
  | 'mix'
  | 'bench'
  | 'walkIn'
  | 'crew'
  | 'practice'
  | 'rehearsal'
  | 'log'
  | 'house'
  | 'files';

/** Words by their keys, as deep as keys have parts. */
export interface Words {
  readonly [key: string]: string | Words;
}

type Load = () => Promise<{ readonly default: Words }>;

/** Where each language's words come from. */
const LOADERS: Readonly<Record<WordLanguage, Readonly<Record<WordArea, Load>>>> = {
  en: {
    base: async () => ({ default: (await import('./en/base')).words }),
    engine: () => import('@calm/domain/words/en/engine.json', { with: { type: 'json' } }),
    tonight: () => import('./en/tonight.json', { with: { type: 'json' } }),
    whatNow: () => import('./en/whatNow.json', { with: { type: 'json' } }),
    demand: () => import('./en/demand.json', { with: { type: 'json' } }),
    formulas: () => import('./en/formulas.json', { with: { type: 'json' } }),
    plan: async () => ({ default: (await import('./en/plan')).words }),
    mix: () => import('./en/mix.json', { with: { type: 'json' } }),
    bench: () => import('./en/bench.json', { with: { type: 'json' } }),
    walkIn: () => import('./en/walkIn.json', { with: { type: 'json' } }),
    crew: () => import('./en/crew.json', { with: { type: 'json' } }),
    practice: async () => ({ default: (await import('./en/practice')).words }),
    rehearsal: () => import('./en/rehearsal.json', { with: { type: 'json' } }),
    log: async () => ({ default: (await import('./en/log')).words }),
    house: () => import('./en/house.json', { with: { type: 'json' } }),
    files: () => import('./en/files.json', { with: { type: 'json' } }),
  },
  it: {
    base: async () => ({ default: (await import('./it/base')).words }),
    engine: () => import('@calm/domain/words/it/engine.json', { with: { type: 'json' } }),
    tonight: () => import('./it/tonight.json', { with: { type: 'json' } }),
    whatNow: () => import('./it/whatNow.json', { with: { type: 'json' } }),
    demand: () => import('./it/demand.json', { with: { type: 'json' } }),
    formulas: () => import('./it/formulas.json', { with: { type: 'json' } }),
    plan: async () => ({ default: (await import('./it/plan')).words }),
    mix: () => import('./it/mix.json', { with: { type: 'json' } }),
    bench: () => import('./it/bench.json', { with: { type: 'json' } }),
    walkIn: () => import('./it/walkIn.json', { with: { type: 'json' } }),
    crew: () => import('./it/crew.json', { with: { type: 'json' } }),
    practice: async () => ({ default: (await import('./it/practice')).words }),
    rehearsal: () => import('./it/rehearsal.json', { with: { type: 'json' } }),
    log: async () => ({ default: (await import('./it/log')).words }),
    house: () => import('./it/house.json', { with: { type: 'json' } }),
    files: () => import('./it/files.json', { with: { type: 'json' } }),
  },
  es: {
    base: async () => ({ default: (await import('./es/base')).words }),
    engine: () => import('@calm/domain/words/es/engine.json', { with: { type: 'json' } }),
    tonight: () => import('./es/tonight.json', { with: { type: 'json' } }),
    whatNow: () => import('./es/whatNow.json', { with: { type: 'json' } }),
    demand: () => import('./es/demand.json', { with: { type: 'json' } }),
    formulas: () => import('./es/formulas.json', { with: { type: 'json' } }),
    plan: async () => ({ default: (await import('./es/plan')).words }),
    mix: () => import('./es/mix.json', { with: { type: 'json' } }),
    bench: () => import('./es/bench.json', { with: { type: 'json' } }),
    walkIn: () => import('./es/walkIn.json', { with: { type: 'json' } }),
    crew: () => import('./es/crew.json', { with: { type: 'json' } }),
    practice: async () => ({ default: (await import('./es/practice')).words }),
    rehearsal: () => import('./es/rehearsal.json', { with: { type: 'json' } }),
    log: async () => ({ default: (await import('./es/log')).words }),
    house: () => import('./es/house.json', { with: { type: 'json' } }),
    files: () => import('./es/files.json', { with: { type: 'json' } }),
  },
  ar: {
    base: async () => ({ default: (await import('./ar/base')).words }),
    engine: () => import('@calm/domain/words/ar/engine.json', { with: { type: 'json' } }),
    tonight: () => import('./ar/tonight.json', { with: { type: 'json' } }),
    whatNow: () => import('./ar/whatNow.json', { with: { type: 'json' } }),
    demand: () => import('./ar/demand.json', { with: { type: 'json' } }),
    formulas: () => import('./ar/formulas.json', { with: { type: 'json' } }),
    plan: async () => ({ default: (await import('./ar/plan')).words }),
    mix: () => import('./ar/mix.json', { with: { type: 'json' } }),
    bench: () => import('./ar/bench.json', { with: { type: 'json' } }),
    walkIn: () => import('./ar/walkIn.json', { with: { type: 'json' } }),
    crew: () => import('./ar/crew.json', { with: { type: 'json' } }),
    practice: async () => ({ default: (await import('./ar/practice')).words }),
    rehearsal: () => import('./ar/rehearsal.json', { with: { type: 'json' } }),
    log: async () => ({ default: (await import('./ar/log')).words }),
    house: () => import('./ar/house.json', { with: { type: 'json' } }),
    files: () => import('./ar/files.json', { with: { type: 'json' } }),
  },
};

/** The words that a language reads by. */
export const wordLanguageOf = (language: Language): WordLanguage =>
  language === 'en-US' ? 'en' : language;

/** Every language that has words. */
export const WORD_LANGUAGES: readonly WordLanguage[] = [
  ...new Set(DISPLAY_CHOICES.language.map(wordLanguageOf)),
];

/** Every area that words are loaded by. */
export const WORD_AREAS = Object.keys(LOADERS.en) as readonly WordArea[];

/** The words of one area in one language. */
export async function loadWords(language: WordLanguage, area: WordArea): Promise<Words> {
  return (await LOADERS[language][area]()).default;
}
