/*
 * One reading of a probe, by the probe's own token (Walk-in › Cold places):
 *   CALM=http://127.0.0.1:4180/api/v1/houses/lantern-yard TOKEN=… node probe.mjs "Walk-in door" 3.4
 * A reading that was sent before is known, and nothing happens: send it again until it is taken.
 */
const { CALM, TOKEN } = process.env;
const [probe, celsius, at = new Date().toISOString()] = process.argv.slice(2);

const answer = await fetch(`${CALM}/readings`, {
  method: 'POST',
  headers: { Authorization: `Bearer ${TOKEN}`, 'Content-Type': 'application/json' },
  body: JSON.stringify({
    probes: [{ probe, atS: [Math.floor(Date.parse(at) / 1000)], airC: [Number(celsius)] }],
  }),
});
process.stdout.write(`${await answer.text()}\n`);
process.exitCode = answer.ok ? 0 : 1;
