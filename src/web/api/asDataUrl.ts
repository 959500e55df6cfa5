/** What is in a file as a `data:` address. Throws where it cannot be read. */
export function asDataUrl(blob: Blob): Promise<string> {
  return new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = () => fail(reader.error ?? new Error('expected a file that can be read'));
    reader.readAsDataURL(blob);
  });
}
