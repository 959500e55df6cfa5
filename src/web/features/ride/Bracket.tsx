import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { factAt, isOf } from '#core/document/facts.ts';
import { bracketAfter, isFound, middleOf, type Better } from '#core/judgement/bracket.ts';
import { axleOf, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import { limits } from '#contract/limits.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { capital } from '../../ui/words.ts';
import { Button } from '../../ui/Button.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { Select } from '../../ui/Select.tsx';

const KINDS = ['rebound', 'compression'] as const;
type Kind = (typeof KINDS)[number];
type End = 'front' | 'rear';

/** Finds a damper setting by riding both extremes and then closing in on the middle. Every answer is a note. */
export function Bracket() {
  const [open, setOpen] = useState(false);
  return (
    <section aria-label="Bracketing" className="border-rule mt-5 border-t pt-3 print:hidden">
      <div className="flex items-baseline justify-between gap-3">
        <h3 className="font-semibold">
          Bracket a damper setting{' '}
          <span className="label text-second font-normal">both ends, then towards the middle</span>
        </h3>
        <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Close' : 'Begin'}
        </Button>
      </div>
      {open && <Search />}
    </section>
  );
}

function Search() {
  const job = useThisJob();
  const [end, setEnd] = useState<End>('front');
  const [kind, setKind] = useState<Kind>('rebound');
  return (
    <>
      <div className="mt-2 grid grid-cols-2 gap-3">
        <Select
          label="Which end"
          value={end}
          options={[
            {
              value: 'front',
              words: footingOf(job.record.document.machine.class) === 'sleds' ? 'skis' : 'front',
            },
            { value: 'rear', words: 'rear' },
          ]}
          onChange={(to) => setEnd(to as End)}
        />
        <Select
          label="Which adjuster"
          value={kind}
          options={KINDS.map((one) => ({ value: one, words: one }))}
          onChange={(to) => setKind(to as Kind)}
        />
      </div>
      <Halving key={end + kind} end={end} kind={kind} />
    </>
  );
}

/** Answers are kept as notes of their own kind, so that a bracket goes on where it was left. */
function Halving({ end, kind }: { end: End; kind: Kind }) {
  const job = useThisJob();
  const round = job.state.current;
  const stem = `b${round}-${end[0]}${kind[0]}`;
  const range =
    factAt(job.facts, { kind: 'clicks', round, corner: null, slot: `${stem}-most` })?.fact.clicks ?? null;
  const answers = answersOf(job, stem, round);
  const bracket = range === null ? null : bracketAfter(range, answers);
  const say = (better: Better, clicks: number) =>
    job.actions.record(`${capital(kind)}, ${end}: ${clicks} clicks is better`, {
      kind: 'note',
      round,
      corner: null,
      slot: `${stem}-${answers.length}`,
      words: `${capital(kind)}, ${end}: ${clicks} clicks is better (${better === 'low' ? 'harder' : 'softer'} of the two).`,
    });
  return (
    <div data-fields className="relative mt-3">
      <NumberField
        className="w-40"
        label="Clicks from full hard to full soft"
        showLabel
        order={1}
        quantity="number"
        decimals={0}
        range={{ ...limits.clicks, min: 2 }}
        draftKey={`${job.record.id}|${stem}`}
        value={range}
        onCommit={(most) => {
          const place = { kind: 'clicks' as const, round, corner: null, slot: `${stem}-most` };
          if (most === null) job.actions.clear('Bracket taken back', place);
          else job.actions.record('Range of clicks', { ...place, clicks: Math.round(most) });
        }}
      />
      {bracket && !isFound(bracket) && (
        <div className="mt-6">
          <p>
            Ride the same stretch at <b>{bracket.low}</b> and at <b>{bracket.high}</b> clicks. Which is
            better?
          </p>
          <div className="mt-2 flex gap-2">
            <Button onClick={() => say('low', bracket.low)}>{bracket.low} is better</Button>
            <Button onClick={() => say('high', bracket.high)}>{bracket.high} is better</Button>
          </div>
        </div>
      )}
      {bracket && isFound(bracket) && (
        <div className="mt-6 flex flex-wrap items-center gap-3">
          <p>
            Found: leave it at <b data-testid="bracketed">{middleOf(bracket)}</b> clicks. Once it works, leave
            it.
          </p>
          <Button
            onClick={() =>
              cornersOfEnd(job, end).forEach((corner) =>
                job.actions.record(`${capital(kind)} set, ${end}`, {
                  kind: 'clicks',
                  round,
                  corner,
                  slot: kind,
                  clicks: middleOf(bracket),
                }),
              )
            }
          >
            Record as set
          </Button>
        </div>
      )}
    </div>
  );
}

function answersOf({ facts }: Job, stem: string, round: number): Better[] {
  return facts
    .map(({ fact }) => fact)
    .filter(isOf('note'))
    .filter((fact) => fact.round === round && fact.slot.startsWith(`${stem}-`))
    .sort((a, b) => Number(a.slot.split('-').at(-1)) - Number(b.slot.split('-').at(-1)))
    .map(({ words }) => (words.includes('(harder') ? 'low' : 'high'));
}

function cornersOfEnd({ record }: Job, end: End): CornerId[] {
  return cornersIn(record.document).filter((id) => axleOf(id) === end);
}
