import { paths, type MachineIssued } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { HOUSE, NOW, startHouse, type TestHouse } from '../test-support/testHouse';

/* The clients of docs/examples, as somebody would copy them. */

let house: TestHouse;
let server: Server;
let folder: string;
let productId: string;
let at: string;
beforeAll(async () => {
  house = await startHouse();
  server = house.app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  folder = mkdtempSync(join(tmpdir(), 'calm-till-'));
  const [service] = await house.services('2026-11-24', 1);
  productId = service?.counts[0]?.productId ?? '';
  at = new Date(Date.parse(service?.startsAt ?? '') + 20 * 60_000).toISOString();
});
afterAll(async () => {
  await new Promise((resolve) => server.close(resolve));
  rmSync(folder, { recursive: true });
  await house.drop();
});

const letIn = async (start: object): Promise<string> =>
  ((await house.http.post(paths.issueMachine(HOUSE)).send(start).expect(201)).body as MachineIssued)
    .token;

/** Runs a client to its end. */
async function run(name: string, token: string, ...args: readonly string[]) {
  const { port } = server.address() as AddressInfo;
  const file = fileURLToPath(new URL(`../../../docs/examples/${name}`, import.meta.url));
  const CALM = `http://127.0.0.1:${port}/api/v1/houses/${HOUSE}`;
  const env = { ...process.env, NODE_OPTIONS: '', CALM, TOKEN: token };
  const child = spawn(process.execPath, [file, ...args], { env });
  let output = '';
  child.stdout.on('data', (chunk) => (output += chunk));
  child.stderr.on('data', (chunk) => (output += chunk));
  const code = await new Promise<number | null>((resolve) => child.once('close', resolve));
  return { code, output };
}

describe('a client of a page', () => {
  it('posts a reading, and is told when it may not', async () => {
    const { probes } = await house.get<{ probes: { id: string; name: string }[] }>(
      paths.cold(HOUSE),
    );
    const [probe, other] = probes;
    const token = await letIn({ kind: 'probe', name: probe?.name, probeId: probe?.id });
    const taken = await run('probe.mjs', token, probe?.name ?? '', '3.4', NOW);
    expect(taken.code).toBe(0);
    const refused = await run('probe.mjs', token, other?.name ?? '', '3.4', NOW);
    expect(refused.code).toBe(1);
    expect(refused.output).toContain('probe.other');
  });

  it('posts a sale once, however often it is sent', async () => {
    const token = await letIn({ kind: 'till', name: 'Counter', probeId: null });
    const first = await run('till.mjs', token, '1042-3', productId, '2', at);
    expect(JSON.parse(first.output)).toMatchObject({ added: 1, known: 0 });
    const again = await run('till.mjs', token, '1042-3', productId, '2', at);
    expect(JSON.parse(again.output)).toMatchObject({ added: 0, known: 1 });
  });

  it('takes what a till drops into a folder, and keeps apart what was refused', async () => {
    const token = await letIn({ kind: 'till', name: 'Bar', probeId: null });
    writeFileSync(join(folder, 'products.json'), JSON.stringify({ 'Yard Round': productId }));
    const head = 'number;at;product;balls\r\n';
    writeFileSync(join(folder, 'a.csv'), `${head}7;${at};Yard Round;3\r\n8;${at};Yard Round;1\r\n`);
    writeFileSync(join(folder, 'b.csv'), `${head}9;${at};Squid;1\r\n`);
    const { output } = await run('watchFolder.mjs', token, folder, '--once');
    expect(output).toMatch(/^a\.csv: .*"added":2/m);
    expect(readdirSync(join(folder, 'done'))).toEqual(['a.csv']);
    expect(readdirSync(join(folder, 'refused'))).toEqual(['b.csv', 'b.csv.why.json']);
    const why = readFileSync(join(folder, 'refused/b.csv.why.json'), 'utf8');
    expect(why).toContain('productId');
    expect(readdirSync(folder).sort()).toEqual(['done', 'products.json', 'refused']);
  });
});
