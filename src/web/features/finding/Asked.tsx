import { Link, useParams } from 'react-router';
import { collarKey } from '#core/findings/collars.ts';
import { contradictionKey, type Contradiction } from '#core/findings/contradictions.ts';
import type { Analysis } from '#core/analysis/analyse.ts';
import { contradictionWords } from '#words/contradictions.ts';
import type { Say } from '#words/figures.ts';
import { findingWords } from '#words/findings.ts';
import { analysisOf } from '../../jobStore/analysisOf.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useSay } from '../../ui/settings.ts';
import { Button } from '../../ui/Button.tsx';

/** Entries that cannot all be so, each asked about until it is changed or somebody says that it is right. */
export function Asked() {
  const job = useThisJob();
  const say = useSay(1);
  const { stage } = useParams();
  const asked = askedIn(analysisOf(job.record), say);
  if (asked.length === 0 || job.state.locked) return null;
  const isRight = ({ key, what }: Question) =>
    job.actions.record(`It is right: ${what}`.slice(0, 120), {
      kind: 'acknowledged',
      round: 0,
      corner: null,
      slot: key,
      remark: 'checked',
    });
  return (
    <section
      aria-label="Is this right?"
      data-testid="asked"
      className="border-tight mx-4 mt-3 border-l-4 pl-3"
    >
      {asked.map((question) => (
        <div key={question.key} data-testid={`asked-${question.about}`} className="py-1">
          <p>
            <b>{question.what}</b> {question.remedy}
          </p>
          <div className="flex flex-wrap gap-3 print:hidden">
            {stage !== undefined && question.stage !== stage && (
              <Link
                to={`/jobs/${job.record.id}/${question.stage}`}
                className="text-action flex min-h-8 items-center font-semibold underline underline-offset-4"
              >
                Correct it
              </Link>
            )}
            <Button look="quiet" onClick={() => isRight(question)}>
              It is right
            </Button>
          </div>
        </div>
      ))}
    </section>
  );
}

interface Question {
  key: string;
  about: string;
  what: string;
  remedy: string;
  /** Stage of the job where it was entered. */
  stage: string;
}

function askedIn({ questions, findings, state }: Analysis, say: Say): Question[] {
  return [
    ...questions.map((one) => ({
      key: contradictionKey(one),
      about: one.about,
      stage: enteredAt(one, state),
      ...contradictionWords(one, say),
    })),
    ...findings.flatMap((one): Question[] => {
      if (one.code !== 'collar-elsewhere') return [];
      const { what, ways } = findingWords(one, say);
      return [
        {
          key: collarKey(one),
          about: one.code,
          what,
          remedy: ways.join(' '),
          stage: readingStage(one.round),
        },
      ];
    }),
  ];
}

const readingStage = (round: number) => (round === 0 ? 'baseline' : 'measure');

/** The stage at which the figures in question are entered. */
function enteredAt(one: Contradiction, { rounds, current }: Analysis['state']): string {
  switch (one.about) {
    case 'weights':
      return rounds.some(({ pads }) => Object.keys(pads).length > 0) ? 'scales' : 'intake';
    case 'all-alike':
      return readingStage(current);
    case 'pair-apart':
      return 'baseline';
    case 'in-cm':
    case 'travel-used':
      return readingStage(one.round);
    case 'tyres-unlike':
    case 'tyre-not-as-wanted':
      return 'prep';
    case 'spring-of-twin':
    case 'preload':
    case 'floor-twice':
      return 'intake';
  }
}
