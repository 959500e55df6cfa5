import type { Door } from '#contract/door.ts';
import { callApi } from './client.ts';
import { takeDoor } from './door.ts';

/** Asks the server where this device stands; where it is not reached, what was known holds. */
export const askDoor = (): Promise<void> => callApi<Door>('/door').then(takeDoor, () => undefined);
