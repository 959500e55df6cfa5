import { alongDamper } from '#core/adjusting/alongDamper.ts';
import type { CollarPlace } from '#core/kinds/collarPlace.ts';
import { Sketch, SketchedCoil } from './Sketch.tsx';

/**
 * A damper as it hangs in the machine, with its collar above or below the spring; the arrow beside it is the way the collar
 * goes. `by` is positive towards the spring; left out, both ways are drawn.
 */
export function CollarPicture({ at, by, height }: { at: CollarPlace; by?: number; height: string }) {
  const [top, bottom] = at === 'above' ? [20, 54] : [16, 50];
  const collarY = at === 'above' ? 17 : 53;
  const ways = by === undefined ? (['up', 'down'] as const) : [alongDamper(at, by)];
  return (
    <Sketch paper={[44, 70]} height={height} pen={1.4}>
      <circle cx={18} cy={5} r={3.2} />
      <circle cx={18} cy={65} r={3.2} />
      <path d="M14 8.5H22V38H14ZM18 38V61.5" />
      <path d={at === 'above' ? 'M9 55H27' : 'M9 15H27'} />
      <SketchedCoil x={18} top={top} bottom={bottom} half={8} />
      <path stroke="var(--action)" strokeWidth={3} d={`M8 ${collarY}H28`} />
      <g stroke="var(--action)" strokeWidth={2}>
        {ways.map((way) => {
          const to = collarY + (way === 'up' ? -11 : 11);
          const back = to + (way === 'up' ? 5 : -5);
          return <path key={way} d={`M35 ${collarY}V${to}M31 ${back}L35 ${to}L39 ${back}`} />;
        })}
      </g>
    </Sketch>
  );
}
