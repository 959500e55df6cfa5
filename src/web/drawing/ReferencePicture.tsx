import type { ReactNode } from 'react';
import type { ReferenceKind } from '#core/geometry/reference.ts';
import { Sketch } from './Sketch.tsx';

/** Where the tape is held for each kind of height: the tape in the action colour, the machine around it. */
export function ReferencePicture({ kind, height = 96 }: { kind: ReferenceKind; height?: number }) {
  return (
    <Sketch paper={[120, 96]} height={height}>
      <path stroke="var(--second)" d="M4 90H116" />
      {pictures[kind]}
    </Sketch>
  );
}

/** A tape between two heights, with the ends that are read. */
function Tape({ x, from, to }: { x: number; from: number; to: number }) {
  return (
    <path
      stroke="var(--action)"
      strokeWidth={2.2}
      d={`M${x} ${from}V${to}M${x - 5} ${from}h10M${x - 5} ${to}h10`}
    />
  );
}

const wheel = (
  <>
    <circle cx={60} cy={64} r={26} />
    <circle cx={60} cy={64} r={16} stroke="var(--second)" />
    <circle cx={60} cy={64} r={2} fill="var(--ink)" />
  </>
);
const arch = <path d="M8 40H22C26 16 40 10 60 10S94 16 98 40H112" />;

const pictures: Record<ReferenceKind, ReactNode> = {
  'ground-chassis': (
    <>
      <circle cx={26} cy={74} r={16} />
      <path d="M8 40H112L104 56H46" />
      <Tape x={78} from={56} to={90} />
    </>
  ),
  'ground-arch': (
    <>
      {wheel}
      {arch}
      <Tape x={60} from={10} to={90} />
    </>
  ),
  'hub-arch': (
    <>
      {wheel}
      {arch}
      <Tape x={60} from={10} to={64} />
    </>
  ),
  'rim-arch': (
    <>
      {wheel}
      {arch}
      <Tape x={60} from={10} to={80} />
    </>
  ),
  'tyre-arch': (
    <>
      {wheel}
      {arch}
      <Tape x={60} from={10} to={38} />
    </>
  ),
  'axle-mark': (
    <>
      <circle cx={44} cy={68} r={22} />
      <circle cx={44} cy={68} r={2.5} fill="var(--ink)" />
      <path d="M24 22L76 14L112 34M60 68L104 62" />
      <path d="M40 19.5h8" strokeWidth={3} />
      <Tape x={44} from={19} to={68} />
    </>
  ),
  'bumper-ground': (
    <>
      <path d="M12 84C30 92 44 90 60 88L78 44M12 84L6 76" />
      <path d="M14 46H52L96 30L112 44V62H60" />
      <Tape x={16} from={46} to={90} />
    </>
  ),
  shaft: (
    <>
      <path d="M52 8H68V44H52Z" />
      <path d="M56 44V82H64V44" />
      <path d="M50 82H70" strokeWidth={3} />
      <path d="M54 66H66" strokeWidth={3} stroke="var(--action)" />
      <Tape x={80} from={44} to={66} />
    </>
  ),
  'clamp-axle': (
    <>
      <path d="M50 8H70V18H50Z" />
      <path d="M53 18V52H67V18M57 52V78H63V52" />
      <circle cx={60} cy={80} r={5} fill="var(--ink)" />
      <Tape x={84} from={18} to={80} />
    </>
  ),
  gauge: (
    <>
      <circle cx={44} cy={68} r={22} />
      <circle cx={44} cy={68} r={2.5} fill="var(--ink)" />
      <path d="M24 22L76 14L112 34" />
      <path d="M44 22V34M44 54V65" stroke="var(--action)" />
      <circle cx={44} cy={44} r={10} stroke="var(--action)" />
      <path d="M44 44V37" strokeWidth={2} stroke="var(--action)" />
    </>
  ),
};
