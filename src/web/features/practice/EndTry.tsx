import { useState } from 'react';
import { useNavigate } from 'react-router';
import { faultOf } from '../../api/faultOf.ts';
import { useEndTry } from '../../api/practice.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Fault } from '../../ui/Fault.tsx';
import { useOnItsWay } from './useOnItsWay.ts';

/** Hands the machine back: the try ends there. Waits until all that was written is with the server. */
export function EndTry({ practiceId, jobId }: { practiceId: string; jobId: string }) {
  const navigate = useNavigate();
  const end = useEndTry(jobId);
  const [asked, setAsked] = useState(false);
  const unsent = useOnItsWay(jobId);
  // What has ended is not shown here any more, whether this was told of it yet or not.
  const handBack = () =>
    void end.mutateAsync().then(
      () => navigate(`/practice/${practiceId}`),
      () => undefined,
    );
  return (
    <>
      <Button onClick={() => setAsked(true)}>Hand it back</Button>
      <Dialog
        open={asked}
        onClose={() => setAsked(false)}
        title="Hand the machine back?"
        description="This try ends as it stands. Its rounds and minutes count."
      >
        {unsent && <p className="mb-2">Something is still on its way to the server.</p>}
        <div className="flex gap-3">
          <Button look="main" disabled={unsent || end.isPending} onClick={handBack}>
            Hand it back
          </Button>
          <Button onClick={() => setAsked(false)}>Go on</Button>
        </div>
        <Fault words={end.error && faultOf(end.error)} />
      </Dialog>
    </>
  );
}
