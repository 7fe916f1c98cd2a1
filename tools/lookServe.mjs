import { writeFileSync } from 'node:fs';
import { serveHouse } from './servedHouse.mjs';
const s = await serveHouse('look', { now: process.env.NOW ?? '2026-11-25T14:40:00.000Z', speed: Number(process.env.SPEED ?? 0) });
writeFileSync('/tmp/served.json', JSON.stringify({ url: s.url, cookie: s.cookie, pid: s.pid, databaseUrl: s.databaseUrl }));
setInterval(() => {}, 1e6);
