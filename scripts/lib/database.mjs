import { clusterFolder, startCluster, stopCluster } from './cluster.mjs';
import { ensurePostgres } from './debian.mjs';

/**
 * The database to serve from: DATABASE_URL when given, else the private cluster of this checkout, started.
 * `stop` leaves a cluster alone that another server still works on.
 */
export async function openDatabase() {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, stop: () => undefined };
  const bin = await ensurePostgres();
  const folder = clusterFolder(process.cwd());
  const { url } = await startCluster({ bin, folder });
  return { url, stop: () => stopCluster({ bin, folder }) };
}
