import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'postgresql',
  schema: ['./src/db/tables.ts', './src/db/shopTables.ts', './src/db/practiceTables.ts'],
  out: './src/db/migrations',
});
