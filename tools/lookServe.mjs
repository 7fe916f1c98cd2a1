import { writeFileSync } from 'node:fs';
import { serveHouse } from './servedHouse.mjs';
const h = await serveHouse('look');
writeFileSync('/tmp/served.json', JSON.stringify({ url: h.url, cookie: h.cookie, db: h.databaseUrl }));
setInterval(() => {}, 1e6);
