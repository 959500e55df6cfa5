import { markWords } from '#words/stackEvents.ts';
import { Download, Pause, Play } from 'lucide-react';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { labMarks, type LabMark } from '#core/lab/curve.ts';
import { moveSeat, placeRing, ringPlaces } from '#core/lab/rings.ts';
import { sectionAt } from '#core/lab/section.ts';
import { caseTravel, type Bench, type LabSetup } from '#core/lab/setup.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { useLengthStyle, useSay } from '../../ui/settings.ts';
import { StackSection, type SectionHandle } from '../../drawing/StackSection.tsx';
import { TravelRule } from '../../drawing/TravelRule.tsx';
import type { TravelRuleData } from '../../drawing/travelRule.ts';
import { saveDrawing } from '../../drawing/saveDrawing.ts';
import { Button } from '../../ui/Button.tsx';
import { Length } from '../../ui/Figure.tsx';

/** Which state is looked at: a named place that goes along when the setup changes, or a travel in mm. */
type Look = { at: string } | { travelMm: number };

interface Props {
  bench: Bench;
  change: (next: LabSetup, hand: string) => void;
  height?: number;
}

const SECONDS = 3;

/** The stack section with what to look at it in: every place in the travel by name, and a scrubber through it. */
export function SectionView({ bench, change, height = 430 }: Props) {
  const [look, setLook] = useState<Look>({ at: 'ride' });
  const box = useRef<HTMLDivElement>(null);
  const style = useLengthStyle(1);
  const { setup, model } = bench;
  const places = placesOf(bench);
  const named = 'at' in look ? places.find(({ id }) => id === look.at) : null;
  const travelMm = Math.min(
    named?.travelMm ?? ('travelMm' in look ? look.travelMm : caseTravel(bench)),
    model.zMax,
  );
  const say = (mm: number) => lengthText(mm, style);
  const section = sectionAt(bench, travelMm);
  return (
    <div className="min-w-0">
      <div className="flex justify-center overflow-hidden">
        <TravelRule name={setup.name || 'wheel'} side="left" data={ruleOf(bench, travelMm)} />
        <div ref={box} className="min-w-0">
          <StackSection
            name={`${setup.name}, spring cross-section`}
            section={section}
            height={height}
            width={250}
            compact
            say={say}
            collarMm={setup.collar?.readsMm ?? null}
            snapMm={setup.pitchMm / 8}
            {...handlesOf(bench, change, say)}
          />
        </div>
      </div>
      <SectionTable bench={bench} travelMm={travelMm} />
      <Scrubber travelMm={travelMm} endMm={model.zMax} look={(mm) => setLook({ travelMm: mm })} />
      <Places places={places} at={named?.id ?? null} look={(at) => setLook({ at })} />
      <SaveAs box={box} name={setup.name} />
    </div>
  );
}

/** What can be taken hold of in the drawing: the seat and every ring, each with what it then means. */
function handlesOf(bench: Bench, change: Props['change'], say: (mm: number) => string) {
  const { setup } = bench;
  return {
    seat: {
      label: 'Seat',
      words: `preload ${say(setup.preloadMm)}`,
      value: setup.preloadMm,
      onMove: (by, drag) => change(moveSeat(setup, by), drag ?? 'seat'),
    } satisfies SectionHandle,
    rings: setup.rings.map((ring, j): SectionHandle => {
      const { gapMm, fromSeatMm } = ringPlaces(bench, j);
      return {
        label: `Ring ${ring.after + 1}`,
        words: `gap ${say(Math.max(gapMm, 0))} at ride height`,
        value: gapMm,
        // Towards the springs is down: the gap closes by as much.
        onMove: (by, drag) =>
          change(
            placeRing(
              bench,
              j,
              fromSeatMm === null ? { by: 'gap', mm: gapMm - by } : { by: 'seat', mm: fromSeatMm + by },
            ),
            drag ?? `ring ${j}`,
          ),
      };
    }),
  };
}

interface ScrubberProps {
  travelMm: number;
  endMm: number;
  look: (mm: number) => void;
}

/** Through the travel by hand, or by itself. */
function Scrubber({ travelMm, endMm, look }: ScrubberProps) {
  const [playing, setPlaying] = useState(false);
  const say = useSay(1);
  usePlaying(playing, endMm, travelMm, look);
  return (
    <div className="mt-2 flex items-center gap-3">
      <button
        type="button"
        aria-label={playing ? 'Stop' : 'Run through the travel'}
        onClick={() => setPlaying(!playing)}
        className="text-action inline-flex size-9 shrink-0 items-center justify-center"
      >
        {playing ? <Pause size={18} aria-hidden /> : <Play size={18} aria-hidden />}
      </button>
      <input
        type="range"
        aria-label="Place in the travel"
        aria-valuetext={say(travelMm)}
        min={0}
        max={endMm}
        step={0.5}
        value={travelMm}
        onChange={(event) => look(Number(event.target.value))}
        className="accent-action h-9 min-w-0 flex-1"
      />
      <span className="figures w-20 text-right font-semibold">
        <Length mm={travelMm} decimals={0} />
      </span>
    </div>
  );
}

interface PlacesProps {
  places: readonly Place[];
  at: string | null;
  look: (id: string) => void;
}

function Places({ places, at, look }: PlacesProps) {
  return (
    <div role="group" aria-label="Look at" className="mt-1 flex flex-wrap gap-x-3 gap-y-1">
      {places.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          aria-pressed={at === id}
          onClick={() => look(id)}
          className={`label min-h-8 border-b-2 ${at === id ? 'border-action font-semibold' : 'text-second border-transparent'}`}
        >
          {name}
        </button>
      ))}
    </div>
  );
}

function SaveAs({ box, name }: { box: RefObject<HTMLDivElement | null>; name: string }) {
  return (
    <div className="text-second mt-2 flex items-center gap-4">
      {(['svg', 'png'] as const).map((kind) => (
        <Button
          key={kind}
          look="quiet"
          onClick={() => {
            const drawing = box.current?.querySelector('svg');
            if (drawing) void saveDrawing(drawing, kind, name);
          }}
        >
          <Download size={15} aria-hidden className="mr-1 inline" />
          {kind.toUpperCase()}
        </Button>
      ))}
    </div>
  );
}

/** The wheel's travel as a rule, marked where it is looked at. */
function ruleOf(bench: Bench, travelMm: number): TravelRuleData {
  const { setup } = bench;
  return {
    travelMm: setup.travelMm,
    stopMm: setup.stop?.leftMm ?? 0,
    nowMm: travelMm,
    targetMm: null,
    afterMm: null,
    bandMm: 0,
    toleranceMm: 0,
    window: null,
    zeroAssumed: false,
  };
}

interface Place {
  id: string;
  name: string;
  travelMm: number;
}

/** Full droop, every load case, everything that happens on the way, and the end of travel. */
function placesOf(bench: Bench): Place[] {
  const marks = labMarks(bench);
  const idOf = (mark: LabMark) =>
    mark.kind === 'case'
      ? mark.name === bench.setup.cases[0]?.name
        ? 'ride'
        : `case ${mark.name}`
      : `${mark.kind} ${markWords(mark)}`;
  return [
    { id: 'droop', name: 'full droop', travelMm: 0 },
    ...marks.map((mark) => ({
      id: idOf(mark),
      name: mark.kind === 'end' ? `full bump, ${markWords(mark)}` : markWords(mark),
      travelMm: mark.travelMm,
    })),
  ];
}

/** Goes up and down through the travel while playing; by steps where motion is not wanted. */
function usePlaying(playing: boolean, endMm: number, fromMm: number, go: (mm: number) => void): void {
  const start = useRef(fromMm);
  const latest = useRef(go);
  useEffect(() => {
    latest.current = go;
    if (!playing) start.current = fromMm;
  });
  useEffect(() => {
    if (!playing) return;
    const calm = matchMedia('(prefers-reduced-motion: reduce)').matches;
    const phase = Math.acos(Math.max(Math.min(1 - (2 * start.current) / endMm, 1), -1));
    const begun = performance.now();
    const step = () => {
      const angle = phase + ((performance.now() - begun) / 1000 / SECONDS) * Math.PI;
      latest.current((endMm * (1 - Math.cos(angle))) / 2);
    };
    if (calm) {
      const timer = setInterval(step, 700);
      return () => clearInterval(timer);
    }
    let frame = requestAnimationFrame(function run() {
      step();
      frame = requestAnimationFrame(run);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, endMm]);
}

/** The drawing as a table, for those who do not see it. */
function SectionTable({ bench, travelMm }: { bench: Bench; travelMm: number }) {
  const say = useSay(1);
  const { springs, rings, stop } = sectionAt(bench, travelMm);
  return (
    <table className="sr-only">
      <caption>Spring cross-section at {say(travelMm)} of wheel travel</caption>
      <tbody>
        {springs.map(({ name, fromMm, toMm, closed }, i) => (
          <tr key={i}>
            <th>{name}</th>
            <td>{say(toMm - fromMm)} long</td>
            <td>{closed === null ? '' : `${Math.round(100 * closed)} % of its way closed`}</td>
          </tr>
        ))}
        {rings.map(({ after, gapMm }) => (
          <tr key={`ring${after}`}>
            <th>ring {after + 1}</th>
            <td>gap {say(Math.max(gapMm, 0))}</td>
          </tr>
        ))}
        {stop && (
          <tr>
            <th>bump stop</th>
            <td>{stop.gapMm > 0 ? `${say(stop.gapMm)} away` : `squeezed ${say(-stop.gapMm)}`}</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
