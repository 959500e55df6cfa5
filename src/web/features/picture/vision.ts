import { startedOnce } from '../../workers/startedOnce.ts';
import type { VisionApi } from '../../workers/vision.worker.ts';

const vision = startedOnce<VisionApi>(
  () => new Worker(new URL('../../workers/vision.worker.ts', import.meta.url), { type: 'module' }),
);

/** What works with pictures beside the page; it is started when it is first asked. */
export const visionWorker = vision.get;
