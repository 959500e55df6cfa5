import { clusterFolder, isClusterUp, startCluster, stopCluster } from './cluster.mjs';
import { ensurePostgres } from './debian.mjs';

/** ms between looks at whether PostgreSQL is still there. */
const LOOK_MS = 1000;

/**
 * The database to serve from: DATABASE_URL when given, else the private cluster of this checkout, started, and started again
 * on the same port whenever it has died. `stop` leaves a cluster alone that another server still works on.
 */
export async function openDatabase() {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, stop: () => undefined };
  const bin = await ensurePostgres();
  const folder = clusterFolder(process.cwd());
  const { url, port } = await startCluster({ bin, folder });
  const endWatch = watch({ bin, folder, port });
  const stop = () => {
    endWatch();
    stopCluster({ bin, folder });
  };
  return { url, stop };
}

/** Starts a cluster again whenever it is gone; gives what ends that. */
function watch({ bin, folder, port }) {
  let busy = false;
  const look = async () => {
    if (busy) return;
    busy = true;
    try {
      if (isClusterUp(folder)) return;
      console.error('PostgreSQL has ended: it is started again.');
      await startCluster({ bin, folder, port, orFail: (words) => console.error(words) });
    } catch (error) {
      // Its files come and go while it dies: a look that fails is followed by the next.
      console.error(`PostgreSQL could not be started again yet: ${error.message}`);
    } finally {
      busy = false;
    }
  };
  const timer = setInterval(() => void look(), LOOK_MS);
  return () => clearInterval(timer);
}
