import { marginTitles } from '#words/margins.ts';
import { positionText } from '#words/positions.ts';
import type { MarginKind } from '#core/margins/index.ts';
import { type Margin } from '#core/margins/margins.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { Length, SizeLength, Turns } from '../../ui/Figure.tsx';
import { AssumedMark } from './AssumedMark.tsx';
import { marginWord, StateMark, stateTone } from '../../ui/StateMark.tsx';

/** Margins that are read with a tape; of the others a caliper or a thread decides. */
const taped = new Set<MarginKind>([
  'droop',
  'bump-stop',
  'bump-metal',
  'damper-open',
  'damper-closed',
  'sag',
  'clearance',
  'ground',
  'height',
]);

/** What is left, in the reader's units: "8 mm, 4 turns". */
export function MarginValue({ margin }: { margin: Margin }) {
  const tone = `font-semibold ${stateTone[margin.state]}`;
  // A guess is good for whole millimetres.
  const decimals = margin.assumed ? 0 : 1;
  // Positions are counted; what they come to in mm is mostly a guess.
  if (margin.which?.by === 'positions')
    return <span className={`figures ${tone}`}>{positionText(margin.which.left)}</span>;
  return (
    <span className={tone}>
      {taped.has(margin.kind) ? (
        <Length mm={margin.leftMm} decimals={decimals} />
      ) : (
        <SizeLength mm={margin.leftMm} decimals={decimals} />
      )}
      {margin.turns !== null && (
        <>
          , <Turns turns={margin.turns} />
        </>
      )}
    </span>
  );
}

/** A margin on one line, with its shape and word. */
export function MarginLine({ margin }: { margin: Margin }) {
  return (
    <span className="flex items-center gap-2">
      <StateMark state={margin.state} />
      <span>
        <span className={`font-semibold ${stateTone[margin.state]}`}>{marginWord[margin.state]}</span>
        {margin.assumed && <AssumedMark />}
        <span className="text-second">
          {' '}
          · {marginTitles[margin.kind].toLowerCase()}, {cornerNames[margin.corner]}
        </span>{' '}
        <MarginValue margin={margin} />
      </span>
    </span>
  );
}
