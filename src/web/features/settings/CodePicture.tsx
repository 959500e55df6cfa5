import { toDataURL } from 'qrcode';
import { useEffect, useState } from 'react';

/** A code for one device: its camera reads the address, which lets it in once. */
export function CodePicture({ secret, minutes }: { secret: string; minutes: number }) {
  const [picture, setPicture] = useState<string | null>(null);
  const address = `${window.location.origin}/pair#${secret}`;
  useEffect(() => {
    let here = true;
    void toDataURL(address, { margin: 2, width: 240 }).then((made) => here && setPicture(made));
    return () => {
      here = false;
    };
  }, [address]);
  return (
    <div className="mt-3 flex flex-wrap items-center gap-5">
      {picture && <img src={picture} width={240} height={240} alt="Code that a tablet’s camera reads" />}
      <p className="max-w-80">
        Film this with the tablet’s camera and open what it finds. It lets in one device, and counts for{' '}
        {minutes} minutes. Whoever has it is in: show it to nobody else.
      </p>
    </div>
  );
}
