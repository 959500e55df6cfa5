import type { GaugeReading } from './line.ts';
import { readGaugeLine } from './line.ts';

/** A number with its sign and point or comma, and perhaps a unit after it. */
const PLAIN = /^\s*([+-]?)\s*(\d+(?:[.,]\d+)?)\s*(mm|cm|in|"|kg|lb|bar|kPa|psi|deg|°)?\s*$/i;

const units: Record<string, string> = { '"': 'in', '°': 'deg', kpa: 'kPa' };

/**
 * A line of a device that knows nothing of the protocol: a number, with or without its unit ("70.05", "+0070,05 mm"); null where it is
 * none. A line of the protocol is taken as it is. Calipers send one when their button is pressed, so it counts as meant.
 */
export function readPlainLine(text: string, name: string, unit: string): GaugeReading | null {
  if (text.trimStart().startsWith('{')) {
    const line = readGaugeLine(text);
    return line.ok ? line.value : null;
  }
  const found = PLAIN.exec(text);
  if (!found) return null;
  const [, sign = '', digits = '', said] = found;
  const value = Number(digits.replace(',', '.')) * (sign === '-' ? -1 : 1);
  const own = said === undefined ? unit : (units[said.toLowerCase()] ?? said.toLowerCase());
  const line = readGaugeLine(JSON.stringify({ name, unit: own, value, sent: true }));
  return line.ok ? line.value : null;
}
