import { useThisJob } from '../../jobStore/jobContext.ts';
import { Footer, NextLink } from '../sheet/Footer.tsx';
import { Part } from '../sheet/Part.tsx';
import { Alignment } from './Alignment.tsx';
import { Gaps } from './Gaps.tsx';
import { Ledger } from './Ledger.tsx';
import { Links } from './Links.tsx';
import { LowPoints } from './LowPoints.tsx';
import { Side } from './Side.tsx';

/** How it stands over its wheels and over the ground, what the new height does to what hangs on it, and what could touch. */
export function StanceStage() {
  const job = useThisJob();
  const { answer } = job;
  return (
    <>
      <div className="flex-1 px-4 py-4">
        {answer ? (
          <>
            <Part title="From the side" words="before in a broken line, after the plan in ink, to scale">
              <Side answer={answer} />
            </Part>
            <Part title="Wheel gaps and rake" words="tyre to arch, and the rear over the front">
              <Gaps answer={answer} />
            </Part>
            <Part title="Low points and angles" words="each over the ground, with the least it may come to">
              <LowPoints answer={answer} />
            </Part>
            <Part title="Links of the bars" words="no preload at the new height">
              <Links answer={answer} />
            </Part>
            <Part title="Toe and camber" words="what the new height does to them: align once, at the end">
              <Alignment answer={answer} />
            </Part>
            <Part title="What could touch" words="now, after the plan, and at both ends of the travel">
              <Ledger answer={answer} />
            </Part>
          </>
        ) : (
          <p className="text-second">
            Stance shows as soon as a height is read: gaps, rake, ground clearance and what could touch follow
            from it.
          </p>
        )}
      </div>
      <Footer>
        <NextLink from="stance" />
      </Footer>
    </>
  );
}
