import { linkagePlaces, type LinkageDescription } from '#core/geometry/linkage.ts';

const SIDE = 200;
const EDGE = 16;

/** A swing arm with its rocker, link and damper from the side, to scale, forward to the right. */
export function LinkageDrawing({ linkage }: { linkage: LinkageDescription }) {
  const places = linkagePlaces.map((name) => linkage[name]);
  const [xs, zs] = [places.map(([x]) => x), places.map(([, z]) => z)];
  const [left, low] = [Math.min(...xs), Math.min(...zs)];
  const span = Math.max(Math.max(...xs) - left, Math.max(...zs) - low, 1);
  const scale = (SIDE - 2 * EDGE) / span;
  const height = 2 * EDGE + scale * (Math.max(...zs) - low);
  const at = ([x, z]: readonly [number, number]) =>
    [EDGE + scale * (x - left), height - EDGE - scale * (z - low)] as const;
  const line = (...of: (readonly [number, number])[]) => of.map((place) => at(place).join(',')).join(' ');
  const { armPivot, axle, linkOnArm, rockerPivot, linkOnRocker, damperOnRocker, damperOnFrame } = linkage;
  const [wheelX, wheelY] = at(axle);
  return (
    <svg
      viewBox={`0 0 ${SIDE} ${height}`}
      width={SIDE}
      height={height}
      role="img"
      aria-label="The linkage from the side, at full droop"
      className="text-ink max-w-full"
      fill="none"
      stroke="currentColor"
    >
      <circle cx={wheelX} cy={wheelY} r={10} className="stroke-second" />
      <polyline points={line(axle, armPivot)} strokeWidth={3} />
      <polyline points={line(armPivot, linkOnArm)} strokeWidth={1.5} />
      <polyline points={line(linkOnArm, linkOnRocker)} className="stroke-action" strokeWidth={2} />
      <polygon
        points={line(rockerPivot, linkOnRocker, damperOnRocker)}
        strokeWidth={1.5}
        className="fill-wash"
      />
      <polyline points={line(damperOnRocker, damperOnFrame)} strokeWidth={1.5} strokeDasharray="5 3" />
      {[armPivot, rockerPivot, damperOnFrame].map((place, k) => {
        const [cx, cy] = at(place);
        return <circle key={k} cx={cx} cy={cy} r={3.5} className="fill-ink" />;
      })}
      {[linkOnArm, linkOnRocker, damperOnRocker].map((place, k) => {
        const [cx, cy] = at(place);
        return <circle key={k} cx={cx} cy={cy} r={2.5} className="fill-sheet" />;
      })}
    </svg>
  );
}
