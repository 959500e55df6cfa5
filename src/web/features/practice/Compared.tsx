import { useState } from 'react';
import type { Missed, OpenedCorner, Practice, PracticeTry } from '#contract/practice.ts';
import type { RiseParts } from '#core/practiceKinds.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { partWords, wayWords } from '#words/practice.ts';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { Button } from '../../ui/Button.tsx';
import { capital } from '../../ui/words.ts';
import { HeightTrace } from './HeightTrace.tsx';

/** Both ways side by side: what they took, what each move really did, and why. */
export function Compared({ practice }: { practice: Practice }) {
  return (
    <section aria-label="Compared" className="mt-8">
      <h2 className="border-rule text-head border-b pb-1 font-semibold">What each move really did</h2>
      <div className="mt-3 grid grid-cols-2 gap-x-10 gap-y-8 max-lg:grid-cols-1">
        {practice.tries.map((one) => (
          <TryOpened key={one.jobId} practice={practice} one={one} />
        ))}
      </div>
    </section>
  );
}

function TryOpened({ practice, one }: { practice: Practice; one: PracticeTry }) {
  const rounds = one.opened ?? [];
  return (
    <article aria-label={wayWords[one.way].title}>
      <h3 className="font-semibold">{wayWords[one.way].title}</h3>
      <p>
        <span className="figures text-figure font-bold">{one.rounds}</span>{' '}
        {one.rounds === 1 ? 'round' : 'rounds'}, <span className="figures font-semibold">{one.minutes}</span>{' '}
        minutes, {one.readings} readings.{' '}
        {one.landed?.now ? 'Every true height is in.' : <b className="text-short">A true height is out.</b>}{' '}
        {one.landed?.now && !one.landed.later && (
          <b className="text-tight">Once its springs have lost what they will, it is not.</b>
        )}
      </p>
      {one.missed && <MissedLines missed={one.missed} />}
      <div className="mt-2 flex flex-wrap gap-4">
        {Object.entries(practice.targets).map(([id, targetMm]) => (
          <HeightTrace
            key={id}
            corner={id as CornerId}
            targetMm={targetMm}
            toleranceMm={practice.toleranceMm}
            rounds={rounds.map((round) => round.find(({ corner }) => corner === id) ?? null)}
          />
        ))}
      </div>
      {rounds.slice(1).map((round, k) => (
        <Moves key={k} number={k + 1} round={round} />
      ))}
    </article>
  );
}

/** What was done badly; silent where nothing was. */
function MissedLines({ missed }: { missed: Missed }) {
  const { unsettled, offReadings, mostOffMm } = missed;
  return (
    <ul className="text-tight">
      {unsettled > 0 && (
        <li>
          Read {unsettled === 1 ? 'once' : `${unsettled} times`} without settling it: let down, it stands high
          until it is rolled.
        </li>
      )}
      {offReadings > 0 && (
        <li>
          {offReadings === 1 ? 'One reading was' : `${offReadings} readings were`} off by more than the tape’s
          own error, at most <SizeLength mm={mostOffMm} />: look where its end was, and your eye.
        </li>
      )}
    </ul>
  );
}

function Moves({ number, round }: { number: number; round: readonly OpenedCorner[] }) {
  return (
    <div className="mt-3">
      <h4 className="label text-second">Round {number}</h4>
      <ul>
        {round.map((one) => (
          <Move key={one.corner} one={one} />
        ))}
      </ul>
    </div>
  );
}

const order: (keyof RiseParts)[] = ['ownMm', 'othersMm', 'loosedMm', 'frictionMm', 'lostMm', 'tapeMm'];

/** One corner in one round: what it rose, and on asking why. */
function Move({ one }: { one: OpenedCorner }) {
  const [open, setOpen] = useState(false);
  const { corner, turnedMm, parts } = one;
  const rose = parts && Object.values(parts).reduce((sum, mm) => sum + mm, 0);
  return (
    <li className="border-rule border-t py-1">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="w-28 font-semibold">{capital(cornerNames[corner])}</span>
        <span>
          seat <SizeLength mm={turnedMm} signed />
        </span>
        {rose === null ? (
          <span className="text-second">not read in both rounds</span>
        ) : (
          <>
            <span>
              read <Length mm={Math.abs(rose)} /> {rose < 0 ? 'lower' : 'higher'}
            </span>
            <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
              Why?
            </Button>
          </>
        )}
      </div>
      {open && parts && (
        <ul className="mb-1 ml-4">
          {order
            .filter((part) => Math.abs(parts[part]) >= 0.05)
            .map((part) => (
              <li key={part} className="flex gap-3">
                <span className="figures w-16 text-right">
                  <SizeLength mm={parts[part]} signed />
                </span>
                {partWords[part]}
              </li>
            ))}
        </ul>
      )}
    </li>
  );
}
