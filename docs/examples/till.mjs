/*
 * One sale of a till, by the till's own token (Demand › History), under the till's own number of the line:
 *   CALM=http://127.0.0.1:4180/api/v1/houses/lantern-yard TOKEN=… node till.mjs 1042-3 PRODUCT_ID 2
 * The same number again is one sale; a correction is a line of its own with fewer than none.
 */
const { CALM, TOKEN } = process.env;
const [number, productId, balls, at = new Date().toISOString()] = process.argv.slice(2);

const answer = await fetch(`${CALM}/till`, {
  method: 'POST',
  headers: { Authorization: `Bearer ${TOKEN}`, 'Content-Type': 'application/json' },
  body: JSON.stringify({ sales: [{ number, at, productId, balls: Number(balls) }] }),
});
process.stdout.write(`${await answer.text()}\n`);
process.exitCode = answer.ok ? 0 : 1;
