import { stopCluster } from '../../scripts/lib/cluster.mjs';

export default async function teardown() {
  stopCluster({ ...globalThis.marginTestCluster, throwaway: true });
}
