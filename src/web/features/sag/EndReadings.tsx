import { sagWindowAt, sagWish } from '#core/document/sagWish.ts';
import { showsSag } from '#core/document/showsSag.ts';
import { sagAsked } from '#words/sagPrompts.ts';
import { letGoWords } from '#words/sagPrompts.ts';
import { byCorner } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import type { FactPlace } from '#core/document/factKinds.ts';
import { factAt } from '#core/document/facts.ts';
import { cornerSpec } from '#core/estimate/corner.ts';
import { referenceKinds } from '#core/geometry/reference.ts';
import { cornerNames, type CornerId } from '#core/kinds/corners.ts';
import { repeatSpread, type LetGo } from '#core/document/sagReadings.ts';
import { Link } from 'react-router';
import { measuredBy } from '#core/vision/measuredBy.ts';
import { useBegun } from '../../jobStore/useBegun.ts';
import { limits } from '#contract/limits.ts';
import { TravelRule } from '../../drawing/TravelRule.tsx';
import { capital, cornerNumbers } from '../../ui/words.ts';
import { Length } from '../../ui/Figure.tsx';
import { FactField } from '../../forms/fields.tsx';
import { EndAdjuster } from './EndAdjuster.tsx';

interface Props {
  id: CornerId;
  round: number;
  /** Who is on, by rider's key or `alone`: the state that it is set by first. */
  states: readonly string[];
  ways: readonly LetGo[];
  /** Whether a reading can come off a picture: that is kept with a job. */
  pictures: boolean;
}

const REPEATS = [1, 2, 3] as const;
const again = { 1: '', 2: 'again', 3: '3rd time' } as const;

/** Everything the tape reads at one end: extended, rider on and nobody on, as it rests or both ways, up to three times each. */
export function EndReadings({ id, round, states, ways, pictures }: Props) {
  const job = useThisJob();
  const { document } = job.record;
  const reference = referenceKinds[document.corners[id].reference.kind];
  return (
    <div className="flex gap-2">
      <Rule id={id} />
      <div className="relative min-w-0 flex-1">
        <h2 id={`end-${id}`} className="font-semibold">
          <span aria-hidden className="figures text-second mr-1.5">
            {cornerNumbers[id]}
          </span>
          {capital(cornerNames[id])}
          <span className="label text-second ml-2 font-normal">{reference.title}</span>
        </h2>
        <EndAdjuster id={id} />
        <table className="w-full table-fixed">
          <caption className="sr-only">Sag readings, {cornerNames[id]}</caption>
          <colgroup>
            <col className="w-[84px]" />
            {REPEATS.map((k) => (
              <col key={k} />
            ))}
          </colgroup>
          {!showsSag(document, id) && (
            <tbody>
              <ReadingRow
                id={id}
                round={round}
                base="extended"
                words="fully extended"
                who=""
                rank={0}
                pictures={pictures}
              />
            </tbody>
          )}
          {states.map((who, w) => (
            <tbody key={who}>
              <tr>
                <th scope="rowgroup" colSpan={4} className="label pt-2 text-left font-semibold">
                  {whoOn(who)}
                </th>
              </tr>
              {ways.map((how, h) => (
                <ReadingRow
                  key={how}
                  id={id}
                  round={round}
                  base={`${who}-${how}`}
                  words={letGoWords[how]}
                  who={whoOn(who)}
                  rank={1 + 4 * w + h}
                  pictures={pictures}
                />
              ))}
            </tbody>
          ))}
        </table>
      </div>
    </div>
  );
}

const whoOn = (who: string) => (who === 'alone' ? 'nobody on' : 'rider on');

interface RowProps {
  id: CornerId;
  round: number;
  /** Slot without its repeat. */
  base: string;
  words: string;
  who: string;
  rank: number;
  pictures: boolean;
}

/** What is read once has a second place, and what is read twice a third. */
function ReadingRow({ id, round, base, words, who, rank, pictures }: RowProps) {
  const job = useThisJob();
  const begun = useBegun();
  const place = (k: number): FactPlace<'sag'> => ({ kind: 'sag', round, corner: id, slot: `${base}-${k}` });
  const shown = REPEATS.filter((k) => k === 1 || begun(place(k)) || begun(place(k - 1)));
  const read = REPEATS.flatMap((k) => factAt(job.facts, place(k))?.fact ?? []);
  const spread = repeatSpread(read.map(({ mm }) => mm));
  // What was begun by tape goes on by tape.
  const asksForPicture = pictures && read.every(({ picture }) => picture !== undefined);
  const here = job.state.rounds[round]?.sag[id] ?? { extended: [], states: {} };
  const named = [who, words, cornerNames[id]].filter(Boolean).join(', ');
  return (
    <tr>
      <th scope="row" className="label text-left leading-4 font-normal">
        {who && <span className="sr-only">{who}, </span>}
        <span className={who ? 'text-second' : 'font-semibold'}>{words}</span>
        {spread !== null && (
          <span className="text-second ml-1 whitespace-nowrap" title="furthest apart">
            ↕<Length mm={spread} decimals={0} bare />
          </span>
        )}
        {asksForPicture && <ByPicture id={id} base={base} named={named} />}
      </th>
      {shown.map((k) => (
        <td key={k} data-slot={place(k).slot} className="pl-1 align-bottom">
          <FactField
            place={place(k)}
            label={`${capital(named)}, reading ${k}`}
            order={1000 * k + 10 * rank + cornerNumbers[id]}
            range={limits.heightMm}
            narrow
            showUnit={false}
            placeholder={again[k]}
            question={(mm) => sagAsked(job.record.document, { id, slot: `${base}-${k}`, mm }, here)}
          />
        </td>
      ))}
    </tr>
  );
}

/** The way to reading it off a picture, where one can tell it. */
function ByPicture({ id, base, named }: { id: CornerId; base: string; named: string }) {
  const { record } = useThisJob();
  const { kind } = record.document.corners[id].reference;
  if (measuredBy[kind] === null || base.endsWith('-band')) return null;
  return (
    <Link
      to={`/jobs/${record.id}/picture/${id}/sag/${base}`}
      aria-label={`By picture, ${named}`}
      className="text-action block underline underline-offset-4 print:hidden"
    >
      by picture
    </Link>
  );
}

/** Where the end sits ridden, now and after, against its window. */
function Rule({ id }: { id: CornerId }) {
  const job = useThisJob();
  const { document } = job.record;
  const spec = cornerSpec(document, id);
  const corner = byCorner(job.answer)[id];
  const wish = sagWish(document, id);
  return (
    <TravelRule
      name={cornerNames[id]}
      side="left"
      data={{
        travelMm: spec.travelMm.value,
        stopMm: spec.stopMm.value,
        nowMm: corner?.nowSagMm ?? null,
        targetMm: wish?.mm ?? null,
        afterMm: corner?.sagMm ?? null,
        bandMm: 2 * (corner?.sagSdMm ?? 0),
        toleranceMm: 0,
        window: sagWindowAt(document, id),
        zeroAssumed: false,
      }}
    />
  );
}
