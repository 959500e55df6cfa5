import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { MeasureLens } from './MeasureLens.tsx';
import type { Lens } from './lenses.ts';

const fromWords: Record<Lens['from'], string> = {
  sheet: 'measured with the printed sheet',
  file: 'as the picture’s file says',
  usual: 'as most tablets have',
  kept: 'as it was then',
};

/** What is known of the lens, and how it is measured. */
export function LensLine({ lens, camera }: { lens: Lens; camera: string }) {
  const [open, setOpen] = useState(false);
  return (
    <div>
      <p className="label">
        Lens as {lens.focal35Mm.toFixed(1)} mm on a 35 mm camera, ± {(100 * lens.sdShare).toFixed(1)} %,{' '}
        {fromWords[lens.from]}
        {lens.from === 'usual' && <AssumedMark />}
      </p>
      <Button look="quiet" onClick={() => setOpen(true)}>
        Measure this camera
      </Button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Measure this camera"
        description="Once for each camera: the printed sheet, seen from several sides, tells its lens."
      >
        <MeasureLens camera={camera} done={() => setOpen(false)} />
      </Dialog>
    </div>
  );
}
