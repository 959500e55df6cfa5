import { wayNamed } from '#core/adjusting/index.ts';
import { sagWish, setEnds } from '#core/document/sagWish.ts';
import { gainGroups, sidesOf, type GainGroup } from '#core/estimate/corner.ts';
import { hasTaught } from '#core/figures/cornerHeight.ts';
import { axleOf } from '#core/kinds/corners.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { shaftScale } from '#core/sag/atShaft.ts';
import { sagEnds } from '#core/sag/bench.ts';
import { gainSum } from '#words/explain/cornerSums.ts';
import { stepSum } from '#words/explain/benchSums.ts';
import { oneMoreWords } from '#words/instruction.ts';
import { Length, Plain } from '../../ui/Figure.tsx';
import { useSettings, useTell } from '../../ui/settings.ts';
import { SumFigure } from '../sums/SumFigure.tsx';

/** What the rounds taught of the ends that were set: what the next job of this machine begins with. */
export function Learnt({ answer }: { answer: Answer }) {
  const { document, state } = answer;
  const set = setEnds(document);
  const taught = gainGroups(document).filter(
    (group) => hasTaught(answer, axleOf(group.id)) && sidesOf(group).some((id) => set.includes(id)),
  );
  if (state.current === 0 || taught.length === 0) return null;
  return (
    <p className="mt-4">
      Learnt here, kept with the machine:{' '}
      {taught.map((group, i) => (
        <span key={group.id}>
          {i > 0 && ', '}
          {group.title} <Taught answer={answer} group={group} />
        </span>
      ))}
      .
    </p>
  );
}

/** What one step does where it goes by steps of its own; else how far the wheel goes for the seat. */
function Taught({ answer, group }: { answer: Answer; group: GainGroup }) {
  const system = useSettings((one) => one.system);
  const tell = useTell();
  const { id, title } = group;
  const corner = answer.document.corners[id];
  const way = wayNamed(corner);
  const end = way === 'positions' || way === 'pressure' ? sagEnds(answer).find((one) => one.id === id) : null;
  if (end) {
    const scale = shaftScale(answer.document, id);
    return (
      <>
        one {oneMoreWords(corner, tell)} takes{' '}
        <SumFigure
          name={`One step more, ${title}`}
          sum={() => stepSum(end, sagWish(answer.document, id)?.who === 'alone')}
        >
          ≈ <Length mm={scale * end.perStep.mm} bare /> ±{' '}
          <Length mm={scale * end.perStep.mm * end.perStep.logSd} />
        </SumFigure>{' '}
        off the sag{scale === 1 ? '' : ', at the shaft'}
      </>
    );
  }
  const gain = answer.posterior.gains[id]?.now;
  return (
    <SumFigure name={`Wheel per seat, ${title}`} sum={() => gainSum(group, answer)}>
      ≈{' '}
      <b>
        <Plain value={gain?.mean ?? 0} decimals={2} />
      </b>{' '}
      ± <Plain value={gain?.sd ?? 0} decimals={2} /> {system} per {system} of seat
    </SumFigure>
  );
}
