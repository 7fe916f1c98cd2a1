/*
 * For tills that only drop files: posts each CSV of a folder (number;at;product;balls, at as ISO 8601 with its zone) and
 * moves it to done/ or refused/ beside it. products.json in the folder says which product a name means.
 *   CALM=… TOKEN=… node watchFolder.mjs /var/till          until Ctrl-C, every ten seconds
 *   CALM=… TOKEN=… node watchFolder.mjs /var/till --once   what is there now
 */
import { mkdir, readdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';

const { CALM, TOKEN } = process.env;
const [folder = '.', once] = process.argv.slice(2);
const products = JSON.parse(await readFile(join(folder, 'products.json'), 'utf8'));

const post = (sales) =>
  fetch(`${CALM}/till`, {
    method: 'POST',
    headers: { Authorization: `Bearer ${TOKEN}`, 'Content-Type': 'application/json' },
    body: JSON.stringify({ sales }),
  });

async function take(name) {
  const [, ...lines] = (await readFile(join(folder, name), 'utf8')).trim().split(/\r?\n/);
  const sales = lines.map((line) => {
    const [number, at, product, balls] = line.split(';');
    return { number, at, productId: products[product], balls: Number(balls) };
  });
  const answer = await post(sales);
  const text = await answer.text();
  // Nobody is there, or too busy: the file stays, and is sent again.
  if (answer.status >= 500 || answer.status === 429) return;
  const to = join(folder, answer.ok ? 'done' : 'refused');
  await mkdir(to, { recursive: true });
  await rename(join(folder, name), join(to, name));
  if (!answer.ok) await writeFile(join(to, `${name}.why.json`), text);
  process.stdout.write(`${name}: ${text}\n`);
}

do {
  for (const name of (await readdir(folder)).filter((each) => each.endsWith('.csv')))
    await take(name).catch((error) => process.stderr.write(`${name}: ${error.message}\n`));
  if (!once) await wait(10_000);
} while (!once);
