import type { WordLanguage } from '../../words/catalogue';

/** One page of the manual, as it is written in docs/manual. */
export interface ManualPage {
  readonly id: string;
  readonly title: string;
  /** Markdown without its title; `[[a.key]]` stands for what the catalogue says there. */
  readonly text: string;
}

/** The whole manual of a language comes at once: it is short, and a tablet has it without a network. */
const LOADERS: Readonly<Record<WordLanguage, () => Promise<Readonly<Record<string, string>>>>> = {
  en: async () => (await import('./pages/en')).pages,
  it: async () => (await import('./pages/it')).pages,
  es: async () => (await import('./pages/es')).pages,
  ar: async () => (await import('./pages/ar')).pages,
};

/** The pages of the manual in a language, in the order of their files' names. */
export async function manualPages(language: string): Promise<ManualPage[]> {
  const files = await LOADERS[language as WordLanguage]();
  return Object.entries(files).map(([path, source]) => {
    const [title = '', ...rest] = source.split('\n');
    return {
      id: /([^/]+)\.md$/.exec(path)?.[1] ?? path,
      title: title.replace(/^# /, ''),
      text: rest.join('\n').trim(),
    };
  });
}
