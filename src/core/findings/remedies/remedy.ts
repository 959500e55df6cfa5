import type { CornerId } from '../../kinds/corners.ts';
import type { MarginKind } from '../../margins/index.ts';

/** Something that may be done about a finding. */
export type RemedyDo =
  /** The adjuster turned so far, in its own count; its pitch where it is turned, mm; `both` where its twin goes as far. */
  | { do: 'seat'; corner: CornerId; by: number; pitchMm: number | null; both: boolean }
  /** A cam set to a position, counted from 1. */
  | { do: 'cam'; corner: CornerId; from: number; to: number }
  /** An air spring pumped up, bar; negative let down. */
  | { do: 'air'; corner: CornerId; bar: number }
  /** The lower mount screwed out, mm; negative in; `both` where its twin goes as far. */
  | { do: 'mount'; corner: CornerId; mm: number; pitchMm: number; both: boolean }
  /** The mount screwed out and the seat back by as much of height, or the other way round. */
  | { do: 'mount-for-seat'; corner: CornerId; mountMm: number; seatBy: number }
  /** The ring of the slider that it is said of, mm towards the springs; negative away from them. */
  | { do: 'ring'; corner: CornerId; mm: number }
  /** A helper on the spring that takes up so much, mm, and lies solid at ride height. */
  | { do: 'helper'; corner: CornerId; takesUpMm: number }
  /** Another spring: times the rate, mm longer unloaded. */
  | { do: 'spring'; corner: CornerId; rateTimes: number; longerMm: number }
  /** A spring of the same rate that can be squeezed so much further, mm. */
  | { do: 'spring-room'; corner: CornerId; moreMm: number }
  /** The height that can be had taken as the target, mm. */
  | { do: 'target'; corner: CornerId; toMm: number };

/** What something left comes down to when a remedy is done. */
export interface Cost {
  kind: MarginKind;
  corner: CornerId;
  fromMm: number;
  toMm: number;
}

/** A remedy with what the machine does with it in. */
export type Remedy = RemedyDo & {
  /** What is then left of what had run out, mm; null for a target, which then is met. */
  leftMm: number | null;
  /** mm that the corner then stands higher. */
  riseMm: number;
  /** What comes nearer to its end by it, the nearest first. */
  costs: Cost[];
};
