import { useRef, useState, type ChangeEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { queryClient } from '../../api/jobs.ts';
import { Button } from '../../ui/Button.tsx';
import { openFiles, type OpenedFile } from './openFiles.ts';

interface Progress {
  done: OpenedFile[];
  running: boolean;
}

/** Opens job files, each as a job of its own: one leads to its job, of several it is told what became of each. */
export function OpenFiles({ label = 'Open a job file' }: { label?: string }) {
  const input = useRef<HTMLInputElement>(null);
  const [progress, setProgress] = useState<Progress | null>(null);
  const navigate = useNavigate();
  const take = async (event: ChangeEvent<HTMLInputElement>) => {
    const files = [...(event.target.files ?? [])];
    // The same file may be chosen again once it is put right.
    event.target.value = '';
    if (files.length === 0) return;
    const done: OpenedFile[] = [];
    setProgress({ done, running: true });
    for await (const file of openFiles(files)) {
      done.push(file);
      setProgress({ done: [...done], running: true });
    }
    setProgress({ done, running: false });
    await queryClient.invalidateQueries({ queryKey: ['jobs'] });
    const [only] = done;
    if (done.length === 1 && only?.opened.ok && only.opened.left.length === 0)
      void navigate(`/jobs/${only.opened.id}/next`);
  };
  return (
    <>
      <Button look="quiet" disabled={progress?.running ?? false} onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        accept=".json,application/json,.zip,application/zip"
        aria-label="Job file"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => void take(event)}
      />
      {progress && <Outcome {...progress} />}
    </>
  );
}

function Outcome({ done, running }: Progress) {
  const of = done.at(-1)?.of ?? 0;
  const opened = done.filter((one) => one.opened.ok).length;
  if (running)
    return (
      <p role="status" className="text-second">
        {of > 1 ? `Opening, ${done.length} of ${of} done …` : 'Opening …'}
      </p>
    );
  return (
    <>
      {done.length > 1 && (
        <p role="status" className="w-full">
          {tally(opened, done.length)}
        </p>
      )}
      {done.map((one, k) => (
        <OneOutcome key={k} {...one} alone={done.length === 1} />
      ))}
    </>
  );
}

function tally(opened: number, of: number): string {
  if (opened === 0) return `None of the ${of} could be opened.`;
  return opened === of ? `All ${of} are jobs now.` : `${opened} of ${of} are jobs now.`;
}

/** What was not, or not wholly, opened. */
function OneOutcome({ name, opened, alone }: OpenedFile & { alone: boolean }) {
  if (opened.ok && opened.left.length === 0) return null;
  const [first, ...rest] = opened.ok ? opened.left : [opened.why, ...opened.details];
  return (
    <div role="alert" className="border-short w-full border-l-2 py-1 pl-3">
      <p className="font-semibold">
        {!alone && `${name}: `}
        {first}
      </p>
      {rest.map((line) => (
        <p key={line} className="label text-second">
          {line}
        </p>
      ))}
      {opened.ok && (
        <Link to={`/jobs/${opened.id}/next`} className="underline">
          To the job
        </Link>
      )}
    </div>
  );
}
