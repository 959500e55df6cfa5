import { parentPort, workerData } from 'node:worker_threads';

const { engineUrl, kind, seeds, megapixels, each } = workerData;
const { tryWheel } = await import(engineUrl);
parentPort.postMessage(
  seeds.flatMap((seed) => tryWheel(seed, kind, megapixels, each).pictures.map((one) => ({ seed, ...one }))),
);
