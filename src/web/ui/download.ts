/** ms. A browser may still be reading what it saves. */
const KEPT_MS = 10_000;

/** Gives a file to whoever asked for it. */
export function download(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), KEPT_MS);
}
