import { useSay, useTell } from '../../ui/settings.ts';
import { AirSpring, type AirDescription } from '#core/springs/air.ts';

const WIDTH = 300;
const HEIGHT = 130;

/**
 * Force of an air shock along its shaft at the pressure it is to have: where the end-stroke chamber joins in is marked,
 * and the main chamber by itself is drawn beside it.
 */
export function AirCurve({
  air,
  gaugeBar,
  strokeMm,
}: {
  air: AirDescription;
  gaugeBar: number;
  strokeMm: number;
}) {
  const [tell, say] = [useTell(), useSay(0)];
  const set = { ...air, gaugeBar };
  const curve = (one: AirDescription) => {
    const spring = new AirSpring(one);
    return Array.from({ length: 41 }, (_, k) => {
      spring.evaluate((0.96 * strokeMm * k) / 40);
      return spring.forceN;
    });
  };
  const both = curve(set);
  const alone = air.second ? curve({ ...set, second: null }) : null;
  const { pistonAtMm } = new AirSpring(set);
  const top = Math.max(...both) * 1.05;
  const x = (k: number) => 34 + (k / 40) * (WIDTH - 40);
  const y = (n: number) => HEIGHT - 22 - (Math.min(n, top) / top) * (HEIGHT - 30);
  const path = (list: number[]) =>
    list
      .flatMap((n, k) => (n <= top ? [`${k === 0 ? 'M' : 'L'}${x(k).toFixed(1)} ${y(n).toFixed(1)}`] : []))
      .join('');
  const joins = pistonAtMm < strokeMm ? x((pistonAtMm / (0.96 * strokeMm)) * 40) : null;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={`Air shock at ${tell('pressure', gaugeBar)}: ${tell('force', Math.round(both[0] ?? 0))} fully extended, ${tell('force', Math.round(both.at(-1) ?? 0))} near full bump${joins === null ? '' : `; the end-stroke chamber joins in after ${say(pistonAtMm)} of shaft`}`}
      className="max-w-full"
      fill="none"
      stroke="currentColor"
      fontSize="11"
    >
      <path d={`M34 6V${HEIGHT - 22}H${WIDTH - 4}`} className="stroke-ink" />
      {alone && <path d={path(alone)} strokeDasharray="4 3" className="stroke-second" />}
      <path d={path(both)} strokeWidth="2" className="stroke-action" />
      {joins !== null && (
        <>
          <path d={`M${joins} 6V${HEIGHT - 22}`} className="stroke-rule" />
          <text x={joins + 4} y={16} stroke="none" fill="currentColor">
            end stroke joins
          </text>
        </>
      )}
      <text x={30} y={12} textAnchor="end" stroke="none" fill="currentColor">
        N
      </text>
      <text x={WIDTH - 4} y={HEIGHT - 6} textAnchor="end" stroke="none" fill="currentColor">
        shaft used
      </text>
    </svg>
  );
}
