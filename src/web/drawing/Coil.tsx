import { windingFor, type SectionSpring } from '#core/lab/section.ts';
import { halfTurns, halves } from './sectionFrame.ts';

/** A coil cut open: the front of its turns, and its wire where the cut goes through. */
export function Coil({ spring, px }: { spring: SectionSpring; px: number }) {
  const { fromMm, toMm, freeMm, closed, tender } = spring;
  const solid = spring.solidMm ?? 0.35 * freeMm;
  const wound = windingFor(spring.rateNPerMm ?? 40, solid, 2 * halves.coil);
  const wire = Math.min(Math.max(wound.wireMm, 2), 16);
  const rows = halfTurns(fromMm, toMm, solid / wire, wire);
  const bound = closed !== null && closed > 0.9999 && !tender;
  const tone = bound ? 'var(--short)' : 'var(--ink)';
  const x = halves.coil;
  // All turns in one line each for edge and wire: a drawing is made anew in every frame of a drag.
  const turns = rows.map(([left, right]) => `M${-x} ${left}L${x} ${right}`).join('');
  return (
    <g data-spring={spring.name} fill="none" strokeLinecap="round">
      <path
        d={turns}
        stroke={tone}
        strokeWidth={wire}
        strokeDasharray={spring.assumed ? `${6 * px} ${4 * px}` : undefined}
      />
      <path d={turns} stroke="var(--ground)" strokeWidth={Math.max(wire - 2.2 * px, 0.5)} />
    </g>
  );
}
