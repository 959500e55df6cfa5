import { plannedMoves } from '#core/planning/answerShape.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { chanceSum } from '#words/explain/cornerSums.ts';
import { nextWords } from '#words/nextAction.ts';
import { percent } from '#words/figures.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { SizeLength } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { Move } from '../plan/PlannedMove.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';
import { SetupAnswer } from './SetupGrid.tsx';

/** How far to turn each, as soon as a height and its target are there. */
export function FirstAnswer() {
  const { record, answer, next } = useThisJob();
  return (
    <SetupAnswer
      label="What to turn"
      help={
        answer &&
        answer.chanceAfter !== null && (
          <SumFigure name="Chance" sum={() => chanceSum(answer, 'after')}>
            {percent(answer.chanceAfter)} chance in tolerance, ± <SizeLength mm={answer.tolerance.value} />
            {answer.tolerance.source === 'assumed' && <AssumedMark />}
          </SumFigure>
        )
      }
    >
      {next.code === 'read-again' ? (
        <div className="narrow:col-span-2 wide:col-start-2 wide:-col-end-1">
          <p className="text-head font-bold">{capital(nextWords(next))}.</p>
          <p className="text-second">Nothing to turn yet: all read within tolerance.</p>
        </div>
      ) : (
        cornersIn(record.document).map((id) => <Cell key={id} id={id} />)
      )}
    </SetupAnswer>
  );
}

function Cell({ id }: { id: CornerId }) {
  const { answer } = useThisJob();
  const move = answer && plannedMoves(answer).find((one) => one.id === id);
  if (!answer || !move || answer.chanceAfter === null) return <p className="text-second text-figure">—</p>;
  return (
    <div>
      <p className="label wide:hidden">{capital(cornerNames[id])}</p>
      <Move corner={move} answer={answer} size="text-head" />
    </div>
  );
}
