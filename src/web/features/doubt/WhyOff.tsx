import { useState } from 'react';
import { useNavigate } from 'react-router';
import { factAt } from '#core/document/facts.ts';
import { whyOff, type Cause, type Why } from '#core/judgement/whyOff.ts';
import { axleOf, cornerNames, type CornerId } from '#core/kinds/corners.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { causeWords, explainsWords } from '#words/whyOff.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { useSay, useTell } from '../../ui/settings.ts';

/** Where a cause is put right on the sheet; the others are put right at the machine, and it is read again as it then stands. */
const entered: Partial<Record<Cause, { stage: string; words: string }>> = {
  targets: { stage: 'intake', words: 'Correct the targets' },
  floor: { stage: 'intake', words: 'Enter the floor' },
  tyre: { stage: 'prep', words: 'Enter the pressures' },
};

interface Props {
  answer: Answer;
  id: CornerId;
  /** mm off its target, negative low. */
  offMm: number;
}

/** What may hold one corner off: how to tell each, what it comes to here, and what was looked at. */
export function WhyOff({ answer, id, offMm }: Props) {
  const all = whyOff(answer, id, offMm);
  const [whole, setWhole] = useState(false);
  const hardly = all.filter(({ fits }) => !fits).length;
  return (
    <>
      <table className="mt-1 w-full min-w-[560px] narrow:block narrow:min-w-0">
        <thead className="label text-second text-left narrow:hidden">
          <tr>
            <th className="py-1 font-normal">what it may be</th>
            <th className="px-3 py-1 font-normal">how to tell</th>
            <th className="px-3 py-1 font-normal">what it takes here, estimated</th>
            <th className="py-1 font-normal">
              <span className="sr-only">looked at</span>
            </th>
          </tr>
        </thead>
        <tbody className="narrow:block">
          {all
            .filter(({ fits }) => fits || whole)
            .map((why) => (
              <WhyRow key={why.cause} why={why} id={id} />
            ))}
        </tbody>
      </table>
      {hardly > 0 && (
        <Button look="quiet" className="print:hidden" aria-expanded={whole} onClick={() => setWhole(!whole)}>
          {whole ? 'Hide what can hardly be it' : `${hardly} more can hardly be it`}
        </Button>
      )}
    </>
  );
}

function WhyRow({ why, id }: { why: Why; id: CornerId }) {
  const job = useThisJob();
  const say = useSay(0);
  const tell = useTell();
  const { cause, explains, fits } = why;
  const { title, look } = causeWords[cause];
  const place = {
    kind: 'acknowledged' as const,
    round: job.state.current,
    corner: null,
    slot: `why:${id}:${cause}`,
  };
  const ruledOut = factAt(job.facts, place) !== undefined;
  const dim = ruledOut || !fits ? 'text-second' : '';
  return (
    <tr className={`border-rule border-t align-top narrow:block narrow:py-2 ${dim}`} data-cause={cause}>
      <th
        scope="row"
        className={`w-48 py-1.5 text-left narrow:block narrow:w-auto narrow:py-0.5 ${ruledOut ? 'font-normal line-through' : fits ? 'font-semibold' : 'font-normal'}`}
      >
        {title}
      </th>
      <td className="label px-3 py-1.5 narrow:block narrow:px-0 narrow:py-0.5">{look}</td>
      <td className="px-3 py-1.5 narrow:block narrow:px-0 narrow:py-0.5">
        {explainsWords(cause, explains, say, (kg) => tell('mass', Math.round(kg)))}
        {!fits && <span className="label text-second block">not enough, or the other way</span>}
      </td>
      <td className="py-0.5 whitespace-nowrap narrow:block print:hidden">
        {ruledOut ? (
          <Button
            look="quiet"
            onClick={() => job.actions.clear(`${title}: to be looked at again`, place)}
            aria-label={`Look again: ${title}`}
          >
            Look again
          </Button>
        ) : (
          <span className="flex gap-3">
            <Button
              look="quiet"
              onClick={() => job.actions.record(`Not it: ${title}`, place)}
              aria-label={`Not it: ${title}`}
            >
              Not it
            </Button>
            <ItIsThis cause={cause} id={id} />
          </span>
        )}
      </td>
    </tr>
  );
}

/** The reason was found: what is written is corrected, what is fitted is put right and read anew. */
function ItIsThis({ cause, id }: { cause: Cause; id: CornerId }) {
  const job = useThisJob();
  const navigate = useNavigate();
  const { title } = causeWords[cause];
  const go = (stage: string) => void navigate(`/jobs/${job.record.id}/${stage}`);
  const here = job.state.current === 0 ? 'baseline' : 'measure';
  const place = entered[cause];
  if (place || cause === 'misread' || cause === 'load')
    return (
      <Button
        look="quiet"
        onClick={() => go(place?.stage ?? here)}
        aria-label={`${place?.words ?? 'Correct it'}: ${title}`}
      >
        {place?.words ?? (cause === 'load' ? 'Say what is aboard' : 'Correct the reading')}
      </Button>
    );
  const found = () => {
    job.actions.record(`Put right, ${cornerNames[id]}: ${title}`, {
      kind: 'fitted',
      round: job.state.current + 1,
      corner: null,
      slot: `right-${axleOf(id)}`,
      part: 'right',
      axle: axleOf(id),
      words: `${cornerNames[id]}: ${title.toLowerCase()}`,
      kit: null,
      moreMm: null,
    });
    go('measure');
  };
  return (
    <Button look="quiet" onClick={found} aria-label={`Put right, read again: ${title}`}>
      Put right: read again
    </Button>
  );
}
