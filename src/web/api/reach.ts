import { create } from 'zustand';
import { DOCUMENT_VERSION } from '#core/document/description/job.ts';
import { VERSION_HEADER } from '#contract/version.ts';

/** Whether the server is in touch, and whether it speaks of jobs as this page does. */
export const useReach = create<{
  /** ms. Since when nothing was heard of the server; null while it is in touch. */
  awaySince: number | null;
  /** The server is of a newer Margin: this page may not understand what it says. */
  outdated: boolean;
  /** A newer Margin has been fetched, and is used once somebody says so. */
  renew: (() => void) | null;
}>()(() => ({ awaySince: null, outdated: false, renew: null }));

/** Takes note of the version that an answer of the server carries. */
export function heedVersion(headers: Headers): void {
  const theirs = Number(headers.get(VERSION_HEADER) ?? DOCUMENT_VERSION);
  const outdated = theirs > DOCUMENT_VERSION;
  if (outdated !== useReach.getState().outdated) useReach.setState({ outdated });
}

/** What goes along with everything that is sent. */
export const versionHeader = { [VERSION_HEADER]: String(DOCUMENT_VERSION) };
