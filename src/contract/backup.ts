/** How it stands with backups. Times are ISO 8601. */
export interface BackupStatus {
  /** The last that went well: written, opened again, and put into a scratch database whole. */
  last: { at: string; file: string; bytes: number; jobs: number } | null;
  /** The last that was tried; `fault` is in words, null where it went well. */
  tried: { at: string; fault: string | null } | null;
  /** The copy to another disk or computer; null where none was asked for. */
  copy: { at: string; folder: string; fault: string | null } | null;
}

/** GET /api/backup */
export interface Backups {
  /** Whether there is a passphrase to lock backups with. */
  ready: boolean;
  /** Whether this server makes one every day by itself. */
  scheduled: boolean;
  status: BackupStatus | null;
}
