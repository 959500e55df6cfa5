import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { FileButton } from '../../ui/FileButton.tsx';

interface Props {
  /** Between two marks, where the printed sheet can be the scale, or over a wheel. */
  marks: boolean;
  onFile: (file: File) => void;
  onCamera: () => void;
  /** Another way to a picture, where there is one. */
  children?: ReactNode;
}

const OVER_A_WHEEL = [
  'Wheels straight ahead, and nothing before the wheel.',
  'Stand square to it, about two steps away.',
  'Hold the lens as high as the arch, and still.',
  'Have the whole wheel and the arch in the picture.',
];

const BETWEEN_MARKS = [
  'Fix the printed sheet flat beside the marks, as far out as they are.',
  'Stand square to it, about two steps away, and hold still.',
  'Have both marks and the whole sheet in the picture.',
  'Then point at both marks.',
];

/** How the pictures are taken, and where they come from. */
export function BeforePicture({ marks, onFile, onCamera, children }: Props) {
  return (
    <div className="bg-wash flex flex-col items-start gap-3 p-6">
      <p className="text-head font-semibold">Three pictures of the {marks ? 'marks' : 'wheel'}</p>
      <ol className="list-decimal pl-5">
        {(marks ? BETWEEN_MARKS : OVER_A_WHEEL).map((step) => (
          <li key={step}>{step}</li>
        ))}
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
        {!marks && 'A picture from a file does not say how the camera was held. '}
        <Link to="/marks" className="text-action underline underline-offset-4">
          The printed sheet
        </Link>{' '}
        {marks
          ? 'is the scale where no wheel is, or its rim was not measured.'
          : 'does: hang it by its upper edge beside the wheel, so that it is in the picture.'}
      </p>
    </div>
  );
}
