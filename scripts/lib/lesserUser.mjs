import { spawnSync } from 'node:child_process';
import { chownSync, mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { fail, isRoot } from './say.mjs';

/** Nobody in particular, on Debian. */
const NOBODY = 65534;

function giveAway(folder, uid, gid) {
  chownSync(folder, uid, gid);
  for (const name of readdirSync(folder)) chownSync(join(folder, name), uid, gid);
}

/**
 * Whose rights a server has that a network reaches: not root's. Gives { uid, gid } of whoever used sudo, else of nobody; null where
 * we are not root. Its folders in `files` are given to that user.
 */
export function lesserUser(files) {
  if (!isRoot()) return null;
  const uid = Number(process.env.SUDO_UID ?? NOBODY);
  const gid = Number(process.env.SUDO_GID ?? NOBODY);
  for (const name of ['certificate', 'backups']) {
    const own = join(files, name);
    mkdirSync(own, { recursive: true, mode: 0o700 });
    giveAway(own, uid, gid);
  }
  const looks = spawnSync(process.execPath, ['-e', ''], { uid, gid, cwd: process.cwd() });
  if (looks.error || looks.status !== 0)
    fail(
      'Margin lies in a folder that only root may enter, and a server for the network is not run as root. Start it as an ordinary user, or move it.',
    );
  return { uid, gid };
}
