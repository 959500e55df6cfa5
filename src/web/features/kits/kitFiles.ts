import type { Kit, KitValues } from '#core/kits/kit.ts';
import { download } from '../../ui/download.ts';

/** Saves a kit's sheet as a file. */
export function saveKit({ kit }: Kit): void {
  const name = kit.name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'kit';
  download(new Blob([`${JSON.stringify(kit, null, 1)}\n`], { type: 'application/json' }), `${name}.kit.json`);
}

/** A sheet out of a file; the reason where it is none. What it holds is checked by the server as it is kept. */
export function kitFrom(text: string): { ok: true; kit: KitValues } | { ok: false; why: string } {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    return { ok: false, why: 'This file is not JSON.' };
  }
  const isKit =
    typeof read === 'object' && read !== null && (read as { schema?: unknown }).schema === 'margin-kit';
  return isKit
    ? { ok: true, kit: read as KitValues }
    : { ok: false, why: 'This is no kit’s sheet. Open a file that was saved on the page of kits.' };
}
