/** Id and time for a new entry. */
export function newStamp(): { id: string; at: string } {
  return { id: crypto.randomUUID(), at: new Date().toISOString() };
}
