import { positionText } from '#words/positions.ts';
import { plannedMoves } from '#core/planning/answerShape.ts';
import { airTaken, areAnglesAssumed, isPlaceAssumed } from '#core/document/taken.ts';
import { stepPlace } from '#core/adjusting/steps.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import type { Sourced } from '#core/estimate/corner.ts';
import { adjusterOf, stepOf } from '#core/kinds/adjusters/index.ts';
import type { Fitting, ToldCorner } from '#core/document/types.ts';
import type { CornerMove } from '#core/planning/cornerAnswer.ts';
import { inReadersUnit } from '#core/units/measure.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { effectWords, springWay } from '#words/instruction.ts';
import { useLengthStyle, useUnitsOf } from '../../ui/settings.ts';
import { capital } from '../../ui/words.ts';
import { SizeLength, Plain, Turns } from '../../ui/Figure.tsx';
import { AlongDamper } from './AlongDamper.tsx';
import { AssumedMark } from './AssumedMark.tsx';

/** What to do with the adjuster that sets preload: turns, a cam position or a pressure. */
export function SeatMove({
  turns,
  steps,
  fitting = 'grooves',
  cam,
  air,
  id,
  leads = false,
}: {
  turns: number;
  /** Grooves, leaves or spacers, where it is not turned. */
  steps: number | null;
  fitting?: Fitting;
  /** Position to stop at, as it is numbered. */
  cam: number | null;
  air: { toBar: number; byBar: number } | null;
  /** The corner, where it is an instruction: which way along the damper, and what a position or a pressure is assumed from. */
  id?: CornerId;
  /** Whether it begins its line. */
  leads?: boolean;
}) {
  if (cam !== null)
    return (
      <>
        {leads ? 'Position' : 'position'} <span className="figures">{positionText(cam)}</span>
        {id && <BothSides id={id} />}
        {id && <PlaceAssumed id={id} />}
      </>
    );
  if (air !== null)
    return (
      <>
        {leads ? capital(airWay(air.byBar)) : airWay(air.byBar)} to <Pressure bar={air.toBar} />
        {id && <PlaceAssumed id={id} />}
      </>
    );
  if (steps !== null) {
    const words = stepOf(fitting) ?? { one: 'step', many: 'steps' };
    const { goes } = adjusterOf(fitting);
    const counted = goes.by === 'steps' && goes.counted === 'more or fewer';
    return (
      <>
        <span className="inline-block">
          <span className="figures">{Math.abs(steps)}</span> {Math.abs(steps) === 1 ? words.one : words.many}
        </span>{' '}
        <span className="inline-block">{counted ? (steps > 0 ? 'more' : 'fewer') : springWay(steps)}</span>
        {id && <StepPlace id={id} by={steps} />}
        {id && <AlongDamper id={id} by={steps} />}
      </>
    );
  }
  return (
    <>
      <span className="inline-block">
        <Turns turns={turns} />
      </span>{' '}
      <span className="inline-block">{springWay(turns)}</span>
      {id && <AlongDamper id={id} by={turns} />}
    </>
  );
}

/** The groove to go to, of how many; nothing where nobody said which is in use. */
function StepPlace({ id, by }: { id: CornerId; by: number }) {
  const { record, answer } = useThisJob();
  const corner = record.document.corners[id];
  const contact = answer ? answer.machine.corners.indexOf(id) : -1;
  const now = stepPlace(corner, answer?.now.seatsBy[contact] ?? 0);
  if (now === null) return null;
  const { one } = stepOf(corner.fitting) ?? { one: 'step' };
  return (
    <span className="text-second block text-[13px] leading-5 font-normal" data-testid={`place-${id}`}>
      from {one} <span className="figures">{now}</span> to <span className="figures">{now + by}</span>
      {corner.stepCount !== null && (
        <>
          {' '}
          of <span className="figures">{corner.stepCount}</span>
        </>
      )}
      , counted from the one furthest from the spring
    </span>
  );
}

/** Which way a pressure goes. */
const airWay = (byBar: number) => (byBar > 0 ? 'add air' : 'let air out');

/** A pressure as a plan has it, as a move. */
export function airMove(bar: CornerMove['airBar']): { toBar: number; byBar: number } | null {
  return bar && { toBar: bar.after, byBar: bar.after - bar.now };
}

/** A pressure as it was told. */
export function airTold({ airToBar, airByBar }: ToldCorner): { toBar: number; byBar: number } | null {
  return airToBar === undefined || airByBar === undefined ? null : { toBar: airToBar, byBar: airByBar };
}

/** A pair of torsion springs is set alike: told, so that nobody sets one. */
function BothSides({ id }: { id: CornerId }) {
  const { torsion } = useThisJob().record.document.corners[id];
  return torsion?.count === 2 ? <>, both sides alike</> : null;
}

/** What a position or a pressure is counted from where nobody gave it; nothing where it was given. */
function PlaceAssumed({ id }: { id: CornerId }) {
  const { record, answer } = useThisJob();
  const { corners } = record.document;
  const planned = answer && plannedMoves(answer).find((one) => one.id === id);
  if (!(planned?.placeAssumed ?? isPlaceAssumed(corners[id], 0))) return null;
  const { air, torsion, cam } = corners[id];
  const usual = torsion !== null && areAnglesAssumed(torsion);
  return (
    <span className="text-second block text-[13px] leading-5 font-normal" data-testid="place-assumed">
      {air ? (
        <>
          from <Pressure bar={airTaken(air).gaugeBar} />
        </>
      ) : (
        [cam === null && 'from position 1', usual && 'by usual angles'].filter(Boolean).join(', ')
      )}
      <AssumedMark />
    </span>
  );
}

/** The same in clicks, where its adjuster has them; nothing where it has none. */
export function InClicks({ id, turns }: { id: CornerId; turns: number }) {
  const { clicksPerTurn } = useThisJob().record.document.corners[id];
  if (clicksPerTurn === null) return null;
  const clicks = Math.round(Math.abs(turns) * clicksPerTurn);
  return (
    <span className="font-semibold">
      {' '}
      = <span className="figures">{clicks}</span> {clicks === 1 ? 'click' : 'clicks'}
    </span>
  );
}

/** What the turns are counted from where nobody gave the thread's pitch; nothing where it was given. */
export function PitchAssumed({ pitch, steps }: { pitch: Sourced; steps: number | null }) {
  if (steps !== null || pitch.source !== 'assumed') return null;
  return (
    <span className="text-second" data-testid="pitch-assumed">
      , at <SizeLength mm={pitch.value} decimals={2} /> a turn
      <AssumedMark />
    </span>
  );
}

/** What it is for: "Raise 8 mm". */
export function Effect(moved: Parameters<typeof effectWords>[0]) {
  const style = useLengthStyle(0);
  return <>{effectWords(moved, (mm) => lengthText(mm, style))}</>;
}

/** A gauge pressure in the reader's units. */
export function Pressure({ bar }: { bar: number }) {
  const units = useUnitsOf('pressure');
  const { value, unit } = inReadersUnit('pressure', bar, units);
  return (
    <>
      <Plain value={value} decimals={units === 'mm' ? 1 : 0} />
      <span className="text-[0.72em] font-normal"> {unit}</span>
    </>
  );
}

/** "Lower mount 2½ turns out", or tubes slid through their clamps. */
export function MountMove({ turns, mm, fitting }: { turns: number; mm: number; fitting: Fitting }) {
  if (adjusterOf(fitting).beside === 'tubes in clamps')
    return (
      <>
        tubes <SizeLength mm={Math.abs(mm)} />{' '}
        {mm > 0 ? 'further out below the clamps' : 'further out above the clamps'}
      </>
    );
  return (
    <>
      lower mount <Turns turns={turns} /> {turns > 0 ? 'out (longer)' : 'in (shorter)'},{' '}
      <SizeLength mm={Math.abs(mm)} />
    </>
  );
}

/** "Ring 4 mm towards the springs". */
export function RingMove({ slider, moveMm }: { slider: number; moveMm: number }) {
  return (
    <>
      ring {slider + 1}: <SizeLength mm={Math.abs(moveMm)} /> {moveMm > 0 ? 'towards' : 'away from'} the
      springs
    </>
  );
}

/** Lower mount and rings of a planned corner; nothing where there are none to move. */
export function OtherMoves({ corner, fitting }: { corner: CornerMove; fitting: Fitting }) {
  const { mount, mountMm, rings } = corner;
  return (
    <>
      {mount && mountMm !== 0 && (
        <p className="text-action mt-1 font-semibold" data-testid={`mount-${corner.id}`}>
          <MountMove turns={mount.turns} mm={mountMm} fitting={fitting} />
          {mount.afterMm !== null && adjusterOf(fitting).beside !== 'tubes in clamps' && (
            <span className="label text-second block font-normal">
              <SizeLength mm={mount.afterMm} /> of thread stay engaged
            </span>
          )}
        </p>
      )}
      {rings.map(({ after, moveMm, gapMm, wantedMm, follows }) =>
        Math.abs(moveMm) < 0.05 ? null : (
          <p key={after} className="text-action mt-1 font-medium" data-testid={`ring-${corner.id}`}>
            <RingMove slider={after} moveMm={moveMm} />
            <span className="label text-second block font-normal">
              {wantedMm === null && follows ? 'it follows the seat; ' : ''}gap then <SizeLength mm={gapMm} />
            </span>
          </p>
        ),
      )}
    </>
  );
}
