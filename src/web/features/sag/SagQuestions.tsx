import { isAtShaft } from '#core/sag/atShaft.ts';
import { useState } from 'react';
import { limits } from '#contract/limits.ts';
import { ASSUMED_RIDER_KG } from '#core/document/riders.ts';
import { sidesOf, type GainGroup } from '#core/estimate/corner.ts';
import { sagWish } from '#core/document/sagWish.ts';
import { NumberField } from '../../forms/NumberField.tsx';
import { useRefusedDrafts } from '../../jobStore/drafts.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { useLengthStyle } from '../../ui/settings.ts';
import { capital } from '../../ui/words.ts';
import { FittingChoice } from '../intake/FittingChoice.tsx';
import { ReferenceChoice } from '../intake/ReferenceChoice.tsx';
import {
  firstSag,
  groupName,
  isMostlySet,
  notYetAsked,
  sagGroups,
  usualWho,
  usualAsRead,
  type EndAsked,
} from './firstSag.ts';

/** Before anything is read: who rides it, which ends are set, how each is read and what is wanted there. */
export function SagQuestions() {
  const job = useThisJob();
  const { document } = job.record;
  const { system } = useLengthStyle();
  const [kg, setKg] = useState<number | null>(null);
  const groups = sagGroups(document);
  const [said, setSaid] = useState<Record<string, EndAsked>>({});
  const wished = groups.filter(({ id }) => sagWish(document, id) !== null);
  const ends = Object.fromEntries(
    groups.map((group) => {
      const { id } = group;
      const set = wished.length === 0 ? isMostlySet(group) : wished.includes(group);
      return [id, said[id] ?? { set, who: usualWho(document, id), from: null, to: null }];
    }),
  );
  const refused = useRefusedDrafts(job.record.id);
  const missing =
    refused.length > 0 ? 'Put right what is marked above.' : notYetAsked(document, ends, system);
  const put = () => job.actions.change('Who rides it, and what is set', ...firstSag(document, { kg, ends, system })); // oxfmt-ignore
  const isRidden = groups.some(({ id }) => ends[id]?.set && ends[id].who === 'rider');
  return (
    <div data-fields className="p-6 narrow:p-4">
      <h2 className="text-head font-semibold">Who rides it, and what is set?</h2>
      <p className="text-second mt-1 max-w-[60ch]">
        One end alone is a whole job. All of it can be changed later.
      </p>
      {isRidden && (
        <NumberField
          className="mt-4 w-44"
          label="Rider in full gear"
          showLabel
          order={1}
          draftKey={`${job.record.id}|first-rider`}
          quantity="mass"
          range={limits.riderKg}
          value={kg}
          assumed={ASSUMED_RIDER_KG}
          onCommit={setKg}
        />
      )}
      <ul className="mt-4">
        {groups.map((group, k) => (
          <End
            key={group.id}
            group={group}
            asked={ends[group.id] as EndAsked}
            order={10 + 10 * k}
            onSay={(asked) => setSaid({ ...said, [group.id]: asked })}
          />
        ))}
      </ul>
      <div className="border-rule flex flex-wrap items-center gap-4 border-t pt-4">
        <Button look="main" disabled={missing !== null} onClick={put}>
          Continue
        </Button>
        {missing !== null && <p className="text-second">{missing}</p>}
      </div>
      {isRidden && document.machine.massKg !== null && (
        <p className="label text-second mt-4 max-w-[60ch]">
          The weight entered for this machine is taken with the rider on. The weight without the rider
          replaces it.
        </p>
      )}
    </div>
  );
}

interface EndProps {
  group: GainGroup;
  asked: EndAsked;
  order: number;
  onSay: (asked: EndAsked) => void;
}

/** One end: set or not, from where to where it is read, with whom on, and between what its sag should lie. */
function End({ group, asked, order, onSay }: EndProps) {
  const job = useThisJob();
  const { document } = job.record;
  const { system } = useLengthStyle();
  const name = groupName(group);
  const usual = usualAsRead(document, group.id, asked.who, system);
  const where = isAtShaft(document, group.id) ? ' at the shaft' : '';
  const edge = (end: 'from' | 'to', k: number) => (
    <NumberField
      className="w-40"
      label={`${capital(end)}${where}, ${name}`}
      showLabel
      order={order + k}
      draftKey={`${job.record.id}|first-${end}-${group.id}`}
      quantity="length"
      decimals={1}
      range={limits.sagMm}
      value={asked[end]}
      {...(usual ? { assumed: end === 'from' ? usual.fromMm : usual.toMm } : {})}
      onCommit={(mm) => onSay({ ...asked, [end]: mm })}
    />
  );
  return (
    <li className="border-rule border-t py-3">
      <label className="flex min-h-9 cursor-pointer items-center gap-2 font-semibold">
        <input
          type="checkbox"
          className="accent-action size-5"
          checked={asked.set}
          onChange={(event) => onSay({ ...asked, set: event.target.checked })}
        />
        {capital(name)}
      </label>
      {asked.set && (
        <div className="relative mt-1 flex flex-wrap items-end gap-x-6 gap-y-3 pl-7 narrow:pl-0">
          <div>
            <span className="label text-second block">Read by</span>
            <ReferenceChoice label={`Read by, ${name}`} corners={sidesOf(group)} />
          </div>
          <div>
            <span className="label text-second block">Set with</span>
            <Select
              label={`Set with, ${name}`}
              value={asked.who}
              options={[
                { value: 'rider', words: 'the rider on' },
                { value: 'alone', words: 'nobody on' },
              ]}
              onChange={(who) =>
                onSay({ ...asked, who: who === 'alone' ? 'alone' : 'rider', from: null, to: null })
              }
            />
          </div>
          <FittingChoice id={group.id} axle={name} />
          {edge('from', 0)}
          {edge('to', 1)}
        </div>
      )}
    </li>
  );
}
