import { useId } from 'react';
import type { Question } from '#words/lessons.ts';

interface Props {
  question: Question;
  /** Place of the answer that was given; null before. */
  given: number | null;
  onAnswer: (place: number) => void;
  /** Whether it is told by now what is right. */
  tell: boolean;
  /** A guess stands as it was made. */
  once?: boolean;
}

/** A question with three answers; what is right, and why, comes when it is time. */
export function Asked({ question, given, onAnswer, tell, once = false }: Props) {
  const name = useId();
  const right = given === question.right;
  return (
    <fieldset>
      <legend className="font-semibold">{question.ask}</legend>
      <div className="mt-2 flex flex-col gap-1">
        {question.answers.map((words, place) => (
          <label key={words} className="flex min-h-9 cursor-pointer items-center gap-3">
            <input
              type="radio"
              name={name}
              checked={given === place}
              disabled={once && given !== null}
              onChange={() => onAnswer(place)}
              className="accent-action size-4"
            />
            {words}
          </label>
        ))}
      </div>
      <p role="status" className="mt-1 min-h-6">
        {given !== null && tell && (
          <>
            <b className={right ? 'text-action' : 'text-tight'}>
              {right ? 'Right. ' : `No: ${question.answers[question.right]}. `}
            </b>
            {question.why}
          </>
        )}
        {given !== null && !tell && <span className="text-second">Noted. See for yourself.</span>}
      </p>
    </fieldset>
  );
}
