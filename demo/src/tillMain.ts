import { paths } from '@calm/contract';
import { letIn, lineTo, untilStopped } from './line';
import { tillRound, type TillMemory } from './till';

/*
 * npm run till -- [address] [house]: posts sales to a running house every twenty seconds until Ctrl-C,
 * by the house's own clock. A house that does not answer is tried again; nothing is lost meanwhile.
 */
const [address = 'http://127.0.0.1:4180', house = 'lantern-yard'] = process.argv.slice(2);
const EVERY_MS = 20_000;

const line = lineTo(address, house, 'Maro');
const start = { kind: 'till', name: 'Stand-in till', probeId: null } as const;
const till = await letIn(address, house, line, start);
const memory: TillMemory = { acknowledged: new Set(), round: 0 };
process.stdout.write(`The till posts to ${address} until Ctrl-C.\n`);
await untilStopped(EVERY_MS, async () => {
  const clock = await line.get<{ now: string }>(paths.clock());
  const added = await tillRound(line, house, Date.parse(clock.now), memory, till.line);
  if (added > 0) process.stdout.write(`${clock.now.slice(11, 16)} UTC: ${added} sales.\n`);
});
await till.leave();
