import { paths } from '../contract/src/api/routes';
import { addressPattern, PAGES } from './src/shell/pages';
import { directionOf } from './src/words/direction';
import type { Plugin, Rollup } from 'vite';

/** The chunk and the words that an address surely needs, by what the address is after its house. */
const PLACES = PAGES.map(({ path, component, words }) => {
  // The bare address of a house leads to Tonight.
  const pattern = component === 'Tonight' ? `(${path})?` : addressPattern(path);
  return [pattern, component, words] as const;
});
const HOUSE = 'the-house';

/** What `early` is told, as short as can be: files stand in `files` once. */
interface Told {
  readonly files: readonly string[];
  readonly places: readonly (readonly [
    address: string,
    files: number[],
    words: readonly string[],
  ])[];
  readonly words: Readonly<Record<string, Readonly<Record<string, number>>>>;
  readonly clock: string;
  readonly session: string;
  readonly thenAll: readonly string[];
  /** Languages that are written from the right. */
  readonly fromRight: readonly string[];
}

/**
 * Runs in the page before anything else, on its own: asks for the code and the words of the place that the
 * address names, and for what every page is made of, while the first code is still on its way.
 */
function early({ files, places, words, clock, session, thenAll, fromRight }: Told): void {
  const [, house = '', ...rest] = location.pathname.split('/');
  const address = rest.join('/');
  const kept = (key: string): Readonly<Record<string, unknown>> => {
    try {
      return (JSON.parse(localStorage.getItem(key) ?? '{}') ?? {}) as Record<string, unknown>;
    } catch {
      // Nothing is kept, or not by us.
      return {};
    }
  };
  const language = String(kept('calm-tray.display')['language'] ?? navigator.language).slice(0, 2);
  // How the frame of the page is to look until the page itself does.
  const { theme, isSpineNarrow } = kept('calm-tray.preferences');
  const root = document.documentElement;
  root.dataset['frame'] = [theme, isSpineNarrow && 'narrow'].filter(Boolean).join(' ');
  if (fromRight.includes(language)) root.dir = 'rtl';
  // What cannot be had now is asked for again by whoever needs it.
  const ask = (path: string) => fetch(path).catch(() => null);
  const answers = new Map([[clock, ask(clock)]]);
  if (house) {
    const of = (path: string) => path.replace('the-house', house);
    const door = ask(of(session));
    answers.set(of(session), door);
    // Nothing more is asked in the name of somebody who is not let in.
    for (const path of thenAll)
      answers.set(
        of(path),
        door.then((answer) => (answer?.ok ? ask(of(path)) : null)),
      );
  }
  Object.assign(globalThis, { calmEarly: { answers, atMs: Date.now() } });

  const [, needed = [], areas = []] =
    places.find(([like]) => new RegExp(`^${like}/?$`).test(address)) ?? [];
  const spoken = words[language] ?? words['en'] ?? {};
  const links = document.createDocumentFragment();
  for (const at of [...needed, ...['base', ...areas].map((area) => spoken[area] ?? -1)]) {
    const href = files[at];
    if (!href) continue;
    const link = document.createElement('link');
    link.rel = 'modulepreload';
    link.href = href;
    // What the page begins with goes first.
    link.fetchPriority = 'low';
    links.append(link);
  }
  document.head.append(links);
}

const isChunk = (file: Rollup.OutputAsset | Rollup.OutputChunk): file is Rollup.OutputChunk =>
  file.type === 'chunk';

/** Everything that a chunk needs before it runs. */
function closureOf(
  chunk: Rollup.OutputChunk,
  chunks: ReadonlyMap<string, Rollup.OutputChunk>,
  into = new Set<string>(),
): Set<string> {
  if (into.has(chunk.fileName)) return into;
  into.add(chunk.fileName);
  for (const name of chunk.imports) {
    const next = chunks.get(name);
    if (next) closureOf(next, chunks, into);
  }
  return into;
}

/** Writes `early` for what was built, and puts it first into the page. */
export function askEarly(): Plugin {
  return {
    name: 'ask-early',
    apply: 'build',
    transformIndexHtml: {
      order: 'post',
      handler(_html, { bundle }) {
        const all = Object.values(bundle ?? {}).filter(isChunk);
        const chunks = new Map(all.map((chunk) => [chunk.fileName, chunk]));
        const entry = all.find(({ isEntry }) => isEntry);
        const first = entry ? closureOf(entry, chunks) : new Set<string>();
        const files: string[] = [];
        const indexOf = (name: string) => {
          const href = `/${name}`;
          if (!files.includes(href)) files.push(href);
          return files.indexOf(href);
        };
        const wordsIn = (language: string, area: string): number => {
          const end = new RegExp(`/words/${language}/${area}\\.(json|ts)$`);
          const chunk = all.find(({ facadeModuleId }) => end.test(facadeModuleId ?? ''));
          if (!chunk) throw new Error(`No words ${language}/${area} were built.`);
          return indexOf(chunk.fileName);
        };
        const languages = all.flatMap(
          ({ facadeModuleId }) => /\/words\/(\w+)\/base\.ts$/.exec(facadeModuleId ?? '')?.[1] ?? [],
        );
        const areas = [...new Set(['base', ...PLACES.flatMap(([, , own]) => own)])];
        const told: Told = {
          places: PLACES.map(([address, name, words]) => {
            const chunk = all.find((each) => each.isDynamicEntry && each.name === name);
            if (!chunk) throw new Error(`No chunk ${name} was built for ${address}.`);
            const needed = [...closureOf(chunk, chunks)].filter((file) => !first.has(file));
            return [address, needed.map(indexOf), words];
          }),
          words: Object.fromEntries(
            languages.map((language) => [
              language,
              Object.fromEntries(areas.map((area) => [area, wordsIn(language, area)])),
            ]),
          ),
          files,
          clock: paths.clock(),
          session: paths.session(HOUSE),
          fromRight: languages.filter((each) => directionOf(each) === 'rtl'),
          thenAll: [paths.book(HOUSE), paths.plan(HOUSE), paths.cold(HOUSE)],
        };
        const script = `(${early.toString()})(${JSON.stringify(told)})`;
        return [{ tag: 'script', children: script, injectTo: 'head-prepend' }];
      },
    },
  };
}
