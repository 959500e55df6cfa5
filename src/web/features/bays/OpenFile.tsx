import { useRef, useState, type ChangeEvent } from 'react';
import { useNavigate } from 'react-router';
import { openJobFile, type Opened } from '../job/jobFiles.ts';
import { Button } from '../../ui/Button.tsx';

/** Opens a job file as a job of its own. */
export function OpenFile() {
  const input = useRef<HTMLInputElement>(null);
  const [failed, setFailed] = useState<Extract<Opened, { ok: false }> | null>(null);
  const navigate = useNavigate();
  const take = async (event: ChangeEvent<HTMLInputElement>) => {
    const [file] = event.target.files ?? [];
    // The same file may be chosen again once it is put right.
    event.target.value = '';
    if (!file) return;
    const opened = await openJobFile(await file.text());
    if (opened.ok) void navigate(`/jobs/${opened.id}/next`);
    else setFailed(opened);
  };
  return (
    <>
      <Button look="quiet" onClick={() => input.current?.click()}>
        Open a job file
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Job file"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => void take(event)}
      />
      {failed && (
        <div role="alert" className="border-short w-full border-l-2 py-1 pl-3">
          <p className="font-semibold">{failed.why}</p>
          {failed.details.map((detail) => (
            <p key={detail} className="label text-second">
              {detail}
            </p>
          ))}
        </div>
      )}
    </>
  );
}
