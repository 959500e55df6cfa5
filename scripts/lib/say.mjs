/** Ends the program with words instead of a stack. */
export function fail(words) {
  console.error(words);
  process.exit(1);
}

/** Whether we run as root (Debian packages can then be installed). */
export const isRoot = () => process.getuid?.() === 0;
