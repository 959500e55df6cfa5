import { useThisJob } from '../../jobStore/jobContext.ts';
import { assumedOf } from '#core/document/description/assumed.ts';
import { ratioFrom } from '#core/document/description/parts.ts';
import { ratioTaken } from '#core/document/taken.ts';
import type { GainGroup } from '#core/estimate/corner.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { axleOf } from '#core/kinds/corners.ts';
import type { Json } from '#core/document/types.ts';
import { priors } from '#core/estimate/prior.ts';
import { usableMap } from '#core/geometry/ratioMap.ts';
import { limits } from '#contract/limits.ts';
import { ArmLengths } from '../../drawing/ArmLengths.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { Plain } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';
import { useNewRows } from '../../forms/newRows.ts';

const angle = ratioFrom.of.levers.damperAngleDeg;

const LENGTHS = [
  { key: 'damperLeverMm', label: 'Pivot to damper' },
  { key: 'wheelLeverMm', label: 'Pivot to wheel' },
] as const;

/** The ratio of an axle by two lengths on its arm, which need no jack: good to about 5 %. */
export function ArmRatio({ group, order }: { group: GainGroup; order: number }) {
  const job = useThisJob();
  const { document } = job.record;
  const axle = axleOf(group.id);
  const own = cornersIn(document).filter((id) => axleOf(id) === axle);
  const from = document.corners[group.id].ratioFrom;
  const arm = from?.kind === 'levers' ? from : null;
  const put = (next: Json) =>
    job.actions.change(
      `Motion ratio by the arm, ${group.title}`,
      ...own.map((id): [string[], Json] => [['corners', id, 'ratioFrom'], next]),
    );
  const begun = useNewRows(
    `${job.record.id}|arm-${axle}`,
    LENGTHS.map(({ key }) => key),
    (fields) => put({ kind: 'levers', damperAngleDeg: null, ...fields }),
  );
  const row = begun.rows[0];
  const set = (key: string, value: number | null) => {
    if (arm) put(value === null ? null : { ...arm, [key]: value });
    else if (row) begun.set(row.id, key, value);
    else begun.add({ [key]: value });
  };
  const ratio = arm && usableMap(ratioTaken(arm), 100);
  ratio?.evaluate(50);
  return (
    <details open={arm !== null || row !== undefined} className="mt-3">
      <summary className="text-action label min-h-8 font-semibold">
        or by two lengths on the arm, without a jack: good to about 5 %
      </summary>
      <ArmLengths />
      <div className="relative grid grid-cols-3 items-end gap-x-3">
        {LENGTHS.map(({ key, label }, k) => (
          <NumberField
            key={key}
            label={`${label}, ${group.title}`}
            showLabel
            draftKey={`${job.record.id}|arm-${axle}.${key}`}
            quantity="size"
            decimals={1}
            range={limits.springMm}
            order={order + k}
            value={arm?.[key] ?? ((row?.fields[key] ?? null) as number | null)}
            onCommit={(value) => set(key, value)}
          />
        ))}
        {arm && (
          <NumberField
            label={`Damper to arm, °, ${group.title}`}
            showLabel
            draftKey={`${job.record.id}|arm-${axle}.damperAngleDeg`}
            quantity="number"
            decimals={0}
            range={angle.range}
            order={order + 2}
            value={arm.damperAngleDeg}
            assumed={assumedOf(angle)}
            onCommit={(value) => put({ ...arm, damperAngleDeg: value })}
          />
        )}
      </div>
      {ratio && (
        <p className="mt-5" data-testid={`arm-ratio-${axle}`}>
          {capital(group.title)}: motion ratio ≈{' '}
          <b>
            <Plain value={ratio.slope} decimals={2} />
          </b>{' '}
          ± <Plain value={ratio.slope * priors.armRatio} decimals={2} /> by the arm
        </p>
      )}
    </details>
  );
}
