import { Link, Navigate, useParams } from 'react-router';
import { lessonIds, lessonTexts, type LessonId } from '#words/lessons.ts';
import { useLessonsDone } from '../api/practice.ts';
import { Lesson } from '../features/lessons/Lesson.tsx';
import { HeaderSlot } from '../ui/headerSlot.tsx';
import { FailurePage } from './FailurePage.tsx';

const isLesson = (id: string): id is LessonId => lessonIds.some((one) => one === id);

/** The lessons, what is done of them, and the one that is open. */
export function LessonsPage() {
  const { id } = useParams();
  const { data, isError } = useLessonsDone();
  if (id !== undefined && !isLesson(id)) return <FailurePage notFound />;
  const done = data?.done ?? [];
  // The next one is chosen once: what gets done on a page must not turn it over.
  if (id === undefined && data)
    return (
      <Navigate to={`/lessons/${lessonIds.find((one) => !done.includes(one)) ?? 'reading-a-tape'}`} replace />
    );
  const shown = id;
  return (
    <main className="mx-auto grid w-full max-w-[1232px] flex-1 grid-cols-[276px_minmax(0,1fr)] gap-x-10 px-6 py-5 max-lg:grid-cols-1 narrow:px-4">
      <title>Lessons · Margin</title>
      <HeaderSlot.Fill>
        <h1 className="font-semibold">{shown ? lessonTexts[shown].title : 'Lessons'}</h1>
      </HeaderSlot.Fill>
      <nav aria-label="Lessons" className="max-lg:mb-4">
        {isError && <p role="alert">What is done cannot be loaded: no connection to the server.</p>}
        <ol className="max-lg:flex max-lg:gap-x-5 max-lg:overflow-x-auto">
          {lessonIds.map((one, k) => (
            <li key={one} className="border-rule shrink-0 lg:border-b">
              <Link
                to={`/lessons/${one}`}
                aria-current={one === shown ? 'page' : undefined}
                className={`flex min-h-9 items-center gap-2 ${one === shown ? 'text-action font-semibold' : ''}`}
              >
                <span className="figures text-second w-5 text-right">{k + 1}</span>
                {lessonTexts[one].title}
                {done.includes(one) && (
                  <span className="text-action ml-auto" role="img" aria-label="done">
                    ✓
                  </span>
                )}
              </Link>
            </li>
          ))}
        </ol>
      </nav>
      {shown && data && <Lesson key={shown} id={shown} />}
    </main>
  );
}
