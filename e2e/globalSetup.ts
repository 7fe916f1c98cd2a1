import { ownDatabase } from './ownDatabase';
import { NOW, startServer } from './server';

/** Before all journeys: a database of their own, and a server on it. After them: both away. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  const database = await ownDatabase(process.env['DATABASE_URL'] ?? '');
  const server = await startServer(database.url, NOW);
  process.env['E2E_URL'] = server.url;
  process.env['E2E_DATABASE_URL'] = database.url;
  return async () => {
    await server.stop();
    await database.drop();
  };
}
