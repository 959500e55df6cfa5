import type { CornerId } from '#core/kinds/corners.ts';
import type { Measure } from '#core/vision/measures.ts';
import { lengthText } from '#core/units/formatLength.ts';
import { PathField } from '../../forms/fields.tsx';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useLengthStyle } from '../../ui/settings.ts';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { LIP_SD_MM, USUAL_LIP_OUT_MM } from './useReading.ts';

/** Bead seat to outer lip, both sides: what a rim is larger across its lips than it is called. */
const LIPS_MM = 35;

/** What is known of the wheel: the rim, which is the ruler, and how far what is measured to stands out of it. */
export function WheelFields({ id, measure }: { id: CornerId; measure: Measure }) {
  const { lipOutMm } = useThisJob().record.document.corners[id];
  const style = useLengthStyle(0);
  return (
    <div className="flex flex-col gap-2">
      <PathField path={['corners', id, 'rimMm']} label="Rim from lip to lip" showLabel order={1} />
      <p className="label text-second">
        Taped across the wheel, edge to edge: about {lengthText(LIPS_MM, style)} more than the size it is
        called.
      </p>
      <PathField
        path={['corners', id, 'lipOutMm']}
        label={measure === 'marks' ? 'Marks stand out of the rim by' : 'Arch stands out of the rim by'}
        showLabel
        order={2}
        placeholder={lengthText(USUAL_LIP_OUT_MM, style)}
      />
      {lipOutMm === null && (
        <p className="label">
          {lengthText(USUAL_LIP_OUT_MM, style)} ± {lengthText(LIP_SD_MM.usual, style)}
          <AssumedMark />
        </p>
      )}
    </div>
  );
}
