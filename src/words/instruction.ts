import { AIR_STEP_BAR } from '#core/springs/air.ts';
import { alongDamper } from '#core/adjusting/alongDamper.ts';
import { wayNamed } from '#core/adjusting/index.ts';
import type { CollarPlace } from '#core/kinds/collarPlace.ts';
import type { CornerDocument } from '#core/document/types.ts';
import { adjusterOf, stepOf } from '#core/kinds/adjusters/index.ts';
import type { Say, Tell } from './figures.ts';

/** mm. A corner that a plan moves by less is neither raised nor lowered. */
const MOVES_MM = 0.5;

interface Moved {
  /** The adjuster's own move, mm, positive towards the spring or screwed out. */
  seatBy: number;
  mountMm: number;
  /** What the whole plan raises the corner by, mm; null where nobody has worked it out. */
  riseMm: number | null;
}

/** What an instruction is for: "Raise 8 mm". Where a seat moves for the weight on its wheel, it says that. */
export function effectWords({ seatBy, mountMm, riseMm }: Moved, say: Say): string {
  const way = Math.sign(seatBy + mountMm);
  if (way === 0) return 'Leave it';
  if (riseMm === null) return way > 0 ? 'Raise' : 'Lower';
  // A seat that goes against its corner's own rise is there for what stands on the wheel.
  if (Math.sign(riseMm) !== way || Math.abs(riseMm) < MOVES_MM)
    return way > 0 ? 'Load this corner' : 'Unload this corner';
  return `${way > 0 ? 'Raise' : 'Lower'} ${say(Math.abs(riseMm))}`;
}

/** What one more of a corner's own adjuster is called, by the way it goes. */
export function oneMoreWords(corner: CornerDocument, tell: Tell): string {
  switch (wayNamed(corner)) {
    case 'thread':
      return 'turn';
    case 'steps':
      return stepOf(corner.fitting)?.one ?? 'step';
    case 'positions':
      return corner.torsion?.halves ? 'half position' : 'position';
    case 'pressure':
      return `step of pressure, ${tell('pressure', AIR_STEP_BAR)},`;
  }
}

/** Which way one more of it goes: along the damper, or more of what it is. */
export function oneMoreWay(corner: CornerDocument): string {
  const { goes } = adjusterOf(corner.fitting);
  const along = goes.by === 'thread' || (goes.by === 'steps' && goes.counted === 'towards the spring');
  return along ? 'towards the spring' : 'more';
}

/** Which way a collar goes along its damper, as that hangs in the machine. */
export function damperWay(at: CollarPlace, by: number): string {
  return `${alongDamper(at, by)} the damper`;
}

/** Which way something goes that is wound along a damper: never up or down, which differ from machine to machine. */
export function springWay(by: number): string {
  return by > 0 ? 'towards the spring' : 'away from the spring';
}
