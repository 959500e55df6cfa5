import type { ReactNode } from 'react';
import type { Fact } from '#core/document/types.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { FromInstrument } from '../instruments/FromInstrument.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';
import { Panel } from '../sheet/Panel.tsx';
import { Part } from '../sheet/Part.tsx';
import { Alignment } from './Alignment.tsx';
import { Gaps } from './Gaps.tsx';
import { Ledger } from './Ledger.tsx';
import { Links } from './Links.tsx';
import { LowPoints } from './LowPoints.tsx';
import { Side } from './Side.tsx';

interface StancePart {
  title: string;
  words: string;
  /** Whether anything was given or read for it: it is folded otherwise. */
  given: (job: Job) => boolean;
  Shown: (props: { answer: Answer }) => ReactNode;
}

const isRead = ({ facts }: Job, ...kinds: Fact['kind'][]) =>
  facts.some(({ fact }) => kinds.includes(fact.kind));

const parts: readonly StancePart[] = [
  {
    title: 'Wheel gaps and rake',
    words: 'tyre to arch, and the rear over the front',
    given: ({ record }) =>
      record.document.stance.tyreMm.front !== null || record.document.stance.tyreMm.rear !== null,
    Shown: Gaps,
  },
  {
    title: 'Low points and angles',
    words: 'each over the ground, with the least it may come to',
    given: ({ record }) => record.document.stance.points.length > 0,
    Shown: LowPoints,
  },
  {
    title: 'Links of the bars',
    words: 'no preload at the new height',
    given: (job) => isRead(job, 'link'),
    Shown: Links,
  },
  {
    title: 'Toe and camber',
    words: 'what the new height does to them: align once, at the end',
    given: (job) => isRead(job, 'toe', 'camber') || job.record.document.steering.toePerMm !== null,
    Shown: Alignment,
  },
  {
    title: 'What could touch',
    words: 'now, after the plan, and at both ends of the travel',
    given: ({ record: { document } }) =>
      cornersIn(document).some(
        (id) => document.corners[id].clearances.length + document.corners[id].boots.length > 0,
      ),
    Shown: Ledger,
  },
];

/** How it stands over its wheels and over the ground, what the new height does to what hangs on it, and what could touch. */
export function StanceStage() {
  const job = useThisJob();
  const { answer } = job;
  return (
    <>
      <div className="flex-1 px-4 py-4">
        {answer ? (
          <>
            <Part
              title="From the side"
              words="before in a broken line, after the plan in a full line, to scale"
            >
              <Side answer={answer} />
            </Part>
            <div className="mt-4">
              {parts.map(({ title, words, given, Shown }) => (
                <Panel key={title} title={title} words={words} open={given(job)}>
                  <Shown answer={answer} />
                </Panel>
              ))}
            </div>
          </>
        ) : (
          <p className="text-second">
            Stance shows as soon as a height is read: gaps, rake, ground clearance and what could touch follow
            from it.
          </p>
        )}
      </div>
      <FromInstrument />
      <Footer>
        <NextLink from="stance" />
      </Footer>
    </>
  );
}
