import type { GaugeKind, GaugeReading } from './line.ts';

/** Seconds that a reading must have stood, and after which an instrument counts as silent. */
const STANDS_S = 0.8;
const SILENT_S = 2;
/** Over so many seconds its noise is told. */
const NOISE_S = 3;
/** Fewer lines than this say nothing of whether it stands. */
const FEWEST = 4;
/** A zero is set from so short a while: what it stood at just before is not of it. */
const ZERO_S = 0.35;
const LOW_BATTERY = 0.15;

/** How far what it streams may go to and fro while it counts as standing, and the noise beyond which it is called noisy. */
const still: Record<GaugeKind, { within: number; noisy: number }> = {
  length: { within: 0.3, noisy: 0.4 },
  mass: { within: 0.6, noisy: 0.8 },
  pressure: { within: 0.02, noisy: 0.03 },
  angle: { within: 0.06, noisy: 0.08 },
};

/** What is to be known of an instrument beside its reading. */
export interface Watched {
  name: string;
  kind: GaugeKind;
  /** Less its zero; where it stands, the mean over the time that it has stood. */
  value: number;
  steady: boolean;
  /** It moves to and fro without going anywhere: one standard deviation; null where that is little. */
  noise: number | null;
  /** Nothing has come for a while. */
  silent: boolean;
  batteryLow: boolean;
  /** How often its own button was pressed. */
  sent: number;
  /** It has begun to send in another unit than before. */
  unitChanged: { from: string; to: string } | null;
  /** What its zero has gone by since it was last set; null before it was set twice. */
  drift: number | null;
}

interface Line {
  at: number;
  value: number;
}

/**
 * Watches one instrument's stream: whether it stands, how noisy it is, whether it has gone silent or changed its unit, and what its
 * zero drifts by. Times are in seconds, by whoever asks.
 */
export class InstrumentWatch {
  private lines: Line[] = [];
  private last: GaugeReading | null = null;
  private unitChanged: Watched['unitChanged'] = null;
  private zero = 0;
  private zeroed = false;
  private drift: number | null = null;
  private sent = 0;

  /** Takes a line that has just come. */
  take(reading: GaugeReading, at: number): void {
    if (this.last && this.last.unit !== reading.unit)
      this.unitChanged = { from: this.last.unit, to: reading.unit };
    // What was streamed of another quantity says nothing of this one.
    if (this.last && this.last.kind !== reading.kind) this.lines = [];
    this.last = reading;
    if (reading.sent) this.sent += 1;
    this.lines.push({ at, value: reading.value });
    while ((this.lines[0]?.at ?? at) < at - NOISE_S) this.lines.shift();
  }

  /** Sets its zero to where it stands, and tells what that has gone by since it was set before. */
  setZero(at: number): void {
    const now = this.meanOver(ZERO_S, at);
    if (now === null) return;
    if (this.zeroed) this.drift = now - this.zero;
    this.zero = now;
    this.zeroed = true;
  }

  /** How it stands at a time; null before anything came. */
  look(at: number): Watched | null {
    const { last } = this;
    if (!last) return null;
    const { within, noisy } = still[last.kind];
    const newest = this.lines.at(-1)?.at ?? -Infinity;
    const silent = at - newest > SILENT_S;
    const stood = this.lines.filter((line) => line.at >= newest - STANDS_S);
    const values = stood.map(({ value }) => value);
    const stands =
      stood.length >= FEWEST &&
      newest - (stood[0]?.at ?? newest) >= 0.6 * STANDS_S &&
      Math.max(...values) - Math.min(...values) <= within;
    const noise = this.noiseNow();
    const steady = !silent && (last.steady ?? stands);
    return {
      name: last.name,
      kind: last.kind,
      value:
        (steady && last.steady === null ? (this.meanOver(STANDS_S, newest) ?? last.value) : last.value) -
        this.zero,
      steady,
      noise: noise !== null && noise > noisy ? noise : null,
      silent,
      batteryLow: last.battery !== null && last.battery < LOW_BATTERY,
      sent: this.sent,
      unitChanged: this.unitChanged,
      drift: this.drift,
    };
  }

  private meanOver(seconds: number, at: number): number | null {
    const some = this.lines.filter((line) => line.at >= at - seconds);
    return some.length === 0 ? null : some.reduce((sum, { value }) => sum + value, 0) / some.length;
  }

  /** Standard deviation of a line against those beside it: what goes somewhere is no noise. */
  private noiseNow(): number | null {
    if (this.lines.length < 8) return null;
    const steps = this.lines.slice(2).map((line, k) => {
      const [a, b] = [this.lines[k] as Line, this.lines[k + 1] as Line];
      // Second differences of white noise have six times its variance.
      return (line.value - 2 * b.value + a.value) ** 2 / 6;
    });
    return Math.sqrt(steps.reduce((sum, one) => sum + one, 0) / steps.length);
  }
}
