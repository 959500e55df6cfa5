import type { ReactNode } from 'react';
import type { SuspensionType } from '#core/kinds/suspensionTypes.ts';
import { Sketch } from './Sketch.tsx';

/** How a wheel is hung, seen from the front (a bike's from the side); damper and spring in the action colour. */
export function SuspensionPicture({ kind, height = 64 }: { kind: SuspensionType; height?: number }) {
  return (
    <Sketch paper={[72, 64]} height={height} pen={1.6}>
      {pictures[kind]}
    </Sketch>
  );
}

const tyre = <rect x="3" y="24" width="11" height="36" rx="3" />;
const wheel = (x: number) => <circle cx={x} cy="48" r="13" />;
const body = <path d="M60 6V58" strokeWidth="2.6" />;
const ground = <path d="M2 62H70" stroke="var(--rule)" />;

/** Damper with its spring from one eye to the other. */
function Leg({ from, to }: { from: readonly [number, number]; to: readonly [number, number] }) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const size = Math.hypot(dx, dy);
  const [nx, ny] = [(-dy / size) * 4, (dx / size) * 4];
  const coil = Array.from({ length: 9 }, (_, k) => {
    const t = 0.3 + 0.06 * k;
    const side = k % 2 === 0 ? 1 : -1;
    return `${from[0] + t * dx + side * nx} ${from[1] + t * dy + side * ny}`;
  });
  return (
    <g stroke="var(--action)" strokeWidth={2}>
      <path d={`M${from.join(' ')}L${to.join(' ')}`} />
      <path d={`M${coil.join('L')}`} strokeWidth={1.4} />
      <circle cx={from[0]} cy={from[1]} r={2} fill="var(--action)" />
      <circle cx={to[0]} cy={to[1]} r={2} fill="var(--action)" />
    </g>
  );
}

const axle = (legs: ReactNode) => (
  <>
    <rect x="2" y="26" width="9" height="34" rx="3" />
    <rect x="61" y="26" width="9" height="34" rx="3" />
    <path d="M11 44H61" strokeWidth="3" />
    <path d="M18 6H54" strokeWidth="2.6" />
    {legs}
    {ground}
  </>
);

const pictures: Record<SuspensionType, ReactNode> = {
  strut: (
    <>
      {tyre}
      {body}
      {ground}
      <path d="M14 52L60 50" />
      <Leg from={[17, 48]} to={[26, 8]} />
      <path d="M26 8H60" strokeWidth="2.6" />
    </>
  ),
  'double-wishbone': (
    <>
      {tyre}
      {body}
      {ground}
      <path d="M14 30L60 28M14 52L60 52" />
      <Leg from={[36, 52]} to={[48, 10]} />
      <path d="M48 10H60" strokeWidth="2.6" />
    </>
  ),
  'a-arms': (
    <>
      {tyre}
      {body}
      {ground}
      <path d="M14 34L60 22M14 54L60 46" />
      <Leg from={[38, 27]} to={[54, 4]} />
      <path d="M54 4H60" strokeWidth="2.6" />
    </>
  ),
  'solid-axle': axle(
    <>
      <Leg from={[18, 44]} to={[20, 8]} />
      <Leg from={[54, 44]} to={[52, 8]} />
    </>,
  ),
  'axle-inboard': axle(
    <>
      <Leg from={[28, 44]} to={[30, 8]} />
      <Leg from={[44, 44]} to={[42, 8]} />
    </>,
  ),
  'trailing-arm': (
    <>
      {wheel(20)}
      {ground}
      <path d="M20 48L62 40" strokeWidth="3" />
      <circle cx="62" cy="40" r="3" />
      <Leg from={[36, 45]} to={[42, 8]} />
      <path d="M34 6H66" strokeWidth="2.6" />
    </>
  ),
  'apart-on-arm': (
    <>
      {tyre}
      {body}
      {ground}
      <path d="M14 50L60 50" strokeWidth="2.4" />
      <path d="M18 48L26 8" />
      <Leg from={[40, 50]} to={[40, 16]} />
      <path d="M32 16H60" strokeWidth="2.6" />
    </>
  ),
  fork: (
    <>
      {wheel(50)}
      {ground}
      <Leg from={[50, 48]} to={[30, 6]} />
      <path d="M22 10L38 3" strokeWidth="2.6" />
    </>
  ),
  linkage: (
    <>
      {wheel(18)}
      {ground}
      <path d="M18 48L60 42" strokeWidth="3" />
      <circle cx="60" cy="42" r="3" />
      <path d="M44 45L46 56L58 54" />
      <Leg from={[46, 55]} to={[54, 10]} />
    </>
  ),
  'swing-arm': (
    <>
      {wheel(18)}
      {ground}
      <path d="M18 48L60 42" strokeWidth="3" />
      <circle cx="60" cy="42" r="3" />
      <Leg from={[24, 46]} to={[34, 8]} />
    </>
  ),
  'ski-arms': (
    <>
      <path d="M2 58H20Q24 58 24 54" strokeWidth="2.6" />
      <path d="M12 58V36" />
      {body}
      <path d="M12 38L60 26M12 52L60 46" />
      <Leg from={[34, 32]} to={[50, 6]} />
      <path d="M50 6H60" strokeWidth="2.6" />
    </>
  ),
  'skid-arms': (
    <>
      <path d="M4 56H58Q66 56 68 44" strokeWidth="2.6" />
      <path d="M20 56L32 20M46 56L58 20" />
      <path d="M6 18H68" strokeWidth="2.6" />
      <Leg from={[26, 46]} to={[50, 22]} />
    </>
  ),
};
