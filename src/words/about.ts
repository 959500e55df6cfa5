import type { JobDocument } from '#core/document/types.ts';
import { dayWords } from './day.ts';
import type { Tell } from './figures.ts';

/** Whose machine it is and who works on it, for a sheet: what is known of it, each with what it is. */
export function aboutWords(
  { customer, plate, technician, odometerKm, cameIn }: JobDocument['about'],
  tell: Tell,
): string[] {
  return [
    customer && `customer ${customer}`,
    plate && `plate or frame ${plate}`,
    odometerKm !== null && `odometer ${tell('distance', odometerKm)}`,
    cameIn && `came in ${dayWords(cameIn)}`,
    technician && `set up by ${technician}`,
  ].filter((one) => typeof one === 'string' && one !== '') as string[];
}
