import { chmod, mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import {
  isWornOut,
  makeAuthority,
  makeServerCertificate,
  type Authority,
  type ServerCertificate,
} from './authority.ts';

/** What the server shows, and the root that tablets are told to trust. */
export interface ShopCertificate extends ServerCertificate {
  root: string;
}

async function read<T>(path: string): Promise<T | null> {
  try {
    return JSON.parse(await readFile(path, 'utf8')) as T;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw error;
  }
}

/** Written beside and renamed: a file is either whole or not there, and nobody else's to read. */
async function keep(path: string, value: unknown): Promise<void> {
  await writeFile(`${path}.new`, JSON.stringify(value), { mode: 0o600 });
  await rename(`${path}.new`, path);
}

/**
 * The shop's certificate out of `folder`, made at the first call and renewed before it ends. The authority stays the same as long as
 * the folder is there: tablets trust it. For a name it may not speak for, it is made anew, and every tablet has to trust it anew.
 */
export async function shopCertificate(
  folder: string,
  names: readonly string[],
  now: number,
): Promise<ShopCertificate> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  await chmod(folder, 0o700);
  const authorityFile = join(folder, 'authority.json');
  const serverFile = join(folder, 'server.json');
  let kept = await read<Authority & { names: string[] }>(authorityFile);
  if (!kept || !names.every((name) => kept?.names.includes(name))) {
    kept = { ...(await makeAuthority(names, now)), names: [...names] };
    await keep(authorityFile, kept);
  }
  let server = await read<ServerCertificate>(serverFile);
  if (!server?.chain.endsWith(kept.intermediate) || isWornOut(server, names, now)) {
    server = await makeServerCertificate(kept, names, now);
    await keep(serverFile, server);
  }
  return { ...server, root: kept.root };
}
