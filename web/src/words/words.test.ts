import { describe, expect, it } from '@jest/globals';
import { SKILLS } from '@calm/core';
import { crew, formulas, routes } from '@calm/demo';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { english } from './english';

const src = fileURLToPath(new URL('..', import.meta.url));

function sentencesOf(words: object): string[] {
  return Object.values(words).flatMap((value) =>
    typeof value === 'string' ? [value] : sentencesOf(value as object),
  );
}

function keysOf(words: object, before = ''): string[] {
  return Object.entries(words).flatMap(([key, value]) =>
    typeof value === 'string' ? [`${before}${key}`] : keysOf(value as object, `${before}${key}.`),
  );
}
const keys = new Set(keysOf(english).map((key) => key.replace(/_(one|other)$/, '')));

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

describe('the English catalogue', () => {
  it('has every sentence that the sources ask for', () => {
    const asked = askedFor();
    expect(asked.length).toBeGreaterThan(80);
    expect(asked.filter(({ key }) => !keys.has(key))).toEqual([]);
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
    expect(wanted.filter((key) => !keys.has(key))).toEqual([]);
  });

  it('leaves no placeholder half open', () => {
    const torn = sentencesOf(english).filter(
      (sentence) => sentence.split('{{').length !== sentence.split('}}').length,
    );
    expect(torn).toEqual([]);
  });
});
