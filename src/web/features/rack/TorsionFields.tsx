import {
  plainTorsion,
  torsionRateOf,
  torsionSides,
  type RackSpring,
  type RackTorsion,
} from '#core/rack/spring.ts';
import { limits } from '#contract/limits.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { Select } from '../../ui/Select.tsx';
import type { RackEdits } from './useRackEdits.ts';

/** What makes a spring of the rack a torsion spring, and what such a spring has. */
export function TorsionFields({ spring, edits }: { spring: RackSpring; edits: RackEdits }) {
  const { torsion } = spring;
  const put = (part: Partial<RackTorsion>) =>
    edits.edit(spring, { torsion: { ...(torsion ?? plainTorsion), ...part } });
  const worked = torsionRateOf(spring);
  return (
    <div data-fields className="relative flex flex-wrap items-end gap-x-5 gap-y-2 pb-2">
      <label className="flex min-h-9 cursor-pointer items-center gap-2">
        <input
          type="checkbox"
          className="accent-action size-4"
          aria-label={`Torsion spring, ${spring.name}`}
          checked={torsion !== null}
          onChange={(event) => edits.edit(spring, { torsion: event.target.checked ? plainTorsion : null })}
        />
        torsion spring of a skid
      </label>
      {torsion && (
        <>
          <NumberField
            className="w-44"
            label={`Torsion rate of one, ${spring.name}`}
            showLabel
            order={1}
            draftKey={`rack.${spring.id}.torsion.rate`}
            quantity="torsion"
            range={limits.torsionRate}
            value={torsion.rateNMmPerDeg}
            placeholder={worked?.computed ? 'from wire, coils, inner' : 'give it, or wire, coils and inner'}
            onCommit={(rateNMmPerDeg) => put({ rateNMmPerDeg })}
          />
          <NumberField
            className="w-36"
            label={`Leg, ${spring.name}`}
            showLabel
            order={2}
            draftKey={`rack.${spring.id}.torsion.leg`}
            quantity="size"
            range={limits.springMm}
            value={torsion.legMm}
            placeholder="as on the sled"
            onCommit={(legMm) => put({ legMm })}
          />
          <Select
            label={`Side, ${spring.name}`}
            value={torsion.side}
            options={torsionSides.map((side) => ({
              value: side,
              words: side === 'pair' ? 'left and right, a pair' : `${side} only`,
            }))}
            onChange={(side) => put({ side: side as RackTorsion['side'] })}
          />
        </>
      )}
    </div>
  );
}
