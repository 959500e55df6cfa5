import { useState } from 'react';
import { useNavigate } from 'react-router';
import { limits } from '#contract/limits.ts';
import { isBySag } from '#core/planning/sagEnough.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { useDrafts } from '../../jobStore/drafts.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';

/**
 * A round of readings with nothing turned: after a week, after so many km, once more on another day. What the springs have
 * lost meanwhile is learnt, and put right if it matters.
 */
export function MeasureAgain() {
  const job = useThisJob();
  const navigate = useNavigate();
  const [km, setKm] = useState<number | null>(null);
  const draftKey = `${job.record.id}|back.km`;
  // What is typed and cannot be read is no zero: it is put right first.
  const refused = useDrafts(({ drafts }) => Boolean(drafts[draftKey]?.refused));
  const bySag = job.answer !== null && isBySag(job.answer);
  const begin = () => {
    const place = { kind: 'driven' as const, round: job.state.current + 1, corner: null, slot: 'km' };
    job.actions.record('Measured again, nothing turned', { ...place, km: km ?? 0 });
    void navigate(`/jobs/${job.record.id}/${bySag ? 'sag' : 'measure'}`);
  };
  return (
    <div data-fields className="relative flex flex-wrap items-end gap-2">
      <NumberField
        className="w-36"
        label="Driven since"
        showLabel
        order={900}
        quantity="distance"
        decimals={0}
        placeholder="0, it stood"
        range={limits.recheckKm}
        draftKey={draftKey}
        value={km}
        onCommit={setKm}
      />
      <Button onClick={begin} disabled={refused}>
        Measure again, nothing turned
      </Button>
    </div>
  );
}
