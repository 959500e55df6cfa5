import { Link } from 'react-router';
import { TermPicture } from '../drawing/TermPicture.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { isDrawn } from '#words/glossary.ts';
import { useShownTerm } from '../ui/shownTerm.ts';

/** What a word of the trade means, over the page it was asked on. */
export function TermDialog() {
  const { entry, show } = useShownTerm();
  const close = () => show(null);
  return (
    <Dialog open={entry !== null} onClose={close} title={entry?.term ?? ''}>
      {entry && (
        <div className="flex flex-wrap items-start gap-x-5 gap-y-3">
          <div className="min-w-0 flex-1 basis-64">
            {entry.also.length > 0 && <p className="text-second">also: {entry.also.join(', ')}</p>}
            {entry.means.map((sentence) => (
              <p key={sentence} className="mt-1">
                {sentence}
              </p>
            ))}
            <Link
              to={`/help#${entry.id}`}
              onClick={close}
              className="text-action mt-3 inline-flex min-h-8 items-center font-semibold underline underline-offset-4"
            >
              All words
            </Link>
          </div>
          {isDrawn(entry.id) && <TermPicture term={entry.id} />}
        </div>
      )}
    </Dialog>
  );
}
