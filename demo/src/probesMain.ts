import { paths, type ColdBoard } from '@calm/contract';
import { STORIES, type Story } from './cold';
import { letIn, lineTo, untilStopped } from './line';
import { probeRound, type ProbeMemory } from './probeRound';

/*
 * npm run probes -- [address] [house] [story]: posts temperatures to a running house every minute until Ctrl-C, by
 * the house's own clock. The story is what goes wrong: warm-night, power-cut or door-ajar; none is an ordinary
 * day. A house that does not answer is tried again; nothing is lost meanwhile.
 */
const [address = 'http://127.0.0.1:4180', house = 'lantern-yard', told] = process.argv.slice(2);
const EVERY_MS = 60_000;
const story: Story | null = STORIES.find((each) => each === told) ?? null;
if (told !== undefined && story === null) {
  process.stderr.write(`No story "${told}". There are: ${STORIES.join(', ')}.\n`);
  process.exit(1);
}

const memory: ProbeMemory = { sentS: new Map(), late: [] };
process.stdout.write(`Probes post to ${address} until Ctrl-C.\n`);
const line = lineTo(address, house, 'Maro');
const { probes } = await line.get<ColdBoard>(paths.cold(house));
const machines = await Promise.all(
  probes.map(async ({ id, name }) => {
    const start = { kind: 'probe', name: `Stand-in: ${name}`, probeId: id } as const;
    return { name, ...(await letIn(address, house, line, start)) };
  }),
);
const lines = new Map(machines.map((machine) => [machine.name, machine.line]));
await untilStopped(EVERY_MS, async () => {
  const clock = await line.get<{ now: string }>(paths.clock());
  const added = await probeRound(line, house, Date.parse(clock.now), memory, story, lines);
  if (added > 0) process.stdout.write(`${clock.now.slice(11, 16)} UTC: ${added} readings.\n`);
});
await Promise.all(machines.map(({ leave }) => leave()));
