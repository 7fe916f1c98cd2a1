import { describe, expect, it } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import * as core from './index';

/*
 * What a docstring shows under @example is run: `call // what it gives`, numbers to the digits that are written.
 */

const src = fileURLToPath(new URL('./', import.meta.url));

interface Example {
  readonly file: string;
  readonly call: string;
  readonly gives: string;
}

function examples(): Example[] {
  return (readdirSync(src, { recursive: true }) as string[])
    .filter((file) => file.endsWith('.ts') && !file.includes('.test.'))
    .flatMap((file) =>
      [...readFileSync(`${src}/${file}`, 'utf8').matchAll(/@example (.+?) \/\/ (.+)$/gm)].map(
        ([, call = '', gives = '']) => ({ file, call, gives }),
      ),
    );
}

/** A value of the core's language, with every public name of the core at hand. */
const valueOf = (code: string): unknown =>
  (
    new Function(...Object.keys(core), `'use strict'; return (${code});`) as (
      ...names: unknown[]
    ) => unknown
  )(...Object.values(core));

/** Numbers in what is written, with how far off each may be: half of its last digit. */
function expectGives(value: unknown, gives: unknown, text: string): void {
  if (typeof gives === 'number') {
    const digits = /\.(\d+)/.exec(text)?.[1]?.length ?? 0;
    expect(value).toBeCloseTo(gives, digits);
    return;
  }
  if (gives === null || typeof gives !== 'object') {
    expect(value).toEqual(gives);
    return;
  }
  for (const [key, part] of Object.entries(gives)) {
    const written = new RegExp(`${key}: (-?[\\d.]+)`).exec(text)?.[1] ?? '0';
    expectGives((value as Record<string, unknown>)[key], part, written);
  }
}

describe('what docstrings show', () => {
  const all = examples();

  it('is shown of every room of the core that computes', () => {
    expect(all.length).toBeGreaterThan(15);
  });

  it.each(all)('$file: $call', ({ call, gives }) => {
    expectGives(valueOf(call), valueOf(gives), gives);
  });
});
