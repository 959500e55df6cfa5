import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type Practice } from '#contract/practice.ts';
import { practiceWays, type PracticeWay } from '#core/practiceKinds.ts';
import { wayWords } from '#words/practice.ts';
import { faultOf } from '../../api/faultOf.ts';
import { useBeginTry, useGiveOn, useOpenTruth } from '../../api/practice.ts';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { Fault } from '../../ui/Fault.tsx';
import { practiceName } from './practiceName.ts';
import { TryFigures } from './PracticeLines.tsx';
import { tryPath } from './tryPath.ts';

/** Both ways to go about it, the next one first; and the opening of the truth. */
export function Tries({ practice }: { practice: Practice }) {
  const next = practiceWays.find((way) => !practice.tries.some((one) => one.way === way && one.ended));
  return (
    <>
      <ol className="border-rule mt-4 border-t">
        {practiceWays.map((way) => (
          <Way key={way} practice={practice} way={way} next={way === next} />
        ))}
      </ol>
      <div className="mt-4 flex flex-wrap items-center gap-4">
        {!practice.truth && <Open practice={practice} next={next === undefined} />}
        {practice.copyOf === null && <GiveOn practice={practice} />}
      </div>
    </>
  );
}

function Way({ practice, way, next }: { practice: Practice; way: PracticeWay; next: boolean }) {
  const navigate = useNavigate();
  const begin = useBeginTry(practice.id);
  const tries = practice.tries.filter((one) => one.way === way);
  const going = tries.find((one) => !one.ended);
  const start = () => {
    const jobId = crypto.randomUUID();
    begin.mutate(
      { jobId, way, name: practiceName(practice) },
      { onSuccess: () => void navigate(tryPath(way, jobId)) },
    );
  };
  return (
    <li className="border-rule flex flex-wrap items-center gap-x-6 gap-y-2 border-b py-3">
      <div className="min-w-[260px] flex-1">
        <h2 className="text-head font-semibold">{wayWords[way].title}</h2>
        <p className="text-second">{wayWords[way].words}</p>
        {tries.map((one) => (
          <p key={one.jobId}>
            <TryFigures one={one} />
          </p>
        ))}
        <Fault words={begin.error && faultOf(begin.error)} />
      </div>
      {!practice.truth &&
        (going ? (
          <Button
            look={next ? 'main' : 'plain'}
            className="min-h-11 px-4"
            onClick={() => void navigate(tryPath(way, going.jobId))}
          >
            Go on
          </Button>
        ) : (
          <Button
            look={next ? 'main' : 'plain'}
            className="min-h-11 px-4"
            disabled={begin.isPending}
            onClick={start}
          >
            {tries.length > 0 ? 'Once more' : 'Begin'}
          </Button>
        ))}
    </li>
  );
}

/** Opens the truth, once it was asked whether. */
function Open({ practice, next }: { practice: Practice; next: boolean }) {
  const open = useOpenTruth(practice.id);
  const [asked, setAsked] = useState(false);
  return (
    <>
      <Button
        look={next ? 'main' : 'plain'}
        className="min-h-11 px-4"
        onClick={() => (next ? open.mutate() : setAsked(true))}
      >
        Open the truth
      </Button>
      <Fault words={open.error && faultOf(open.error)} />
      <Dialog
        open={asked}
        onClose={() => setAsked(false)}
        title="Open the truth now?"
        description="A try that still goes on ends there, and this machine cannot be tried again."
      >
        <div className="flex gap-3">
          <Button look="main" onClick={() => open.mutate(undefined, { onSettled: () => setAsked(false) })}>
            Open it
          </Button>
          <Button onClick={() => setAsked(false)}>Not yet</Button>
        </div>
      </Dialog>
    </>
  );
}

/** A link under which others find the same machine. */
function GiveOn({ practice }: { practice: Practice }) {
  const give = useGiveOn(practice.id);
  const address = give.data && `${window.location.origin}/practice/challenges/${give.data.id}`;
  if (address)
    return (
      <input
        readOnly
        aria-label="Link to this machine"
        value={address}
        onFocus={(event) => event.target.select()}
        className="border-rule h-11 w-[min(480px,100%)] border px-2"
      />
    );
  return (
    <>
      <Button look="quiet" onClick={() => give.mutate()}>
        Give this machine on as a challenge
      </Button>
      <Fault words={give.error && faultOf(give.error)} />
    </>
  );
}
