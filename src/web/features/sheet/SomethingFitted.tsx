import { useState } from 'react';
import { useNavigate } from 'react-router';
import { afterFitting } from '#core/book/newFitting.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { axleOf, cornerNames, sideOf, twinOf, type Axle, type CornerId } from '#core/kinds/corners.ts';
import type { JobDocument } from '#core/document/types.ts';
import { newPartKinds, type NewPartKind } from '#core/kinds/newParts.ts';
import { isBySag } from '#core/planning/sagEnough.ts';
import { newPartNames } from '#words/newParts.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { TakeKit } from '../kits/TakeKit.tsx';
import { Button } from '../../ui/Button.tsx';
import { Select } from '../../ui/Select.tsx';
import { capital } from '../../ui/words.ts';

interface Choice {
  part: NewPartKind;
  axle: Axle;
}

type Side = 'both' | 'left' | 'right';

/** The corners that a part went in at: null for the whole end, which is also an end on the middle line. */
function cornersFor(axle: Axle, side: Side, document: JobDocument): (CornerId | null)[] {
  const one = cornersIn(document).find(
    (id) => axleOf(id) === axle && sideOf(id) === (side === 'left' ? 1 : -1),
  );
  return [side === 'both' || !one ? null : one];
}

/** What is put right has its own place: where it was found. */
const offered = newPartKinds.filter((part) => part !== 'right');

/** Something new goes in: what and where; then it is read as it stands with that, and believed. */
export function SomethingFitted() {
  const job = useThisJob();
  const navigate = useNavigate();
  const { document } = job.record;
  const axles = (['front', 'rear'] as const).filter((axle) =>
    cornersIn(document).some((id) => axleOf(id) === axle),
  );
  const [chosen, setChosen] = useState<readonly Choice[]>([]);
  const isOn = ({ part, axle }: Choice) => chosen.some((one) => one.part === part && one.axle === axle);
  const toggle = (choice: Choice) =>
    setChosen(
      isOn(choice)
        ? chosen.filter((one) => one.part !== choice.part || one.axle !== choice.axle)
        : [...chosen, choice],
    );
  const [side, setSide] = useState<Side>('both');
  const bySag = job.answer !== null && isBySag(job.answer);
  const begin = () => {
    const round = job.state.current + 1;
    const here = chosen.flatMap((choice) =>
      cornersFor(choice.axle, side, document).map((corner) => ({ ...choice, corner })),
    );
    const changes = afterFitting(document, job.state, here);
    job.actions.together(() => {
      if (changes.length > 0) job.actions.change('What went out is forgotten', ...changes);
      for (const { part, axle, corner } of here)
        job.actions.record(`New ${newPartNames[part]} in, ${corner ? cornerNames[corner] : axle}`, {
          kind: 'fitted',
          round,
          corner,
          slot: `${part}-${axle}`,
          part,
          axle,
          words: '',
          kit: null,
          moreMm: null,
        });
    });
    void navigate(`/jobs/${job.record.id}/${bySag ? 'sag' : 'measure'}`);
  };
  return (
    <div>
      <TakeKit />
      <p className="mt-4 mb-1 font-semibold">Or by itself</p>
      <PartsTable axles={axles} isOn={isOn} toggle={toggle} />
      {cornersIn(document).some((id) => twinOf(id) !== null) && (
        <label className="mt-3 block">
          <span className="label text-second block">On which side</span>
          <Select
            label="On which side"
            look="pr-2"
            value={side}
            options={[
              { value: 'both', words: 'both sides' },
              { value: 'left', words: 'the left alone' },
              { value: 'right', words: 'the right alone' },
            ]}
            onChange={(to) => setSide(to as Side)}
          />
        </label>
      )}
      <Button className="mt-3" disabled={chosen.length === 0} onClick={begin}>
        It is in: measure it as it stands
      </Button>
    </div>
  );
}

interface PartsProps {
  axles: readonly Axle[];
  isOn: (choice: Choice) => boolean;
  toggle: (choice: Choice) => void;
}

/** What may be new, by end. */
function PartsTable({ axles, isOn, toggle }: PartsProps) {
  return (
    <table>
      <thead className="label text-second">
        <tr>
          <th className="pr-6 text-left font-normal">what is new</th>
          {axles.map((axle) => (
            <th key={axle} className="px-3 font-normal">
              {axle}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {offered.map((part) => (
          <tr key={part} className="border-rule border-t">
            <th scope="row" className="pr-6 text-left font-normal">
              {capital(newPartNames[part])}
            </th>
            {axles.map((axle) => (
              <td key={axle} className="px-3 text-center">
                <label className="inline-flex size-8 cursor-pointer items-center justify-center">
                  <span className="sr-only">{`New ${newPartNames[part]}, ${axle}`}</span>
                  <input
                    type="checkbox"
                    checked={isOn({ part, axle })}
                    onChange={() => toggle({ part, axle })}
                    className="accent-action size-4"
                  />
                </label>
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
