import { readFileSync } from 'node:fs';

const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string };

/** The package's version, for what shows it. */
export const define = { MARGIN_VERSION: JSON.stringify(version) };
