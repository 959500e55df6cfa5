/**
 * An error as it is written to the log: what kind it is, its code, and where it came from. Messages are left out: a database's
 * repeats what somebody sent, and that is nobody's business but the shop's.
 */
export function logged(error: unknown): { name: string; code: string | null; at: string[] } {
  if (!(error instanceof Error)) return { name: typeof error, code: null, at: [] };
  const { code = null } = (error.cause ?? error) as { code?: string };
  const at = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return { name: error.name, code, at: at.map((line) => line.trim()) };
}
