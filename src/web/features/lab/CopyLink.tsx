import { Link2 } from 'lucide-react';
import { useState } from 'react';
import type { LabSetup } from '#core/lab/setup.ts';
import { Button } from '../../ui/Button.tsx';
import { toLink } from './labLink.ts';

/** Puts a link to exactly these setups on the clipboard; shows it where that is not allowed. */
export function CopyLink({ setups }: { setups: LabSetup[] }) {
  const [copied, setCopied] = useState<LabSetup[] | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const copy = async () => {
    const link = `${location.origin}/stack?s=${toLink(setups)}`;
    try {
      await navigator.clipboard.writeText(link);
      setCopied(setups);
    } catch {
      setShown(link);
    }
  };
  return (
    <>
      <Button onClick={() => void copy()}>
        <Link2 size={15} aria-hidden className="mr-1 inline" />
        {copied === setups ? 'Link copied' : 'Copy link'}
      </Button>
      {shown && (
        <input
          readOnly
          aria-label="Link to these setups"
          value={shown}
          onFocus={(event) => event.target.select()}
          className="border-rule h-9 w-64 border px-2"
        />
      )}
    </>
  );
}
