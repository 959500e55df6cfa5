import { positionText } from '#words/positions.ts';
import { areAnglesAssumed, camDegrees, camPosition, withHalves } from '#core/document/taken.ts';
import type { Json } from '#core/document/types.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { pathKey } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';
import { cornerNumbers } from '../../ui/words.ts';
import type { CamPart } from './adjusterParts.ts';

interface Props {
  id: CornerId;
  /** The corner, or its axle where both sides are told at once. */
  name: string;
  change: (label: string, ...parts: [string[], Json][]) => void;
  showLabel?: boolean;
}

/** One of the figures that a cam's positions are entered by. */
export function CamField({
  id,
  name,
  change,
  showLabel = false,
  part,
  k,
}: Props & { part: CamPart; k: number }) {
  const job = useThisJob();
  const { torsion, cam } = job.record.document.corners[id];
  if (!torsion) return null;
  const { label, range, read, write } = part;
  return (
    <NumberField
      label={`${label}, ${name}`}
      showLabel={showLabel}
      order={230 + 10 * k + cornerNumbers[id]}
      draftKey={`${pathKey(job.record.id, ['corners', id, 'torsion'])}.cams.${k}`}
      quantity="number"
      decimals={1}
      range={range}
      value={torsion.camDegrees === null ? null : read(numbered(torsion, torsion.camDegrees))}
      assumed={read(numbered(torsion, camDegrees(torsion)))}
      onCommit={(value) => {
        const whole = numbered(torsion, camDegrees(torsion));
        const next = value === null ? null : withHalves(torsion.halves, write(whole, value));
        const positions = camDegrees({ ...torsion, camDegrees: next }).length;
        change(
          `${label}, ${name}`,
          [['corners', id, 'torsion'], { ...torsion, camDegrees: next }],
          [['corners', id, 'cam'], cam === null ? null : Math.min(cam, positions - 1)],
        );
      }}
    />
  );
}

/** The positions that have a number, without the halves between them. */
const numbered = ({ halves }: { halves: boolean }, degrees: readonly number[]) =>
  halves ? degrees.filter((_, k) => k % 2 === 0) : degrees;

/** Whether it stands half way between its numbers too. */
export function CamHalves({ id, name, change }: Props) {
  const { torsion, cam } = useThisJob().record.document.corners[id];
  if (!torsion) return null;
  const put = (halves: boolean) => {
    const degrees = withHalves(halves, numbered(torsion, camDegrees(torsion)));
    // It stays where it stands; where it stood at a half that is no more, it is asked again.
    const whole = cam === null || cam % 2 === 1 ? null : cam / 2;
    const place = halves && cam !== null ? 2 * cam : whole;
    change(
      `Half positions, ${name}`,
      [['corners', id, 'torsion'], { ...torsion, halves, camDegrees: torsion.camDegrees && degrees }],
      [['corners', id, 'cam'], place],
    );
  };
  return (
    <label className="flex min-h-9 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="accent-action size-4"
        checked={torsion.halves}
        onChange={(event) => put(event.target.checked)}
        aria-label={`Half positions, ${name}`}
      />
      half positions
    </label>
  );
}

/** Which of its positions a cam stands at. */
export function CamStands({ id, name, change, showLabel = false }: Props) {
  const { torsion, cam } = useThisJob().record.document.corners[id];
  if (!torsion) return null;
  // Counted alone, its positions are still at usual angles.
  const usual = areAnglesAssumed(torsion);
  return (
    <>
      {showLabel && (
        <span aria-hidden className="label text-second block">
          Stands at
        </span>
      )}
      <Select
        label={`Cam stands at, ${name}`}
        value={cam === null ? '' : String(cam)}
        options={[
          ...(cam === null ? [{ value: '', words: 'not said: 1 assumed' }] : []),
          ...camDegrees(torsion).map((degrees, k, all) => ({
            value: String(k),
            words: `position ${positionText(camPosition(torsion, k))} of ${camPosition(torsion, all.length - 1)}${usual ? '' : `, ${degrees}°`}`,
          })),
        ]}
        onChange={(value) => change(`Cam stands at, ${name}`, [['corners', id, 'cam'], Number(value)])}
      />
    </>
  );
}
