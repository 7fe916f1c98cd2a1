import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'mysql',
  schema: './server/src/store/schema/index.ts',
  out: './server/src/store/migrations',
});
