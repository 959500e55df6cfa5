import type { LessonId } from '#words/lessons.ts';
import { tapeShows } from '#core/gauge/heldTape.ts';
import { Loupe } from '../practice/Loupe.tsx';
import { TapeEnd, TapeTop } from '../practice/TapePicture.tsx';
import { CornerPicture } from './CornerPicture.tsx';
import { LinesPicture } from './LinesPicture.tsx';
import { plainCorner, standLesson, type LessonCorner, type LessonStand } from './lessonCorner.ts';
import { standCar } from './lessonCar.ts';
import { at, type Dial, type Dials, type Scene, type SceneFigure } from './scene.ts';
import { TopPicture } from './TopPicture.tsx';
import { normalShare, stackForce, STACK, transitionMm } from './lessonSums.ts';

const dial = (
  key: string,
  words: string,
  [low, high, step, from]: readonly [number, number, number, number],
  unit: Dial['unit'] = 'mm',
): Dial => ({ key, words, low, high, step, from, unit });
const mm = (words: string, value: number, decimals = 1): SceneFigure => ({
  words,
  value,
  unit: 'mm',
  decimals,
});

/** A scene about one corner: dials change it, figures are read off how it stands. */
const corner = (
  dials: readonly Dial[],
  set: (dials: Dials) => Partial<LessonCorner>,
  figures: (stand: LessonStand, dials: Dials) => SceneFigure[],
  reached: (stand: LessonStand, dials: Dials) => boolean,
): Scene => {
  const stand = (now: Dials) => standLesson({ ...plainCorner, ...set(now) });
  return {
    dials,
    figures: (now) => figures(stand(now), now),
    picture: (now) => <CornerPicture stand={stand(now)} lowerMm={at(now, 'link')} />,
    reached: (now) => reached(stand(now), now),
  };
};

const TRUE_MM = 362;
const RIDER_KG = 85;
/** A rear end with a rider: its own load at the wheel, with nobody on. */
const BIKE = { travelMm: 120, ratio: 1, kg: 62 };
const BAND_MM = 4;
/** Where it truly stands, and where it happens to hang before anybody touches it. */
const TRULY_MM = 346;
const STUCK_MM = 2;
const SAG_MM = 35;
const NEW_LOSS_MM = 5;
const HALF_KM = 80;
const OVER_TYRE_MM = 30;
const READ_SD_MM = 2;
const LIMIT_MM = 5;
const OFF_MM = 4;

/** Pressed it hangs low by all that friction holds, lifted high; as it was found it hangs somewhere between. */
const readsMm = (hand: number) => TRULY_MM + (hand === 0 ? STUCK_MM : BAND_MM * hand);

const bike = (dials: Dials, kg: number) =>
  standLesson({
    ...plainCorner,
    ...BIKE,
    rateNPerMm: at(dials, 'rate'),
    preloadMm: at(dials, 'preload'),
    kg,
  });

const seats = (dials: Dials) => ['lf', 'rf', 'lr', 'rr'].map((key) => at(dials, key));
const fourSeats = (from: readonly number[], most: number): Dial[] =>
  ['Front left seat', 'Front right seat', 'Rear left seat', 'Rear right seat'].map((words, i) =>
    dial(['lf', 'rf', 'lr', 'rr'][i] as string, words, [-most, most, 1, from[i] as number]),
  );

/** Seats as they were left: heights alike, weight on one diagonal. */
const LEFT = [6, -6, -6, 6];

const lost = (km: number) => (NEW_LOSS_MM * km) / (km + HALF_KM);

/** What there is to move in each lesson. */
export const scenes: Record<LessonId, Scene> = {
  'reading-a-tape': {
    dials: [
      dial('endXMm', 'End of the tape, along', [-28, 28, 1, -16]),
      dial('endZMm', 'End of the tape, up', [-28, 28, 1, -7]),
      dial('topXMm', 'At the top, along', [-28, 28, 1, 14]),
      dial('eyeMm', 'Eye above the lip', [-300, 300, 10, 200]),
    ],
    figures: (now) => [mm('off by', tapeShows(TRUE_MM, placingOf(now), true) - TRUE_MM)],
    picture: (now, onMove) => (
      <div className="max-w-[420px]">
        <div className="grid grid-cols-2 gap-3">
          <TapeEnd placing={placingOf(now)} onPlace={onMove} markMm={1.5} arch />
          <TapeTop placing={placingOf(now)} onPlace={onMove} arch />
        </div>
        <div className="mt-3">
          <Loupe mm={tapeShows(TRUE_MM, placingOf(now), true)} />
        </div>
      </div>
    ),
    reached: (now) => Math.abs(tapeShows(TRUE_MM, placingOf(now), true) - TRUE_MM) <= 0.5 && Math.abs(at(now, 'endZMm')) <= 1,
  },
  'settle-before-you-read': {
    dials: [dial('rolled', 'Rolled and bounced', [0, 4, 1, 0], 'times')],
    figures: (now) => [mm('stands too high by', 6 * 0.5 ** at(now, 'rolled'))],
    picture: (now) => <CornerPicture stand={standLesson({ ...plainCorner, seatMm: 0.7 * 6 * 0.5 ** at(now, 'rolled') })} />,
    reached: (now) => at(now, 'rolled') >= 2,
  },
  'which-adjuster': corner(
    [dial('seat', 'Spring seat', [-20, 30, 1, 0]), dial('mount', 'Lower mount', [-20, 30, 1, 0])],
    (now) => ({ seatMm: at(now, 'seat'), mountMm: at(now, 'mount') }),
    ({ bodyMm, droopMm, bumpMm }) => [mm('body up by', bodyMm), mm('droop left', droopMm), mm('bump left', bumpMm)],
    ({ bodyMm }, now) => bodyMm >= 20 && at(now, 'seat') === 0,
  ),
  'preload-is-not-stiffness': corner(
    [dial('seat', 'Collar towards the spring', [0, 24, 1, 0])],
    (now) => ({ seatMm: at(now, 'seat') }),
    ({ bodyMm, springMm, wheelRateNPerMm, droopMm }) => [
      mm('body up by', bodyMm),
      mm('spring length', springMm),
      { words: 'rate at the wheel', value: wheelRateNPerMm, unit: 'N/mm', decimals: 1 },
      mm('droop left', droopMm),
    ],
    (_, now) => at(now, 'seat') >= 10,
  ),
  'motion-ratio': corner(
    [dial('ratio', 'Ratio', [0.4, 1, 0.05, 1], ''), dial('seat', 'Collar towards the spring', [0, 20, 1, 10])],
    (now) => ({
      ratio: at(now, 'ratio'),
      seatMm: at(now, 'seat'),
      // A spring that carries the same load at the same travel, whatever the ratio.
      rateNPerMm: (60 * 0.49) / at(now, 'ratio') ** 2,
      preloadMm: (12 * at(now, 'ratio')) / 0.7,
    }),
    ({ droopMm }, now) => [mm('corner up by', usedPlain(now) - droopMm), mm('for collar', at(now, 'seat'), 0)],
    (_, now) => at(now, 'ratio') === 0.5 && at(now, 'seat') === 10,
  ),
  'rigid-body': {
    dials: fourSeats([0, 0, 0, 0], 30),
    figures: () => [],
    picture: (now) => <TopPicture riseMm={standCar(seats(now)).riseMm} />,
    reached: (now) => at(now, 'lf') === 20 && ['rf', 'lr', 'rr'].every((key) => at(now, key) === 0),
  },
  'cross-weight': {
    dials: fourSeats(LEFT, 12),
    figures: (now) => [{ words: 'cross weight', value: 100 * standCar(seats(now)).cross, unit: '%', decimals: 1 }],
    picture: (now) => {
      const { riseMm, padKg } = standCar(seats(now), LEFT);
      return <TopPicture riseMm={riseMm} padKg={padKg} />;
    },
    reached: (now) => {
      const { riseMm, cross } = standCar(seats(now), LEFT);
      return Math.abs(cross - 0.5) <= 0.001 && riseMm.every((rise) => Math.abs(rise) <= 1);
    },
  },
  'droop-and-bump': corner(
    [dial('kg', 'More aboard there', [0, 150, 10, 0], 'kg'), dial('seat', 'Spring seat', [-10, 50, 1, 0])],
    (now) => ({ kg: plainCorner.kg + at(now, 'kg'), seatMm: at(now, 'seat') }),
    ({ droopMm, bumpMm }) => [mm('droop left', droopMm), mm('bump left', bumpMm)],
    ({ bumpMm }, now) => at(now, 'kg') === 120 && Math.abs(bumpMm - 60) <= 2,
  ),
  'springs-and-rings': {
    dials: [dial('ring', 'Ring, gap at ride height', [0, 40, 1, 5])],
    figures: (now) => [mm('firm spring alone from', transitionMm(at(now, 'ring'))), { words: 'before that', value: STACK.soft, unit: 'N/mm', decimals: 0 }, { words: 'from there', value: STACK.firm, unit: 'N/mm', decimals: 0 }],
    picture: (now) => <LinesPicture y={(x) => stackForce(x, at(now, 'ring'))} range={[0, 100]} most={6000} words="force over damper travel from ride height" mark={transitionMm(at(now, 'ring'))} />,
    reached: (now) => Math.abs(transitionMm(at(now, 'ring')) - 40) <= 1.5,
  },
  'right-spring': {
    dials: [dial('rate', 'Spring rate', [20, 60, 1, 24], 'N/mm'), dial('preload', 'Preload', [0, 40, 1, 30])],
    figures: (now) => [mm('sag, rider on', bike(now, BIKE.kg + RIDER_KG * 0.6).droopMm), mm('sag, nobody on', bike(now, BIKE.kg).droopMm)],
    picture: (now) => {
      const stand = bike(now, BIKE.kg + RIDER_KG * 0.6);
      return <CornerPicture stand={{ ...stand, bodyMm: SAG_MM - stand.droopMm }} />;
    },
    reached: (now) => {
      const [laden, alone] = [bike(now, BIKE.kg + RIDER_KG * 0.6).droopMm, bike(now, BIKE.kg).droopMm];
      return Math.abs(laden - 35) <= 1.5 && alone >= 10 && alone <= 15;
    },
  },
  friction: {
    dials: [
      dial('hand', 'Press it, let it go, lift it', [-1, 1, 1, 0], 'hand'),
      dial('said', 'You say it truly reads', [338, 354, 1, 340]),
    ],
    figures: (now) => [mm('reads', readsMm(at(now, 'hand')), 0)],
    picture: (now) => <CornerPicture stand={standLesson({ ...plainCorner, seatMm: 0.7 * BAND_MM * at(now, 'hand') })} />,
    reached: (now) => at(now, 'said') === TRULY_MM,
  },
  'new-springs': {
    dials: [dial('seat', 'Set high by', [0, 8, 0.5, 0]), dial('km', 'Driven', [0, 1000, 20, 0], 'km')],
    figures: (now) => [mm('over its target now', at(now, 'seat') - lost(at(now, 'km'))), mm('after 1000 km', at(now, 'seat') - lost(1000))],
    picture: (now) => <LinesPicture y={(x) => at(now, 'seat') - lost(x)} range={[0, 1000]} most={8} least={-8} words="height over its target, over km" mark={at(now, 'km')} band={[-3, 3]} />,
    reached: (now) => at(now, 'seat') <= 3 && at(now, 'seat') - lost(1000) >= -3,
  },
  clearances: corner(
    [dial('link', 'Lowered by the link', [0, 40, 1, 0])],
    () => ({}),
    (_, now) => [mm('body down by', at(now, 'link')), mm('over the tyre at full bump', OVER_TYRE_MM - at(now, 'link'))],
    (_, now) => at(now, 'link') === OVER_TYRE_MM - 10,
  ),
  'measuring-the-ratio': {
    dials: [dial('lift', 'Wheel lifted out by', [0, 80, 1, 0])],
    figures: (now) => [
      mm('hub to arch', 352 + at(now, 'lift'), 0),
      mm('damper, eye to eye', 410 + Math.round(0.65 * at(now, 'lift')), 0),
      ...(at(now, 'lift') > 10 ? [{ words: 'damper over wheel', value: Math.round(0.65 * at(now, 'lift')) / at(now, 'lift'), unit: '' as const, decimals: 2 }] : []),
    ],
    picture: (now) => <CornerPicture stand={standLesson({ ...plainCorner, seatMm: 0.6 * at(now, 'lift') })} />,
    reached: (now) => at(now, 'lift') >= 75,
  },
  'when-to-stop': {
    dials: [dial('times', 'Settled and read', [1, 12, 1, 1], 'times')],
    figures: (now) => [
      mm('off its target', OFF_MM, 0),
      mm('good to', READ_SD_MM / Math.sqrt(at(now, 'times'))),
      { words: 'truly in', value: 100 * normalShare((LIMIT_MM - OFF_MM) / (READ_SD_MM / Math.sqrt(at(now, 'times')))), unit: '%', decimals: 0 },
    ],
    picture: (now) => <LinesPicture y={(x) => bell(x, READ_SD_MM / Math.sqrt(at(now, 'times')))} range={[-3, 11]} most={0.75} words="where the height truly is, from its target" mark={LIMIT_MM} />,
    reached: (now) => normalShare((LIMIT_MM - OFF_MM) / (READ_SD_MM / Math.sqrt(at(now, 'times')))) >= 0.95,
  },
}; // oxfmt-ignore

const bell = (x: number, sd: number) =>
  Math.exp(-(((x - OFF_MM) / sd) ** 2) / 2) / (sd * Math.sqrt(2 * Math.PI));

/** Travel used with the collar where it was. */
const usedPlain = (now: Dials) =>
  standLesson({ ...plainCorner, ratio: at(now, 'ratio'), rateNPerMm: (60 * 0.49) / at(now, 'ratio') ** 2, preloadMm: (12 * at(now, 'ratio')) / 0.7 }).droopMm; // oxfmt-ignore

function placingOf(now: Dials) {
  return { endXMm: at(now, 'endXMm'), endZMm: at(now, 'endZMm'), topXMm: at(now, 'topXMm'), eyeMm: at(now, 'eyeMm') };
} // oxfmt-ignore
