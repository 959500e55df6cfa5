import { wayOf } from '#core/adjusting/index.ts';
import { isOf } from '#core/document/facts.ts';
import { isSagJob, setEnds } from '#core/document/sagWish.ts';
import { camPosition } from '#core/document/taken.ts';
import { cornerHeight } from '#core/figures/cornerHeight.ts';
import { stepPlace } from '#core/adjusting/steps.ts';
import { adjusterOf, stepOf } from '#core/kinds/adjusters/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { meanOf } from '#core/numerics/mean.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import type { CornerAnswer } from '#core/planning/cornerAnswer.ts';
import { positionText } from '#words/positions.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Length, SizeLength } from '../../ui/Figure.tsx';
import { EstimatedLength, MeasuredLength } from '../../ui/FigureKinds.tsx';
import { capital } from '../../ui/words.ts';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { Pressure, SeatMove } from '../job/MoveWords.tsx';

/** Heights before and after, and where every adjuster and clicker was left. Of a job by sag no height is spoken of. */
export function HandoverSettings({ answer }: { answer: Answer }) {
  const { facts, state } = useThisJob();
  const { document } = answer;
  const set = setEnds(document);
  const byHeight = !isSagJob(document) || state.rounds.some(({ heights }) => set.some((id) => heights[id]));
  const clicks = (id: CornerId, slot: string) =>
    facts
      .map(({ fact }) => fact)
      .filter(isOf('clicks'))
      .findLast((fact) => fact.corner === id && fact.slot === slot)?.clicks;
  const anyClicks = set.some(
    (id) => clicks(id, 'compression') !== undefined || clicks(id, 'rebound') !== undefined,
  );
  return (
    <table className="mt-4 w-full [&_td]:align-baseline [&_td+td]:pl-3 [&_th+th]:pl-3 narrow:[&_td+td]:pl-2">
      <thead className="label text-second text-right">
        <tr>
          <th className="py-1 text-left font-normal">corner</th>
          {byHeight && (
            <>
              <th className="font-normal">before</th>
              <th className="font-normal">now</th>
              <th className="font-normal">target</th>
            </>
          )}
          <th className="font-normal">adjuster</th>
          {anyClicks && <th className="font-normal">clicks c / r</th>}
        </tr>
      </thead>
      <tbody>
        {answer.corners
          .filter(({ id }) => set.includes(id))
          .map((corner) => (
            <tr key={corner.id} className="border-rule border-t text-right">
              <td className="py-1.5 text-left font-medium">{capital(cornerNames[corner.id])}</td>
              {byHeight && <HeightCells answer={answer} corner={corner} />}
              <td>
                <Setting answer={answer} corner={corner} />
              </td>
              {anyClicks && (
                <td className="figures">
                  {clicks(corner.id, 'compression') ?? '—'} / {clicks(corner.id, 'rebound') ?? '—'}
                </td>
              )}
            </tr>
          ))}
      </tbody>
    </table>
  );
}

function HeightCells({ answer, corner }: { answer: Answer; corner: CornerAnswer }) {
  const { id, spec } = corner;
  const { sagMm, reference } = answer.document.corners[id];
  const read = answer.state.rounds[0]?.heights[id];
  return (
    <>
      <td>{read ? <Length mm={meanOf(read) + reference.offsetMm} /> : '—'}</td>
      <td className="font-semibold">
        <HeightNow answer={answer} corner={corner} />
      </td>
      <td>
        {spec.targetMm !== null ? (
          <Length mm={spec.targetMm} />
        ) : sagMm !== null ? (
          <>
            sag <Length mm={sagMm} decimals={0} />
          </>
        ) : (
          '—'
        )}
      </td>
    </>
  );
}

/** As the tape read last; the owner is given no estimate for a fact. */
function HeightNow({ answer, corner }: { answer: Answer; corner: CornerAnswer }) {
  const { measured, estimated } = cornerHeight(answer, corner.id);
  if (measured) return <MeasuredLength figure={measured} className="" />;
  if (answer.document.corners[corner.id].targetMm === null) return <>—</>;
  return estimated ? <EstimatedLength figure={estimated} note="" /> : <>not measured</>;
}

/** Where an adjuster was left: its place where that is known, else what it was turned since it came. */
function Setting({ answer, corner }: { answer: Answer; corner: CornerAnswer }) {
  const { torsion, fitting } = answer.document.corners[corner.id];
  if (corner.cam || corner.airBar)
    return (
      <>
        {corner.cam && <>position {positionText(camPosition(torsion, corner.cam.now))}</>}
        {corner.airBar && <Pressure bar={corner.airBar.now} />}
        {corner.placeAssumed && <AssumedMark />}
      </>
    );
  if (adjusterOf(fitting).goes.by === 'nothing') return <>fixed</>;
  return (
    <>
      {corner.collarMm === null ? (
        <Turned answer={answer} corner={corner} />
      ) : (
        <SizeLength mm={corner.collarMm} />
      )}
      {corner.mount && corner.mount.nowMm !== null && (
        <>
          , mount <SizeLength mm={corner.mount.nowMm} />
        </>
      )}
    </>
  );
}

/** What an adjuster whose place nobody read was turned in all. */
function Turned({ answer, corner: { id, spec, collarMm } }: { answer: Answer; corner: CornerAnswer }) {
  const corner = answer.document.corners[id];
  const by = answer.state.rounds.reduce((sum, { moves }) => sum + (moves[id] ?? 0), 0);
  const place = stepPlace(corner, by);
  const { turns, steps } = wayOf(corner).told({ corner, spec, collarMm, seatBy: 0 }, by);
  return (
    <>
      {by === 0 ? (
        'as it came'
      ) : (
        <SeatMove turns={turns} steps={steps} fitting={corner.fitting} cam={null} air={null} />
      )}
      {place !== null && `, now ${stepOf(corner.fitting)?.one ?? 'step'} ${place}`}
      {place !== null && corner.stepCount !== null && ` of ${corner.stepCount}`}
    </>
  );
}
