import { collarKey } from '#core/findings/collars.ts';
import { contradictionKey } from '#core/findings/contradictions.ts';
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
          <Button look="quiet" className="print:hidden" onClick={() => isRight(question)}>
            It is right
          </Button>
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
}

function askedIn({ questions, findings }: Analysis, say: Say): Question[] {
  return [
    ...questions.map((one) => ({
      key: contradictionKey(one),
      about: one.about,
      ...contradictionWords(one, say),
    })),
    ...findings.flatMap((one): Question[] => {
      if (one.code !== 'collar-elsewhere') return [];
      const { what, ways } = findingWords(one, say);
      return [{ key: collarKey(one), about: one.code, what, remedy: ways.join(' ') }];
    }),
  ];
}
