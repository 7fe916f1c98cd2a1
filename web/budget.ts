import { gzipSync } from 'node:zlib';
import type { Plugin, Rollup } from 'vite';

/** JavaScript that every page needs before it can say anything, gzipped. */
const MOST_ENTRY_KB = 220;
/** What any one place may need beyond that. */
const MOST_PLACE_KB = 150;

const isChunk = (file: Rollup.OutputAsset | Rollup.OutputChunk): file is Rollup.OutputChunk =>
  file.type === 'chunk';

/** Fails the build when what is loaded at first, or with one place, weighs more than it may. */
export function budget(): Plugin {
  return {
    name: 'budget',
    apply: 'build',
    generateBundle(_options, bundle) {
      const chunks = new Map(
        Object.values(bundle)
          .filter(isChunk)
          .map((chunk) => [chunk.fileName, chunk]),
      );
      const closure = (from: Rollup.OutputChunk, into = new Set<string>()): Set<string> => {
        if (into.has(from.fileName)) return into;
        into.add(from.fileName);
        for (const name of from.imports) {
          const next = chunks.get(name);
          if (next) closure(next, into);
        }
        return into;
      };
      const kilobytes = (names: Iterable<string>) =>
        [...names].reduce(
          (sum, name) => sum + gzipSync(chunks.get(name)?.code ?? '').length / 1000,
          0,
        );
      const entry = [...chunks.values()].find(({ isEntry }) => isEntry);
      if (!entry) return;
      const first = closure(entry);
      const tooHeavy = [
        { name: 'the first load', kb: kilobytes(first), most: MOST_ENTRY_KB },
        ...[...chunks.values()]
          .filter(({ isDynamicEntry }) => isDynamicEntry)
          .map((chunk) => ({
            name: chunk.name,
            kb: kilobytes([...closure(chunk)].filter((name) => !first.has(name))),
            most: MOST_PLACE_KB,
          })),
      ].filter(({ kb, most }) => kb > most);
      if (tooHeavy.length === 0) return;
      const told = tooHeavy.map(({ name, kb, most }) => `${name}: ${kb.toFixed(1)} of ${most} kB`);
      this.error(`Too much JavaScript, gzipped: ${told.join('; ')}.`);
    },
  };
}
