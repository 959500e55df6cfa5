import { filledIn } from '#words/filledIn.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { lengthsAt, ratioFromLengths, type RatioSlot } from '#core/estimate/measuredRatio.ts';
import { isRatioUnsaid } from '#core/estimate/ratioBelief.ts';
import { axleOf, type CornerId } from '#core/kinds/corners.ts';
import { gainGroups, type GainGroup } from '#core/estimate/corner.ts';
import { limits } from '#contract/limits.ts';
import { ratioFaultWords } from '#words/suspension.ts';
import { StandingHanging } from '../../drawing/StandingHanging.tsx';
import { ArmRatio } from './ArmRatio.tsx';
import { FactField } from '../../forms/fields.tsx';
import { SizeLength, Plain } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { useSay, useSettings } from '../../ui/settings.ts';

const ROWS = [
  { what: 'wheel', title: 'Hub to arch' },
  { what: 'damper', title: 'Damper, eye to eye' },
] as const;

/** Whether any axle's ratio is only guessed: then measuring it is the strongest thing that can be done. */
export function isRatioGuessed({ record, state }: Job): boolean {
  return gainGroups(record.document).some(({ id }) =>
    isRatioUnsaid(record.document, id, state.measuredRatio),
  );
}

/** Measuring the ratio of each axle while the machine goes up anyway: two heights and two damper lengths. */
export function MeasureRatio() {
  const job = useThisJob();
  const section = useRef<HTMLDetailsElement>(null);
  const { hash } = useLocation();
  const asked = hash === '#ratio';
  useEffect(() => {
    if (asked) section.current?.scrollIntoView({ block: 'start' });
  }, [asked]);
  const groups = gainGroups(job.record.document);
  const read = job.facts.some(({ fact }) => fact.kind === 'ratio-length');
  return (
    <details ref={section} open={asked || read} className="border-rule mx-4 mt-3 border-t py-2">
      <summary className="text-action min-h-8 font-semibold">
        Measure the motion ratio while it goes up: good to about 3 %
      </summary>
      <div data-fields className="mt-2 grid gap-x-8 gap-y-4 md:grid-cols-2">
        {groups.map((group, k) => (
          <AxleRatio key={group.id} group={group} order={100 + 10 * k} />
        ))}
      </div>
      <p className="label text-second mt-2">
        Read both on one side, standing on its wheels after rolling it, then with the wheel hanging free.
        Instead of eye to eye the exposed shaft does as well.
      </p>
    </details>
  );
}

function AxleRatio({ group, order }: { group: GainGroup; order: number }) {
  const say = useSay(0);
  const job = useThisJob();
  const lengths = lengthsAt(job.facts, group.id);
  const result = ratioFromLengths(lengths);
  const difference = (what: 'wheel' | 'damper') => {
    const [a, b] = [lengths[`${what}-standing`], lengths[`${what}-hanging`]];
    return a === undefined || b === undefined ? null : b - a;
  };
  const system = useSettings((one) => one.system);
  const field = (slot: RatioSlot, label: string, at: number) => (
    <FactField
      place={{ kind: 'ratio-length', round: 0, corner: group.id as CornerId, slot }}
      label={`${label}, ${group.title}`}
      order={order + at}
      range={limits.heightMm}
    />
  );
  return (
    <section aria-label={`Motion ratio, ${group.title}`} className="min-w-0">
      <h3 className="font-semibold">{capital(group.title)}</h3>
      <StandingHanging leg={axleOf(group.id) === 'front' && group.id === 'FW'} />
      <div className="relative grid grid-cols-[120px_1fr_1fr_72px] items-end gap-x-3 gap-y-2 max-lg:grid-cols-[1fr_1fr_72px]">
        <span className="max-lg:hidden" />
        <span className="label text-second">standing</span>
        <span className="label text-second">hanging</span>
        <span className="label text-second">difference</span>
        {ROWS.map(({ what, title }, k) => {
          const by = difference(what);
          return (
            <div key={what} className="contents">
              <span className="pb-2 font-medium max-lg:col-span-3 max-lg:pb-0">{title}</span>
              {field(`${what}-standing`, `${title} standing`, 2 * k)}
              {field(`${what}-hanging`, `${title} hanging`, 2 * k + 1)}
              <span className="pb-2">{by === null ? '—' : <SizeLength mm={by} />}</span>
            </div>
          );
        })}
      </div>
      <ArmRatio group={group} order={order + 5} />
      {typeof result === 'string' && (
        <p role="alert" className="text-short mt-2">
          {filledIn(ratioFaultWords[result], say)}
        </p>
      )}
      {result !== null && typeof result !== 'string' && (
        <p className="mt-2 text-[18px]" data-testid={`ratio-${axleOf(group.id)}`}>
          Motion ratio ≈{' '}
          <b>
            <Plain value={result.ratio} decimals={2} />
          </b>{' '}
          ± <Plain value={result.ratio * result.sd} decimals={2} />{' '}
          <span className="label text-second">
            measured: 1 {system} of seat moves the wheel <Plain value={1 / result.ratio} decimals={2} />{' '}
            {system}
          </span>
        </p>
      )}
    </section>
  );
}
