import { cornersTold } from '#words/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';

/** The end or side that was chosen stands right: on with the rest, where something is asked of it. */
export function TheRest() {
  const job = useThisJob();
  if (job.next.code !== 'the-rest') return null;
  return (
    <section
      aria-label="The rest"
      className="border-action mx-4 mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 border-l-4 pl-3"
    >
      <p>
        <b>What you chose to turn stands right.</b> Targets are given for {cornersTold(job.next.corners)} too.
      </p>
      <Button look="main" onClick={() => job.actions.change('Turn all of it', [['turnOnly'], null])}>
        Go on with the rest
      </Button>
    </section>
  );
}
