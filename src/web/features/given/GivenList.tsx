import type { GivenSheet } from '#contract/api.ts';
import { faultOf } from '../../api/faultOf.ts';
import { useTakeBack } from '../../api/sheets.ts';
import { Button } from '../../ui/Button.tsx';
import { Fault } from '../../ui/Fault.tsx';
import { dayWords } from '#words/day.ts';

/** Links that can be opened: of what, since when and how long; each can be taken back. */
export function GivenList({ sheets }: { sheets: readonly GivenSheet[] }) {
  const takeBack = useTakeBack();
  return (
    <>
      <ul>
        {sheets.map(({ id, title, createdAt, expiresAt }) => (
          <li
            key={id}
            className="border-rule flex min-h-11 flex-wrap items-center gap-x-4 border-t first:border-t-0"
          >
            <span className="min-w-40 flex-1 font-semibold">{title}</span>
            <span className="text-second">
              given out {dayWords(createdAt)}, opens until {dayWords(expiresAt)}
            </span>
            <Button
              look="quiet"
              aria-label={`Take back, ${title}`}
              disabled={takeBack.isPending}
              onClick={() => takeBack.mutate(id)}
            >
              Take back
            </Button>
          </li>
        ))}
      </ul>
      <Fault words={takeBack.error && faultOf(takeBack.error)} />
    </>
  );
}
