import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { memo, useCallback, useEffect, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { labMarks } from '#core/lab/curve.ts';
import { benchFrom } from '#core/lab/fromJob.ts';
import { roundedSection, sectionAt } from '#core/lab/section.ts';
import { caseTravel, type Bench, type LabSetup } from '#core/lab/setup.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { useSay } from '../../ui/settings.ts';
import { StackSection } from '../../drawing/StackSection.tsx';
import { useByHand } from '../job/tryByHand.ts';
import { capital } from '../../ui/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Length } from '../../ui/Figure.tsx';
import { toLink } from '../lab/labLink.ts';

/** mm. Nobody sees less in a small drawing. */
const SEEN_MM = 0.25;

/** Places that every corner is looked at in together. */
const LOOKS = ['full droop', 'at rest', 'ring takes over', 'full bump'] as const;

/**
 * Every corner's springs cut open, as they stand after the plan. Seats and rings can be moved by hand: heights, rules and
 * margins follow, and what is tried can be turned. `still` only shows.
 */
export function CutOpen({ answer, still = false }: { answer: Answer; still?: boolean }) {
  const job = useThisJob();
  const [look, setLook] = useState<string>('at rest');
  const { tried, clear } = useByHand();
  const free = !still && !job.state.locked && !job.state.turning;
  const benches = answer.corners.flatMap(({ id }) => {
    const bench = benchFrom(answer, id, `${answer.document.name} ${cornerNames[id]}`);
    return bench ? [{ id, bench }] : [];
  });
  if (benches.length === 0)
    return (
      <p className="text-second">
        Coils are drawn once their rate is given on Intake, under Springs and weights; lengths make them true.
      </p>
    );
  const cases = benches[0]?.bench.setup.cases.slice(1).map(({ name }) => name) ?? [];
  const ringed = benches.some(({ bench }) => bench.setup.rings.length > 0);
  const looks = [...LOOKS.filter((one) => ringed || one !== 'ring takes over'), ...cases];
  const byHand = Object.keys(tried).length > 0;
  return (
    <div>
      <div className="flex flex-wrap items-center gap-x-3">
        <div role="group" aria-label="Look at" className="flex flex-wrap gap-x-3">
          {looks.map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={look === one}
              onClick={() => setLook(one)}
              className={`label min-h-8 border-b-2 ${look === one ? 'border-action font-semibold' : 'text-second border-transparent'}`}
            >
              {one}
            </button>
          ))}
        </div>
        {byHand ? (
          <Button look="quiet" className="ml-auto" onClick={clear}>
            Back to the plan
          </Button>
        ) : (
          free && <p className="label text-second ml-auto">Drag a seat or ring, or use the arrow keys.</p>
        )}
      </div>
      <div className="mt-1 grid grid-cols-[repeat(auto-fit,minmax(168px,1fr))] gap-x-2">
        {benches.map(({ id, bench }) => (
          <Corner
            key={id}
            jobId={job.record.id}
            answer={answer}
            id={id}
            bench={bench}
            look={look}
            free={free}
          />
        ))}
      </div>
    </div>
  );
}

interface CornerProps {
  jobId: string;
  answer: Answer;
  id: CornerId;
  bench: Bench;
  look: string;
  free: boolean;
}

function Corner({ jobId, answer, id, bench, look, free }: CornerProps) {
  const { put } = useByHand();
  const now = useRef(bench.setup);
  useEffect(() => {
    now.current = bench.setup;
  }, [bench]);
  const latest = useCallback(() => now.current, []);
  const say = useSay(1);
  const sayWhole = useSay(0);
  const { document, machine, after } = answer;
  const i = machine.corners.indexOf(id);
  const corner = answer.corners.find((one) => one.id === id);
  const section = roundedSection(sectionAt(bench, travelIn(bench, look)), SEEN_MM);
  const seatBy = after.seatsBy[i] ?? 0;
  const ringsMm = after.ringsMm?.[i] ?? [];
  const adjustable = free && document.corners[id].adjustable;
  const { room } = corner ?? {};
  const nowMm = answer.now.seatsBy[i] ?? 0;
  const within = (mm: number) =>
    Math.min(Math.max(mm, nowMm + (room?.down ?? -Infinity)), nowMm + (room?.up ?? Infinity));
  return (
    <figure className="flex min-w-0 flex-col items-center [contain:layout_paint]">
      <StackSection
        name={`Spring cross-section, ${cornerNames[id]}`}
        section={section}
        width={172}
        height={330}
        compact
        say={sayWhole}
        collarMm={bench.setup.collar?.readsMm ?? null}
        snapMm={bench.setup.pitchMm / 8}
        seat={
          adjustable
            ? {
                label: `Seat, ${cornerNames[id]}`,
                words: `preload ${say(bench.setup.preloadMm)}`,
                value: bench.setup.preloadMm,
                onMove: (by) => put(id, { seatBy: within(seatBy + by) }),
              }
            : null
        }
        rings={section.rings.map(({ gapMm, after: slider }, j) =>
          free
            ? {
                label: `Ring ${slider + 1}, ${cornerNames[id]}`,
                words: `gap ${say(Math.max(gapMm, 0))}`,
                value: gapMm,
                onMove: (by) =>
                  put(id, {
                    ringsMm: section.rings.map((_, k) => (ringsMm[k] ?? 0) + (k === j ? by : 0)),
                  }),
              }
            : null,
        )}
      />
      <figcaption className="text-center">
        <span className="font-semibold">{capital(cornerNames[id])}</span>{' '}
        {corner && <Length mm={corner.specMm} decimals={0} />}
        <CornerLinks jobId={jobId} id={id} setup={latest} />
      </figcaption>
    </figure>
  );
}

/** Wheel travel in mm of a place by its name. */
function travelIn(bench: Bench, look: string): number {
  const { model, setup } = bench;
  if (look === 'full droop') return 0;
  if (look === 'full bump') return model.zMax;
  if (look === 'ring takes over')
    return labMarks(bench).find(({ kind }) => kind === 'ring')?.travelMm ?? model.zMax;
  return caseTravel(
    bench,
    Math.max(
      setup.cases.findIndex(({ name }) => name === look),
      0,
    ),
  );
}

interface LinkProps {
  jobId: string;
  id: CornerId;
  /** The corner's setup as it is when the link is followed. */
  setup: () => LabSetup;
}

/** Where a corner's springs can be taken to. A drag does not draw these anew. */
const CornerLinks = memo(function CornerLinks({ jobId, id, setup }: LinkProps) {
  const navigate = useNavigate();
  const look = 'label text-action block min-h-6 underline underline-offset-4';
  return (
    <>
      <Link
        to="/stack"
        className={look}
        onClick={(event) => {
          event.preventDefault();
          void navigate(`/stack?s=${toLink([setup()])}`);
        }}
      >
        to the stack lab
      </Link>
      <Link to={`/rack/search?job=${jobId}&corner=${id}`} className={look}>
        find springs
      </Link>
    </>
  );
});
