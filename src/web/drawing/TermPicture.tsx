import type { ReactNode } from 'react';
import type { DrawnTerm } from '#words/glossary.ts';
import { Sketch, SketchedCoil } from './Sketch.tsx';

/** A word of the trade, drawn: what it is about in the action colour. */
export function TermPicture({ term, height = 110 }: { term: DrawnTerm; height?: number }) {
  return (
    <Sketch paper={[160, 110]} height={height}>
      {pictures[term]}
    </Sketch>
  );
}

/** A distance, with an arrow at both ends. */
function Span({ x, from, to }: Record<'x' | 'from' | 'to', number>) {
  return (
    <path
      stroke="var(--action)"
      strokeWidth={2}
      d={`M${x} ${from}V${to}M${x - 4} ${from + 5}L${x} ${from}L${x + 4} ${from + 5}M${x - 4} ${to - 5}L${x} ${to}L${x + 4} ${to - 5}`}
    />
  );
}

function Word({ x, y, children }: { x: number; y: number; children: string }) {
  return (
    <text x={x} y={y} fontSize={11} fill="var(--ink)" stroke="none">
      {children}
    </text>
  );
}

const pictures: Record<DrawnTerm, ReactNode> = {
  droop: (
    <>
      <path d="M10 16H96" />
      <circle cx={52} cy={58} r={17} />
      <circle cx={52} cy={40} r={17} stroke="var(--second)" strokeDasharray="3 3" />
      <circle cx={52} cy={88} r={17} stroke="var(--second)" strokeDasharray="3 3" />
      <Span x={104} from={40} to={58} />
      <Span x={104} from={58} to={88} />
      <Word x={114} y={53}>
        bump
      </Word>
      <Word x={114} y={77}>
        droop
      </Word>
    </>
  ),
  preload: (
    <>
      <SketchedCoil x={34} top={14} bottom={98} half={11} />
      <SketchedCoil x={92} top={34} bottom={98} half={11} />
      <path d="M76 31H108" strokeWidth={3} />
      <path d="M18 98H110" />
      <path d="M46 14H116" stroke="var(--second)" strokeDasharray="3 3" />
      <Span x={116} from={14} to={31} />
      <Word x={124} y={26}>
        preload
      </Word>
    </>
  ),
  'motion-ratio': (
    <>
      <path d="M16 78L120 78" strokeWidth={3} />
      <circle cx={16} cy={78} r={4} />
      <circle cx={120} cy={78} r={20} />
      <path d="M68 78V24M60 24H76V50H60Z" />
      <Span x={50} from={62} to={78} />
      <Span x={148} from={46} to={78} />
      <Word x={14} y={56}>
        damper
      </Word>
      <Word x={120} y={38}>
        wheel
      </Word>
    </>
  ),
  'cross-weight': (
    <>
      <path d="M58 14C60 6 100 6 102 14V96H58Z" stroke="var(--second)" />
      <path d="M46 20h12v22H46zM102 68h12v22h-12z" />
      <path d="M102 20h12v22h-12zM46 68h12v22H46z" fill="var(--action)" stroke="var(--action)" />
      <path d="M102 42L58 68" stroke="var(--action)" strokeWidth={2} />
      <Word x={118} y={34}>
        RF
      </Word>
      <Word x={28} y={84}>
        LR
      </Word>
    </>
  ),
  crossover: (
    <>
      <path d="M74 6H86V104H74Z" stroke="var(--second)" />
      <SketchedCoil x={80} top={10} bottom={40} turns={4} half={16} />
      <path d="M60 43H100" strokeWidth={3} />
      <SketchedCoil x={80} top={46} bottom={102} turns={4} half={16} />
      <path d="M66 22H94" strokeWidth={4} stroke="var(--action)" />
      <Span x={112} from={22} to={43} />
      <Word x={120} y={37}>
        gap
      </Word>
      <Word x={14} y={26}>
        ring
      </Word>
      <Word x={14} y={47}>
        slider
      </Word>
    </>
  ),
  sag: (
    <>
      <path d="M26 14V52M20 14H32M22 52H30V92H22Z" />
      <path d="M86 34V52M80 34H92M82 52H90V92H82Z" />
      <path d="M34 14H116" stroke="var(--second)" strokeDasharray="3 3" />
      <Span x={110} from={14} to={34} />
      <Word x={118} y={29}>
        sag
      </Word>
      <Word x={4} y={106}>
        extended
      </Word>
      <Word x={70} y={106}>
        rider on
      </Word>
    </>
  ),
};
