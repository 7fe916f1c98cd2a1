import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'mysql',
  schema: './server/src/database/schema/index.ts',
  out: './server/src/database/migrations',
});
