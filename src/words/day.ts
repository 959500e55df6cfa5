/** A day as the reader writes it, of an ISO day or instant: "11 December 2026". */
export function dayWords(iso: string): string {
  // Noon of a day alone: no time zone makes another day of it.
  const at = new Date(iso.length === 10 ? `${iso}T12:00` : iso);
  return at.toLocaleDateString(undefined, { dateStyle: 'long' });
}
