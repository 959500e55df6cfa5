import type { Answer } from '#core/planning/answerShape.ts';
import type { SagEnd } from '#core/sag/bench.ts';
import { lastTook, type Took } from '#core/sag/took.ts';
import { shaftScale } from '#core/sag/atShaft.ts';
import { camPosition } from '#core/document/taken.ts';
import type { JobDocument } from '#core/document/types.ts';
import { cornerSpec } from '#core/estimate/corner.ts';
import { stepOf } from '#core/kinds/adjusters/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { stepSum } from '#words/explain/benchSums.ts';
import { oneMoreWords, springWay } from '#words/instruction.ts';
import { positionText } from '#words/positions.ts';
import { Length, Turns } from '../../ui/Figure.tsx';
import { useTell } from '../../ui/settings.ts';
import { SumFigure } from '../sums/SumFigure.tsx';

/** Known better than this, what a step does is one figure; else it is a range. Spread of its logarithm. */
const KNOWN = 0.2;

interface Props {
  answer: Answer;
  end: SagEnd;
  /** Set with nobody on. */
  alone: boolean;
}

/** What the last move took off the sag, and what one step more would take: a range until it was read. */
export function StepLine({ answer, end, alone }: Props) {
  const { id, perStep } = end;
  const { document } = answer;
  const tell = useTell();
  const took = lastTook(answer, id);
  const scale = shaftScale(document, id);
  if (!(perStep.mm > 0.05)) return null;
  const known = perStep.logSd <= KNOWN;
  const at = (sds: number) => scale * perStep.mm * Math.exp(sds * perStep.logSd);
  return (
    <p className="label border-rule mt-2 border-t pt-2" data-testid={`step-${id}`}>
      {took && (
        <b className="block">
          <TookWords document={document} id={id} took={took} />
        </b>
      )}
      One {oneMoreWords(document.corners[id], tell)} more takes{' '}
      <SumFigure name={`One step more, ${cornerNames[id]}`} sum={() => stepSum(end, alone)}>
        {known ? (
          <Length mm={at(0)} />
        ) : (
          <>
            <Length mm={at(-1)} decimals={0} bare /> to <Length mm={at(1)} decimals={0} />
          </>
        )}
      </SumFigure>{' '}
      off the sag{scale === 1 ? '' : ', at the shaft'}
      {known ? '.' : took ? ': not learnt well yet.' : ': as such adjusters do, until two settings are read.'}
    </p>
  );
}

/** "Position 2 to 3 took 12 mm off the sag." */
function TookWords({
  document,
  id,
  took: { way, mm, by, places },
}: {
  document: JobDocument;
  id: CornerId;
  took: Took;
}) {
  const tell = useTell();
  const spec = cornerSpec(document, id);
  const { torsion, fitting } = document.corners[id];
  const effect = (
    <>
      {' '}
      {mm >= 0 ? 'took' : 'added'} <Length mm={Math.abs(mm)} decimals={0} />{' '}
      {mm >= 0 ? 'off the sag' : 'of sag'}.
    </>
  );
  if (places)
    return (
      <>
        Position {positionText(camPosition(torsion, places.from))} to{' '}
        {positionText(camPosition(torsion, places.to))}
        {effect}
      </>
    );
  if (way === 'pressure')
    return (
      <>
        {tell('pressure', Math.abs(by))} {by > 0 ? 'more' : 'less'}
        {effect}
      </>
    );
  const steps = stepOf(fitting);
  if (steps && way === 'steps') {
    const count = Math.round(Math.abs(by) / spec.stepMm.value);
    return (
      <>
        {count} {count === 1 ? steps.one : steps.many} {springWay(by)}
        {effect}
      </>
    );
  }
  return (
    <>
      <Turns turns={by / spec.pitchMm.value} /> {springWay(by)}
      {effect}
    </>
  );
}
