import { compressToEncodedURIComponent, decompressFromEncodedURIComponent } from 'lz-string';
import { readSetups, type LabSetup } from '#core/lab/setup.ts';
import type { Checked } from '#core/faults.ts';
import { faultWords } from '#words/faults.ts';

/** Setups as text that fits into a link. */
export function toLink(setups: readonly LabSetup[]): string {
  return compressToEncodedURIComponent(JSON.stringify(setups));
}

/** Setups out of a link; what is wrong with it where they cannot be read. */
export function fromLink(text: string): Checked<LabSetup[]> {
  const faulty = (got: unknown): Checked<LabSetup[]> => ({
    ok: false,
    faults: [{ path: 'link', got, want: { be: 'whole-link' } }],
  });
  try {
    const json = decompressFromEncodedURIComponent(text);
    return json ? readSetups(JSON.parse(json)) : faulty(text);
  } catch {
    return faulty(text);
  }
}

/** What is wrong, in words. */
export function linkFault(read: Checked<LabSetup[]>): string | null {
  return read.ok ? null : faultWords(read.faults);
}
