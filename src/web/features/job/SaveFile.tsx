import { useState } from 'react';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { saveJobFile } from './jobFiles.ts';

/** Saves the job as a file; says so where its pictures could not go along. */
export function SaveFile() {
  const { record } = useThisJob();
  const [saving, setSaving] = useState(false);
  const [whole, setWhole] = useState(true);
  const save = async () => {
    setSaving(true);
    setWhole(await saveJobFile(record));
    setSaving(false);
  };
  return (
    <>
      {!whole && (
        <p role="alert" className="text-short">
          Saved without pictures: they could not be read from the server.
        </p>
      )}
      <Button look="quiet" disabled={saving} onClick={() => void save()}>
        {saving ? 'Saving …' : 'Save as a job file'}
      </Button>
    </>
  );
}
