import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { FileButton } from '../../ui/FileButton.tsx';

interface Props {
  /** What the lens is held as high as. */
  asHighAs: string;
  onFile: (file: File) => void;
  onCamera: () => void;
  /** Another way to a picture, where there is one. */
  children?: ReactNode;
}

/** How the pictures are taken, and where they come from. */
export function BeforePicture({ asHighAs, onFile, onCamera, children }: Props) {
  return (
    <div className="bg-wash flex flex-col items-start gap-3 p-6">
      <p className="text-head font-semibold">Three pictures of the wheel</p>
      <ol className="list-decimal pl-5">
        <li>Wheels straight ahead, and nothing before the wheel.</li>
        <li>Stand square to it, about two steps away.</li>
        <li>Hold the lens as high as the {asHighAs}, and still.</li>
        <li>Have the whole wheel and the {asHighAs} in the picture.</li>
      </ol>
      {children}
      <div className="flex flex-wrap gap-2">
        <Button look={children ? 'plain' : 'main'} onClick={onCamera}>
          Use the camera
        </Button>
        <FileButton
          label="Open a picture"
          accept="image/jpeg,image/png,image/webp"
          onFiles={([file]) => file && onFile(file)}
        />
      </div>
      <p className="label text-second">
        A picture from a file does not say how the camera was held. Hang the{' '}
        <Link to="/marks" className="text-action underline underline-offset-4">
          printed sheet
        </Link>{' '}
        by its upper edge beside the wheel, so that it is in the picture.
      </p>
    </div>
  );
}
