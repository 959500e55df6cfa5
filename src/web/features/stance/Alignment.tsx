import type { LengthSystem } from '#core/units/parseLength.ts';
import { inReadersUnit } from '#core/units/measure.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { rodsOf, tieRodTurns, toeWanted } from '#core/stance/toe.ts';
import { camberShift, toeShift, type Shift } from '#core/stance/alignment.ts';
import { rodSum, shiftSum } from '#words/explain/stanceSums.ts';
import { fineLengthText } from '#core/units/formatLength.ts';
import { limits } from '#contract/limits.ts';
import { useLengthStyle, useUnitsOf } from '../../ui/settings.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { cornerNumbers } from '../../ui/words.ts';
import { roundWords } from '#words/fields.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { Length, Plain, Turns } from '../../ui/Figure.tsx';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { RodWays } from '../toe/RodWays.tsx';
import { UnitOf } from '../../forms/UnitOf.tsx';
import { FactField, PathField } from '../../forms/fields.tsx';

/** Camber and toe against height: what is read, how they go, and where the plan leaves them. */
export function Alignment({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const round = job.state.current;
  const toe = toeShift(answer, job.facts);
  const { system } = useLengthStyle(1);
  const angles = useUnitsOf('angleGain');
  return (
    <div data-fields className="relative">
      <CornerTable caption="Camber and what height does to it" numbers>
        <CornerRow label="Camber" help={`° at ${roundWords(round)}, top out +`}>
          {(id) => (
            <FactField
              place={{ kind: 'camber', round, corner: id, slot: '1' }}
              label={`Camber, ${cornerNames[id]}`}
              order={400 + cornerNumbers[id]}
              quantity="number"
              range={limits.camberDeg}
            />
          )}
        </CornerRow>
        <CornerRow
          label="Gains as it drops"
          help={
            <>
              <UnitOf name="angleGain" />, where known; else learnt
            </>
          }
        >
          {(id) => (
            <PathField
              path={['corners', id, 'camberPerMm']}
              label={`Camber gained, ${cornerNames[id]}`}
              order={410 + cornerNumbers[id]}
              showUnit={false}
              placeholder={learntWords(camberShift(answer, job.facts, id), angles)}
            />
          )}
        </CornerRow>
        <CornerRow label="After the plan" help="from where it was read">
          {(id) => (
            <Then
              title={`Camber, ${cornerNames[id]}`}
              shift={camberShift(answer, job.facts, id)}
              toe={false}
            />
          )}
        </CornerRow>
      </CornerTable>
      <div className="mt-4 flex flex-wrap items-end gap-x-6 gap-y-3">
        {(['front', 'rear'] as const).map((slot, k) => (
          <div key={slot} className="w-36">
            <FactField
              place={{ kind: 'toe', round, corner: null, slot }}
              label={`Toe: at the tyres’ ${slot}`}
              showLabel
              order={420 + k}
              range={limits.heightMm}
            />
          </div>
        ))}
        <div className="w-36">
          <PathField
            path={['steering', 'toePerMm']}
            label="Toe-in gained as it drops"
            showLabel
            order={422}
            placeholder={learntWords(toe)}
          />
        </div>
        <p className="pb-2" data-testid="toe-shift">
          Total toe after the plan: <Then title="Total toe" shift={toe} toe />
          <Rods toeMm={toe.after ?? toe.now} />
        </p>
      </div>
      <p className="label text-second mt-4 max-w-[75ch]" data-testid="align-once">
        {moves(answer, job, (mm) => fineLengthText(mm, system))}
      </p>
    </div>
  );
}

/** What both tie rods will want once the heights stand; done at close out. */
function Rods({ toeMm }: { toeMm: number | null }) {
  const job = useThisJob();
  if (toeMm === null) return null;
  const wanted = toeWanted(job.record.document);
  const turns = tieRodTurns(wanted.toeMm - toeMm, rodsOf(job.record.document));
  if (Math.abs(turns) < 1 / 16) return null;
  return (
    <span className="label text-second block">
      then each tie rod{' '}
      <SumFigure name="Each tie rod" sum={() => rodSum(toeMm, job.record.document)}>
        <Turns turns={turns} />
      </SumFigure>{' '}
      for {turns > 0 ? 'more' : 'less'} toe-in, both alike, to <Length mm={Math.abs(wanted.toeMm)} />{' '}
      {wanted.toeMm >= 0 ? 'in' : 'out'}
      <RodWays changeMm={wanted.toeMm - toeMm} />
    </span>
  );
}

function learntWords({ source, perMm }: Shift, ofAngle?: LengthSystem): string {
  return source === 'learnt' && perMm !== null
    ? `${(ofAngle ? inReadersUnit('angleGain', perMm, ofAngle).value : perMm).toFixed(3)} learnt`
    : 'not known';
}

function Then({ title, shift, toe }: { title: string; shift: Shift; toe: boolean }) {
  const { now, after } = shift;
  if (shift.shift === null)
    return (
      <span className="label text-second">
        {now === null ? 'not read' : 'read it at another height too, or give what it gains'}
      </span>
    );
  const figure = (value: number) =>
    toe ? (
      <>
        <Length mm={Math.abs(value)} /> {value >= 0 ? 'in' : 'out'}
      </>
    ) : (
      <>
        {value > 0 ? '+' : ''}
        <Plain value={value} decimals={2} />°
      </>
    );
  return (
    <SumFigure name={title} sum={() => shiftSum(title, shift, toe)}>
      {after === null ? <>changes by {figure(shift.shift)}</> : <b>{figure(after)}</b>}
      {after !== null && now !== null && (
        <span className="label text-second font-normal"> was {figure(now)}</span>
      )}
    </SumFigure>
  );
}

/** Why alignment comes once, with what the plan does to the angles that are known. */
function moves(answer: Answer, job: Job, say: (mm: number) => string): string {
  const shifts = answer.corners.map(({ id }) => camberShift(answer, job.facts, id));
  const most = Math.max(0, ...shifts.map(({ shift }) => Math.abs(shift ?? 0)));
  const toe = toeShift(answer, job.facts).shift;
  const parts = [
    ...(most > 0.005 ? [`camber by up to ${most.toFixed(2)}°`] : []),
    ...(toe !== null && Math.abs(toe) > 0.05 ? [`toe by ${say(toe)}`] : []),
  ];
  return parts.length > 0
    ? `This plan moves ${parts.join(' and ')}. Every round moves them again. Set heights and weights first. Then set toe by equal turns at both tie rods, and align once.`
    : 'Every change of height moves toe and camber. Set heights and weights first. Then set toe by equal turns at both tie rods, and align once.';
}
