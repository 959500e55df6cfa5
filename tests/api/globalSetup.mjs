import { startCluster, throwawayFolder } from '../../scripts/lib/cluster.mjs';
import { ensurePostgres } from '../../scripts/lib/debian.mjs';

/** A PostgreSQL of our own for the server tests, thrown away afterwards. */
export default async function setup() {
  const bin = await ensurePostgres();
  const folder = throwawayFolder();
  const { url } = await startCluster({ bin, folder, throwaway: true });
  process.env.MARGIN_TEST_DATABASE = url;
  globalThis.marginTestCluster = { bin, folder };
}
