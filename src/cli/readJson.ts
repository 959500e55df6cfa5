import { readFileSync } from 'node:fs';
import { Exit, exits } from './faultExit.ts';

/** Reads a JSON file, or standard input for `-`. */
export function readJson(file: string): unknown {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    const why =
      (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : (error as Error).message;
    throw new Exit(exits.badInput, `${file} cannot be read: ${why}`);
  }
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new Exit(exits.badInput, `${file} is not JSON: ${(error as Error).message}`);
  }
}
