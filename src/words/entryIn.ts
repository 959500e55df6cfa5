import { glossary, type Entry } from './glossary.ts';

/** Every name of every entry, the longest first: "bump stop" before "bump". */
const names = glossary
  .flatMap((entry) => [entry.term, ...entry.also].map((name) => ({ entry, name: name.toLowerCase() })))
  .sort((a, b) => b.name.length - a.name.length);

/** The entry of the glossary that a label speaks of: the longest word of the trade in it, or none. */
export function entryIn(label: string): Entry | null {
  const words = label.toLowerCase();
  return names.find(({ name }) => isIn(name, words))?.entry ?? null;
}

/** Whether a name stands in a text as whole words. */
function isIn(name: string, text: string): boolean {
  const at = text.indexOf(name);
  const letter = (k: number) => /\p{L}/u.test(text.charAt(k));
  return at >= 0 && !(at > 0 && letter(at - 1)) && !letter(at + name.length);
}
