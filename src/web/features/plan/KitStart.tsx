import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { kitStart } from '#core/planning/kitStart.ts';
import { limits } from '#contract/limits.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';
import { kitSum } from '#words/explain/planSums.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Button } from '../../ui/Button.tsx';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';

/** Collar readings that a kit sheet gives as a start: where they would bring it, and the work list for them. */
export function KitStart({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const navigate = useNavigate();
  const [readings, setReadings] = useState<Partial<Record<CornerId, number | undefined>>>({});
  const told = kitStart(answer, readings);
  const turn = () => {
    if (!told) return;
    const place = { kind: 'plan' as const, round: answer.state.current + 1, corner: null, slot: 'plan' };
    job.actions.record('Kit sheet start issued', { ...place, told });
    void navigate(`/jobs/${job.record.id}/turn`);
  };
  const set = (id: CornerId, mm: number | null) =>
    setReadings((before) => ({ ...before, [id]: mm ?? undefined }));
  return (
    <div data-fields>
      <div className="relative grid grid-cols-4 gap-x-4 max-md:grid-cols-2">
        {answer.corners.map((corner) => {
          const { id, collarMm } = corner;
          const stands = told?.corners[id];
          return (
            <div key={id}>
              <NumberField
                label={`Collar to read, ${cornerNames[id]}`}
                showLabel
                order={cornerNumbers[id]}
                quantity="size"
                decimals={1}
                range={limits.collarMm}
                draftKey={`${job.record.id}|kit.${id}`}
                value={readings[id] ?? null}
                placeholder={collarMm === null ? 'never read' : 'as it is'}
                onCommit={(mm) => set(id, mm)}
              />
              <p className="label text-second mt-5">
                {stands ? (
                  <>
                    {capital(cornerNames[id])} then stands at{' '}
                    <SumFigure name={`Then stands at, ${cornerNames[id]}`} sum={() => kitSum(corner, stands)}>
                      <Length mm={stands.heightMm ?? NaN} decimals={0} bare /> ±{' '}
                      <SizeLength mm={stands.heightSdMm ?? NaN} decimals={0} />
                    </SumFigure>
                  </>
                ) : collarMm === null ? (
                  'Read the collar at the baseline first.'
                ) : (
                  'left as it is'
                )}
              </p>
            </div>
          );
        })}
      </div>
      <Button className="mt-3" disabled={told === null} onClick={turn}>
        Use these readings
      </Button>
    </div>
  );
}
