import type { Draft } from '../jobStore/drafts.ts';

/** What has to be corrected or cleared before going on: where, what is wrong, and what would be right. */
export function RefusedNote({ refused }: { refused: readonly Draft[] }) {
  return (
    <ul role="alert" className="text-short list-none pb-1">
      {refused.map(({ label, text, refused: why }) => (
        <li key={`${label}${text}`}>
          <b>{label}:</b> {why} Correct it or clear it to go on.
        </li>
      ))}
    </ul>
  );
}
