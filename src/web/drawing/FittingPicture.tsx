import type { ReactNode } from 'react';
import type { Fitting } from '#core/document/types.ts';
import { Sketch, SketchedCoil } from './Sketch.tsx';

/** Each kind of adjuster as it looks on the bench; what is moved by hand is drawn in the action colour. */
export function FittingPicture({ kind, height = 64 }: { kind: Fitting; height?: number }) {
  return (
    <Sketch paper={[64, 72]} height={height} pen={1.4}>
      {pictures[kind]}
    </Sketch>
  );
}

/** What is moved by hand. */
function Moved({ children }: { children: ReactNode }) {
  return (
    <g stroke="var(--action)" strokeWidth={2.4}>
      {children}
    </g>
  );
}

/** Both ways along the axis. */
function Ways({ x, y, reach = 8 }: { x: number; y: number; reach?: number }) {
  return (
    <path
      stroke="var(--action)"
      d={`M${x} ${y - reach}V${y + reach}M${x - 3} ${y - reach + 4}L${x} ${y - reach}L${x + 3} ${y - reach + 4}M${x - 3} ${y + reach - 4}L${x} ${y + reach}L${x + 3} ${y + reach - 4}`}
    />
  );
}

const eye = (x: number, y: number) => <circle cx={x} cy={y} r={3.4} />;

const damper = (
  <>
    {eye(28, 5)}
    {eye(28, 67)}
    <path d="M23 9H33V36H23ZM28 36V63" />
    <path d="M18 58H38" />
  </>
);

const thread = (x: number, top: number, bottom: number) => (
  <path
    strokeWidth={0.8}
    d={Array.from({ length: Math.floor((bottom - top) / 3) }, (_, k) => `M${x - 5} ${top + 3 * k}h10`).join(
      '',
    )}
  />
);

const fork = (
  <>
    <path d="M23 12H37V66H23ZM20 40H40V66H20Z" />
    <circle cx={30} cy={66} r={3.4} fill="var(--sheet)" />
  </>
);

const pictures: Record<Fitting, ReactNode> = {
  seat: (
    <>
      {damper}
      {thread(28, 12, 34)}
      <SketchedCoil x={28} top={24} bottom={58} turns={5} />
      <Moved>
        <path d="M17 20H39V23H17Z" fill="var(--sheet)" />
      </Moved>
      <Ways x={50} y={22} />
    </>
  ),
  mount: (
    <>
      {eye(28, 5)}
      <path d="M23 9H33V30H23ZM28 30V44M18 44H38M17 14H39V17H17Z" />
      <SketchedCoil x={28} top={17} bottom={44} turns={4} />
      {thread(28, 46, 60)}
      <Moved>
        <path d="M21 54H35V62H21Z" fill="var(--sheet)" />
        {eye(28, 66)}
      </Moved>
      <Ways x={50} y={56} />
    </>
  ),
  apart: (
    <>
      <path d="M8 64H58M10 8H18V34H10ZM14 34V60" />
      {eye(14, 64)}
      {eye(56, 64)}
      <path d="M30 8H50" />
      <SketchedCoil x={40} top={18} bottom={63} turns={5} half={8} />
      <Moved>
        <path d="M30 14H50V17H30Z" fill="var(--sheet)" />
      </Moved>
      <Ways x={58} y={16} />
    </>
  ),
  grooves: (
    <>
      {damper}
      <path d="M21 15H23M33 15H35M21 21H23M33 21H35M21 27H23M33 27H35M21 33H23M33 33H35" strokeWidth={2.4} />
      <SketchedCoil x={28} top={29} bottom={58} turns={4} />
      <Moved>
        <path d="M18 27H38" />
      </Moved>
      <Ways x={50} y={27} reach={9} />
    </>
  ),
  shims: (
    <>
      {damper}
      <path d="M18 18H38" />
      <SketchedCoil x={28} top={30} bottom={58} turns={4} />
      <Moved>
        <path d="M17 20H39V23H17ZM17 23.5H39V26.5H17ZM17 27H39V30H17Z" fill="var(--sheet)" />
      </Moved>
      <Ways x={50} y={25} reach={9} />
    </>
  ),
  strut: (
    <>
      <path d="M16 6H40M28 6V14M23 14H33V50H23ZM20 48H36V68H20Z" />
      <circle cx={28} cy={54} r={2.4} />
      <circle cx={28} cy={63} r={2.4} />
      <SketchedCoil x={28} top={8} bottom={30} turns={4} half={11} />
      <Moved>
        <path d="M15 31H41V34H15Z" fill="var(--sheet)" />
      </Moved>
      <path stroke="var(--action)" d="M43 32H54M32 54H54M51 33V53M49 37L51 33L53 37M49 49L51 53L53 49" />
    </>
  ),
  leaf: (
    <>
      <path d="M4 28Q32 58 60 28M10 36Q32 58 54 36" />
      {eye(4, 26)}
      {eye(60, 26)}
      <Moved>
        <path d="M17 46Q32 58 47 46" />
      </Moved>
      <circle cx={32} cy={60} r={5} />
      <path d="M28 44V58M36 44V58" />
    </>
  ),
  cam: (
    <>
      <circle cx={24} cy={30} r={13} />
      <circle cx={24} cy={30} r={9} stroke="var(--second)" />
      <path d="M36 35L60 56M54 60L63 52M13 37L6 62" />
      <Moved>
        <path d="M24 24L30 27L30 33L24 36L18 33L18 27Z" fill="var(--sheet)" />
      </Moved>
      <path stroke="var(--action)" d="M14 12A20 20 0 0 1 34 12M30 9L34 12L30 15" />
    </>
  ),
  air: (
    <>
      {eye(28, 5)}
      {eye(28, 67)}
      <path d="M19 9H37V40H19ZM28 40V63M19 30H37" />
      <g fill="var(--second)" stroke="none">
        <circle cx={24} cy={15} r={1.2} />
        <circle cx={31} cy={18} r={1.2} />
        <circle cx={25} cy={22} r={1.2} />
        <circle cx={32} cy={25} r={1.2} />
        <circle cx={28} cy={13} r={1.2} />
      </g>
      <Moved>
        <path d="M37 14H45M45 10V18" />
      </Moved>
      <path stroke="var(--action)" d="M60 14H49M53 11L49 14L53 17" />
    </>
  ),
  cap: (
    <>
      {fork}
      <SketchedCoil x={30} top={16} bottom={62} turns={8} half={5} />
      <Moved>
        <path d="M24 6H36V12H24ZM27 2H33V6H27Z" fill="var(--sheet)" />
      </Moved>
      <path stroke="var(--action)" d="M42 9A13 5 0 0 1 46 3M43 3H47V7" />
    </>
  ),
  spacer: (
    <>
      {fork}
      <path d="M23 8H37V12H23Z" />
      <SketchedCoil x={30} top={28} bottom={62} turns={6} half={5} />
      <Moved>
        <path d="M25 15H35V20H25ZM25 22H35V27H25Z" fill="var(--sheet)" />
      </Moved>
      <Ways x={52} y={21} />
    </>
  ),
  clamp: (
    <>
      <path d="M25 4H35V66H25Z" />
      <Moved>
        <path d="M14 15H46V21H14ZM14 33H46V39H14Z" fill="var(--sheet)" />
      </Moved>
      <Ways x={56} y={27} reach={12} />
    </>
  ),
  fixed: (
    <>
      <path d="M14 14H42M14 58H42M14 14V8M42 14V8M14 58V64M42 58V64" />
      <SketchedCoil x={28} top={14} bottom={58} turns={5} />
    </>
  ),
};
