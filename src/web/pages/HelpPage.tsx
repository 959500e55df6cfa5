import { useEffect, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { referenceKinds, type ReferenceKind } from '#core/geometry/reference.ts';
import { glossary, isDrawn, type Entry } from '#words/glossary.ts';
import { keyTable } from '../ui/keys.ts';
import { ReferencePicture } from '../drawing/ReferencePicture.tsx';
import { TermPicture } from '../drawing/TermPicture.tsx';
import { capital } from '../ui/words.ts';
import { PartsNav } from '../ui/PartsNav.tsx';

const parts = [
  ['measure', 'How to measure'],
  ['words', 'Words'],
  ['typing', 'Typing and units'],
  ['printing', 'Printing'],
  ['keys', 'Keys'],
] as const;

/** What every word means, where the tape is held, how to type, print and work by keys. */
export function HelpPage() {
  const { hash } = useLocation();
  useEffect(() => {
    if (hash === '') return;
    const entry = document.getElementById(hash.slice(1));
    entry?.scrollIntoView({ block: 'start' });
    entry?.focus({ preventScroll: true });
  }, [hash]);
  return (
    <main className="mx-auto w-full max-w-[980px] px-6 py-5 narrow:px-4">
      <title>Help · Margin</title>
      <h1 className="text-head font-semibold">Help</h1>
      <PartsNav label="Parts of help" parts={parts} />
      <Part id="measure">
        <ul className="grid grid-cols-2 gap-x-6 gap-y-4 max-md:grid-cols-1">
          {(Object.keys(referenceKinds) as ReferenceKind[]).map((kind) => (
            <li key={kind} className="flex items-start gap-3" data-reference={kind}>
              <ReferencePicture kind={kind} />
              <div>
                <p className="font-semibold">{capital(referenceKinds[kind].title)}</p>
                <p>{capital(referenceKinds[kind].how)}.</p>
              </div>
            </li>
          ))}
        </ul>
        <p className="mt-3">
          Before you read: level floor, tyres at their pressure, the load aboard that the target is for. Roll
          the machine and bounce it at both ends. Read each corner twice.
        </p>
      </Part>
      <Part id="words">
        {glossary.map((entry) => (
          <Term key={entry.id} entry={entry} />
        ))}
      </Part>
      <Part id="typing">
        <ul className="list-disc pl-5">
          <li>
            A number alone counts in the unit beside the field. Units are chosen at the top, each quantity by
            itself if you like.
          </li>
          <li>With a unit it can be typed anywhere: 375 mm, 37.5 cm, 14.75", 14 3/4 in, 1' 2 3/4".</li>
          <li>Small sums work: 14 1/4 - 1.</li>
          <li>What you typed is kept beside the exact value. A field you only look at stays as it is.</li>
          <li>
            Heights and sag show as fractions in inches. Thread pitch and spring lengths show as decimals.
          </li>
        </ul>
      </Part>
      <Part id="printing">
        <ul className="list-disc pl-5">
          <li>Measuring sheet, for a pen: on the list of jobs and under Prep.</li>
          <li>Handover sheet: under Finish. Rider cards: on the sag bench.</li>
          <li>Any stage of a job prints with the browser’s own print, on A4 or Letter.</li>
        </ul>
      </Part>
      <Part id="keys">
        <Keys />
      </Part>
    </main>
  );
}

function Keys() {
  return (
    <table>
      <caption className="sr-only">Keys</caption>
      <tbody>
        {keyTable.map(({ keys, what }) => (
          <tr key={what} className="align-top">
            <th scope="row" className="py-1 pr-4 text-left font-semibold whitespace-nowrap">
              {keys.join('  ')}
            </th>
            <td className="py-1">{what}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Part({ id, children }: { id: (typeof parts)[number][0]; children: ReactNode }) {
  const title = parts.find(([one]) => one === id)?.[1];
  return (
    <section id={id} tabIndex={-1} aria-label={title} className="border-rule mt-6 border-t pt-3">
      <h2 className="mb-3 text-[19px] font-semibold">{title}</h2>
      {children}
    </section>
  );
}

function Term({ entry: { id, term, also, means } }: { entry: Entry }) {
  return (
    <article
      id={id}
      tabIndex={-1}
      aria-label={term}
      className="target:bg-wash mb-4 flex flex-wrap items-start gap-x-5 px-2 py-1"
    >
      <div className="min-w-0 flex-1 basis-80">
        <h3>
          <span className="font-semibold">{term}</span>
          {also.length > 0 && <span className="text-second"> also: {also.join(', ')}</span>}
        </h3>
        {means.map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
      </div>
      {isDrawn(id) && <TermPicture term={id} />}
    </article>
  );
}
