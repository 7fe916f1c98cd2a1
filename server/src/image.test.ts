import { describe, expect, it } from '@jest/globals';
import { validate } from 'dockerfile-utils';
import { existsSync, readFileSync } from 'node:fs';
import { parse } from 'yaml';
import { readConfig, SETTINGS } from './config';

/* The engines that build images and start them are not at hand here: what can be read of their files is checked. */

const ROOT = new URL('../../', import.meta.url);
const read = (name: string) => readFileSync(new URL(name, ROOT), 'utf8');
/** Made by the build, so not there before it. */
const IS_BUILT = /\/dist$/;

interface Service {
  readonly environment?: Readonly<Record<string, string>>;
  readonly depends_on?: Readonly<Record<string, unknown>>;
  readonly command?: readonly string[];
  readonly ports?: readonly string[];
}
interface Compose {
  readonly services: Readonly<Record<string, Service>>;
}

describe('the image', () => {
  const file = read('Dockerfile');

  it('is written as images are', () => {
    expect(validate(file)).toEqual([]);
    expect(validate('FROM node:22\nCPY . .').length).toBeGreaterThan(0);
  });

  it('is made of what is there, and of every workspace', () => {
    const sources = [
      ...file.matchAll(/^COPY (?!--from=packages)(?:--from=build \/calm-tray\/)?([\w./-]+)/gm),
    ].map(([, source]) => source ?? '');
    const isThere = (source: string) => IS_BUILT.test(source) || existsSync(new URL(source, ROOT));
    expect(sources.filter((source) => !isThere(source))).toEqual([]);
    const { workspaces } = JSON.parse(read('package.json')) as { workspaces: string[] };
    expect(sources).toEqual(
      expect.arrayContaining(workspaces.map((name) => `${name}/package.json`)),
    );
  });

  it('sets what the server knows', () => {
    const set = [...file.matchAll(/^ENV (\w+)=(\S+)$/gm)].map(([, key = '', value]) => [
      key,
      value,
    ]);
    const known = new Set([...Object.keys(SETTINGS), 'NODE_ENV']);
    expect(set.filter(([key = '']) => !known.has(key))).toEqual([]);
    const told = Object.fromEntries(set) as Record<string, string>;
    expect(readConfig({ ...told, DATABASE_URL: 'mysql://a:b@c/d' }).port).toBe(4180);
  });
});

describe('the composition', () => {
  const { services } = parse(read('compose.yaml')) as Compose;

  it('waits for services that are there, and runs what the image has', () => {
    for (const { depends_on: others = {} } of Object.values(services))
      expect(Object.keys(services)).toEqual(expect.arrayContaining(Object.keys(others)));
    const commands = Object.values(services).flatMap(({ command = [] }) => command);
    const scripts = commands.filter((word) => word.endsWith('.js'));
    expect(new Set(scripts)).toEqual(new Set(['server/dist/admin.js']));
  });

  it('serves by the account with the least rights, to this machine alone', () => {
    const serving = services['calm-tray'];
    const url = serving?.environment?.['DATABASE_URL'] ?? '';
    const config = readConfig({ DATABASE_URL: url.replace(/\$\{\w+\}/g, 'secret') });
    expect(new URL(config.databaseUrl).username).toBe('calm_app');
    expect(serving?.ports?.every((port) => port.startsWith('127.0.0.1:'))).toBe(true);
  });
});
