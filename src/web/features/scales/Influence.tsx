import type { Tell } from '#words/figures.ts';
import { lowerWords, storyWords } from '#words/whyWeight.ts';
import type { Answer } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { oneMoreWay, oneMoreWords, springWay } from '#words/instruction.ts';
import { useState, type ReactNode } from 'react';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { seatEffects, type SeatEffect } from '#core/scales/effects.ts';
import { cornerSpec } from '#core/estimate/corner.ts';
import { weightStory, type WeightStory } from '#core/scales/why.ts';
import { effectSum } from '#words/explain/scaleSums.ts';
import { inReadersUnit } from '#core/units/measure.ts';
import { fineLengthText } from '#core/units/formatLength.ts';
import { useLengthStyle, useUnitsOf, useTell } from '../../ui/settings.ts';
import { InfluencePlan } from '../../drawing/InfluencePlan.tsx';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { PitchAssumed } from '../job/MoveWords.tsx';
import { capital } from '../../ui/words.ts';
import { SumFigure } from '../sums/SumFigure.tsx';
import { FineLength, Turns } from '../../ui/Figure.tsx';
import { Mass } from '../../ui/Measure.tsx';
import { Select } from '../../ui/Select.tsx';

/** A weight in the reader's unit as text. */
function useKgText(): (kg: number) => string {
  const system = useUnitsOf('mass');
  return (kg) => {
    const { value, unit } = inReadersUnit('mass', kg, system);
    return `${value.toFixed(1)} ${unit}`;
  };
}

const signed = (text: string, value: number) => `${value < 0 ? '−' : '+'}${text}`;

/** One turn out of a mount, one step or one turn of a seat. */
function turnOf({ document }: Answer, { seat, by }: SeatEffect, tell: Tell): string {
  if (by === 'mount') return 'mount one turn out';
  const corner = document.corners[seat];
  return `one ${oneMoreWords(corner, tell)} ${oneMoreWay(corner)}`;
}

/** What one turn of each seat does to four heights and four weights; of one seat, drawn where it happens. */
export function Influence({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const [chosen, setChosen] = useState<CornerId | null>(null);
  const style = useLengthStyle(1);
  const kgText = useKgText();
  const tell = useTell();
  const effects = seatEffects(answer);
  const [first] = effects;
  if (!first)
    return (
      <p className="text-second">Nothing that is turned holds this machine up: there is nothing to tell.</p>
    );
  const mostMm = Math.max(
    ...effects.flatMap(({ corners }) => corners.map(({ heightMm }) => Math.abs(heightMm))),
  );
  const drawn = effects.find(({ seat }) => seat === chosen) ?? first;
  const title = `${cornerNames[drawn.seat]}, ${turnOf(answer, drawn, tell)}`;
  return (
    <div className="mt-2 grid grid-cols-[170px_minmax(0,1fr)] items-start gap-x-4 narrow:grid-cols-1">
      <InfluencePlan
        footprint={job.record.document.machine}
        seat={drawn.seat}
        title={title}
        mostMm={mostMm}
        corners={drawn.corners.map(({ id, heightMm, padKg }) => ({
          id,
          heightMm,
          height: fineLengthText(heightMm, style.system, true),
          weight: signed(kgText(Math.abs(padKg)), padKg),
        }))}
      />
      <div className="relative overflow-x-auto">
        <EffectTable answer={answer} effects={effects} drawn={drawn.seat} draw={setChosen} />
      </div>
    </div>
  );
}

/** Whether a spring or a weight that only the class gives goes into the figures. */
function isGuessed({ machine }: Answer): boolean {
  return machine.corners.some(
    (id) => machine.sources[id].springs === 'assumed' || machine.sources[id].load === 'assumed',
  );
}

interface TableProps {
  answer: Answer;
  effects: SeatEffect[];
  /** The seat whose turn is drawn beside it. */
  drawn: CornerId;
  draw: (seat: CornerId) => void;
}

/** All of them in a table, each figure with its sum. */
function EffectTable({ answer, effects, drawn, draw }: TableProps) {
  const tell = useTell();
  return (
    <table className="w-full min-w-[500px]" data-testid="effects">
      <caption className="label text-second caption-bottom pt-1 text-left">
        As the readings so far have this machine. The other way does the opposite.
        {isGuessed(answer) && (
          <>
            {' '}
            Springs and weights that nobody named go into it
            <AssumedMark />
          </>
        )}
      </caption>
      <thead className="label text-second text-right">
        <tr>
          <th className="w-40 py-1 text-left font-normal">what is turned; the one picked is drawn</th>
          {effects[0]?.corners.map(({ id }) => (
            <th key={id} className="px-1.5 font-normal">
              {cornerNames[id]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {effects.map((effect) => (
          <tr
            key={effect.seat}
            className={`border-rule border-t text-right ${effect.seat === drawn ? 'bg-wash/50' : ''}`}
            data-seat={effect.seat}
          >
            <th scope="row" className="py-1.5 text-left font-medium">
              <label className="flex min-h-8 cursor-pointer items-center gap-2">
                <input
                  type="radio"
                  name="drawn"
                  className="accent-action size-4 shrink-0"
                  aria-label={`Draw ${cornerNames[effect.seat]}`}
                  checked={effect.seat === drawn}
                  onChange={() => draw(effect.seat)}
                />
                <span>
                  {capital(cornerNames[effect.seat])}
                  <span className="label text-second block font-normal">{turnOf(answer, effect, tell)}</span>
                </span>
              </label>
            </th>
            {effect.corners.map((at) => (
              <td
                key={at.id}
                className={`px-1.5 whitespace-nowrap ${at.id === effect.seat ? 'font-semibold' : ''}`}
              >
                <FineLength mm={at.heightMm} sd={at.heightSdMm} signed />
                <SumFigure
                  name={`Weight ${cornerNames[at.id]}`}
                  sum={() => effectSum(effect, at)}
                  className="label text-second block w-full text-right"
                >
                  {at.padKg < 0 ? '−' : '+'}
                  <Mass kg={Math.abs(at.padKg)} sd={at.padSdKg} decimals={1} />
                </SumFigure>
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Why a wheel weighs what it does now, told with this machine's numbers. */
export function WhyWeight({ answer }: { answer: Answer }) {
  const job = useThisJob();
  const ids = cornersIn(job.record.document);
  const [id, setId] = useState<CornerId>(lightest(answer) ?? ids[0] ?? 'LF');
  const kg = useKgText();
  const story = weightStory(answer, id);
  const general = lowerWords(answer, id, kg);
  return (
    <div className="mt-3 max-w-[70ch]" data-testid="why">
      <div className="flex flex-wrap items-center gap-x-3">
        <span className="font-semibold">Why did it get lighter, or heavier?</span>
        <span className="w-32">
          <Select
            label="Which wheel"
            value={id}
            options={ids.map((one) => ({ value: one, words: capital(cornerNames[one]) }))}
            onChange={(next) => setId(next as CornerId)}
          />
        </span>
      </div>
      {story &&
        storyWords(story, kg).map((line) => (
          <p key={line} className="mt-1">
            {line}
          </p>
        ))}
      {story && story.parts.length > 0 && <StoryTable story={story} />}
      {general && <p className="text-second mt-1">{general}</p>}
    </div>
  );
}

/** The wheel that lost most in the last round: that is what people ask about. */
function lightest(answer: Answer): CornerId | null {
  const stories = answer.corners.flatMap(({ id }) => weightStory(answer, id) ?? []);
  const change = (one: (typeof stories)[number]) => one.readKg ?? one.togetherKg;
  return stories.length === 0 ? null : stories.reduce((a, b) => (change(b) < change(a) ? b : a)).id;
}

/** What each seat that was turned put on the wheel, and what all of them come to against the pads. */
function StoryTable({ story: { parts, togetherKg, readKg } }: { story: WeightStory }) {
  const { document } = useThisJob().record;
  const pitchOf = (seat: CornerId) => cornerSpec(document, seat).pitchMm;
  const line = (what: ReactNode, kg: number) => (
    <>
      <td className="py-0.5 pr-6">{what}</td>
      <td className="py-0.5 text-right">
        {kg < 0 ? '−' : '+'}
        <Mass kg={Math.abs(kg)} decimals={1} />
      </td>
    </>
  );
  return (
    <table className="mt-1">
      <tbody>
        {parts.map(({ seat, by, turns, kg }) => (
          <tr key={seat + by}>
            {line(
              <>
                {capital(cornerNames[seat])} {by === 'mount' && 'mount '}
                <Turns turns={turns} /> {by === 'mount' ? (turns < 0 ? 'in' : 'out') : springWay(turns)}
                {by === 'seat' && <PitchAssumed pitch={pitchOf(seat)} steps={null} />}
              </>,
              kg,
            )}
          </tr>
        ))}
        <tr className="border-rule border-t">{line('Together', togetherKg)}</tr>
        {readKg !== null && (
          <tr>
            {line(<span className="text-second">The pads say; the rest is friction and pads</span>, readKg)}
          </tr>
        )}
      </tbody>
    </table>
  );
}
