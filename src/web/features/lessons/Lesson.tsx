import { useState } from 'react';
import { Link } from 'react-router';
import { lessonIds, lessonTexts, type LessonId } from '#words/lessons.ts';
import { useLessonDone } from '../../api/practice.ts';
import { faultOf } from '../../api/faultOf.ts';
import { Fault } from '../../ui/Fault.tsx';
import { Button } from '../../ui/Button.tsx';
import { Asked } from './Asked.tsx';
import { DialRow } from './DialRow.tsx';
import { SceneFigures } from './SceneFigures.tsx';
import { begun } from './scene.ts';
import { scenes } from './scenes.tsx';

/** One lesson: an idea, a guess made before anything is seen, something to move, and a check. */
export function Lesson({ id }: { id: LessonId }) {
  const text = lessonTexts[id];
  const scene = scenes[id];
  const [dials, setDials] = useState(() => begun(scene));
  const [guess, setGuess] = useState<number | null>(null);
  const [seen, setSeen] = useState(false);
  const [checked, setChecked] = useState<number | null>(null);
  const done = useLessonDone();
  const move = (some: typeof dials) => {
    const next = { ...dials, ...some };
    setDials(next);
    if (scene.reached(next)) setSeen(true);
  };
  const answer = (place: number) => {
    setChecked(place);
    if (place === text.check.right) done.mutate(id);
  };
  return (
    <article>
      <div className="max-w-[70ch]">
        {text.idea.map((words) => (
          <p key={words} className="mt-1 text-[17px] leading-6">
            {words}
          </p>
        ))}
      </div>
      <Part number={1} title="What do you think?">
        <Asked question={text.predict} given={guess} onAnswer={setGuess} tell={seen} once />
      </Part>
      <Part number={2} title="Move it">
        {guess === null ? (
          <p className="text-second">Say what you think first.</p>
        ) : (
          <>
            <p className="font-semibold">{text.move}</p>
            <div className="mt-3 grid grid-cols-[minmax(0,460px)_minmax(0,1fr)] gap-x-8 gap-y-4 max-md:grid-cols-1">
              <div>{scene.picture(dials, move)}</div>
              <div>
                {scene.dials.map((dial) => (
                  <DialRow
                    key={dial.key}
                    dial={dial}
                    value={dials[dial.key] ?? 0}
                    onMove={(value) => move({ [dial.key]: value })}
                  />
                ))}
                <SceneFigures figures={scene.figures(dials)} />
                <p role="status" className="text-action mt-3 min-h-6 font-semibold">
                  {seen && <>✓ That is it.</>}
                </p>
              </div>
            </div>
          </>
        )}
      </Part>
      <Part number={3} title="And now?">
        {seen ? (
          <Asked question={text.check} given={checked} onAnswer={answer} tell={checked !== null} />
        ) : (
          <p className="text-second">Comes once it is moved.</p>
        )}
        <Fault words={done.error && faultOf(done.error)} />
      </Part>
      {checked === text.check.right && <Onwards id={id} />}
    </article>
  );
}

function Part({ number, title, children }: { number: number; title: string; children: React.ReactNode }) {
  return (
    <section aria-label={title} className="mt-5">
      <h2 className="border-rule text-head mb-2 border-b pb-1 font-semibold">
        <span className="text-second mr-2">{number}</span>
        {title}
      </h2>
      {children}
    </section>
  );
}

/** To the lesson after this one. */
function Onwards({ id }: { id: LessonId }) {
  const next = lessonIds[lessonIds.indexOf(id) + 1];
  return (
    <p className="mt-5 flex flex-wrap items-center gap-5">
      {next ? (
        <Link
          to={`/lessons/${next}`}
          className="bg-action text-on-action flex min-h-11 items-center px-4 font-semibold"
        >
          Next: {lessonTexts[next].title}
        </Link>
      ) : (
        <Link
          to="/practice"
          className="bg-action text-on-action flex min-h-11 items-center px-4 font-semibold"
        >
          That was the last one: to practice
        </Link>
      )}
      <Button look="quiet" onClick={() => window.scrollTo({ top: 0 })}>
        Back to the top
      </Button>
    </p>
  );
}
