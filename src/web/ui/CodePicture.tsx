import { toDataURL } from 'qrcode';
import { useEffect, useState } from 'react';

/** An address as a code that a camera reads. */
export function CodePicture({ address, words }: { address: string; words: string }) {
  const [picture, setPicture] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    void toDataURL(address, { margin: 2, width: 240 }).then((made) => here && setPicture(made));
    return () => {
      here = false;
    };
  }, [address]);
  return picture && <img src={picture} width={240} height={240} alt={words} />;
}
