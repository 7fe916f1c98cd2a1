import { abuse } from '../server/src/test-support/abuse/abuse';
import { startHouse } from '../server/src/test-support/testHouse';
import { installDatabase, startDatabase } from './database.mjs';
import { runTool, say } from './say.mjs';

/*
 * npm run abuse -- [how many] [seed]: bad requests to every route as everybody, against a house of its own, and what
 * came of them.
 */

await runTool(async () => {
  const count = Number(process.argv[2] ?? 10_000);
  const seed = Number(process.argv[3] ?? 1);
  await installDatabase();
  const database = process.env['DATABASE_URL'] ? null : await startDatabase('abuse');
  process.env['DATABASE_URL'] ??= database?.url ?? '';
  const house = await startHouse();
  try {
    const { sent, byStatus, slowestMs, faults } = await abuse(house, count, seed);
    say(`${sent} bad requests (seed ${seed}), the slowest ${slowestMs} ms`);
    for (const [status, n] of Object.entries(byStatus)) say(`  ${status}: ${n}`);
    for (const { fault, request, status, ms } of faults)
      say(`FAULT ${fault}: ${request} (${status}, ${Math.round(ms)} ms)`);
    say(`${faults.length} faults`);
    if (faults.length > 0) process.exitCode = 1;
  } finally {
    await house.drop();
    await database?.stop();
  }
});
