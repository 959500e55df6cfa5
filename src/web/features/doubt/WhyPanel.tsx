import { useState } from 'react';
import { offTarget } from '#core/judgement/whyOff.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Length } from '../../ui/Figure.tsx';
import { Select } from '../../ui/Select.tsx';
import { capital } from '../../ui/words.ts';
import { WhyOff } from './WhyOff.tsx';

/** A guided check of a corner that does not fit, of whichever is asked: of the one that is most off, to begin with. */
export function WhyPanel() {
  const job = useThisJob();
  const { answer } = job;
  const [asked, setAsked] = useState<CornerId | null>(null);
  const offs = answer
    ? answer.corners.flatMap(({ id }) => {
        const offMm = offTarget(answer, id);
        return offMm === null ? [] : [{ id, offMm }];
      })
    : [];
  const worst = offs.reduce<(typeof offs)[number] | null>(
    (most, one) => (most && Math.abs(most.offMm) >= Math.abs(one.offMm) ? most : one),
    null,
  );
  const one = offs.find(({ id }) => id === asked) ?? worst;
  if (!answer || !one) return <p className="text-second">It needs a reading and a target first.</p>;
  return (
    <div>
      <p className="flex flex-wrap items-center gap-x-3">
        <Select
          label="Which corner"
          look="pr-2"
          value={one.id}
          options={offs.map(({ id }) => ({ value: id, words: capital(cornerNames[id]) }))}
          onChange={(to) => setAsked(to as CornerId)}
        />
        <span>
          reads <Length mm={one.offMm} signed /> against its target.
        </span>
      </p>
      <WhyOff answer={answer} id={one.id} offMm={one.offMm} />
    </div>
  );
}
