import { formatDistanceToNow } from 'date-fns';
import type { Backups } from '#contract/backup.ts';
import { useBackups } from '../../api/backup.ts';
import { faultOf } from '../../api/faultOf.ts';
import { Fault } from '../../ui/Fault.tsx';
import { Section } from './Section.tsx';

const WEEK_MS = 7 * 86_400_000;

const ago = (at: string) => formatDistanceToNow(new Date(at), { addSuffix: true });

/** The last backup, and what is wrong with backups, if anything. */
export function BackupSection() {
  const { data, error, dataUpdatedAt } = useBackups();
  return (
    <Section id="backup" title="Backup">
      {data && <Standing {...data} now={dataUpdatedAt} />}
      <p className="text-second mt-2">
        Backups are made and put back at the computer that Margin runs on: npm run backup, npm run restore.
      </p>
      <Fault words={error && faultOf(error)} />
    </Section>
  );
}

function Standing({ ready, scheduled, status, now }: Backups & { now: number }) {
  if (!ready)
    return (
      <Fault words="No backup is made: it would be locked with the passphrase, and none has been set. Set one with: npm run passphrase" />
    );
  const last = status?.last ?? null;
  const old = !last || now - Date.parse(last.at) > WEEK_MS;
  return (
    <>
      <p className="mt-2" data-testid="last-backup">
        {last
          ? `The last one was made ${ago(last.at)}: ${last.jobs} ${last.jobs === 1 ? 'job' : 'jobs'}, ${Math.ceil(last.bytes / 1000)} kB, opened again and found whole.`
          : 'There is none yet.'}{' '}
        {scheduled
          ? 'One is made every day by itself.'
          : 'Only a shop’s server makes one every day by itself.'}
      </p>
      {last && <p className="text-second">{last.file}</p>}
      {last && old && <Fault words="That is more than a week ago: make one now." />}
      {status?.tried?.fault && (
        <Fault words={`The last try, ${ago(status.tried.at)}, failed: ${status.tried.fault}`} />
      )}
      <Copy copy={status?.copy ?? null} />
    </>
  );
}

function Copy({ copy }: { copy: NonNullable<Backups['status']>['copy'] }) {
  if (!copy)
    return (
      <p className="text-tight mt-2 font-semibold">
        No copy goes to another disk: if this computer is lost, so are its backups. Name a folder on another
        disk in MARGIN_BACKUP_COPY.
      </p>
    );
  if (copy.fault) return <Fault words={`It was not copied to ${copy.folder}: ${copy.fault}`} />;
  return (
    <p className="mt-2">
      Copied to {copy.folder} {ago(copy.at)}.
    </p>
  );
}
