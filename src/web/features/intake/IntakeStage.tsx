import { useMemo, useState } from 'react';
import { classDefaults } from '#core/kinds/classes/index.ts';
import type { Axle } from '#core/kinds/corners.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Asked } from '../finding/Asked.tsx';
import { SaveFile } from '../job/SaveFile.tsx';
import { ApartContext } from '../sheet/alike.ts';
import { Footer, NextLink } from '../sheet/Footer.tsx';
import { AdjustersSection } from './AdjustersSection.tsx';
import { BackTogether } from './BackTogether.tsx';
import { FittedSection } from './FittedSection.tsx';
import { GoalSetter } from './GoalSetter.tsx';
import { JobFields } from './JobFields.tsx';
import { MachineRows } from './MachineRows.tsx';
import { MeasuredFrom } from './MeasuredFrom.tsx';
import { RoomSection } from './RoomSection.tsx';

/** What is wanted, what is fitted, where it is measured. Everything not given is assumed for the class and says so. */
export function IntakeStage() {
  const { record } = useThisJob();
  const [axles, setAxles] = useState<ReadonlySet<Axle>>(new Set());
  const apart = useMemo(
    () => ({
      axles,
      show: (axle: Axle, on: boolean) =>
        setAxles((now) => new Set(on ? [...now, axle] : [...now].filter((one) => one !== axle))),
    }),
    [axles],
  );
  return (
    <ApartContext value={apart}>
      <Asked />
      <div className="flex flex-1 flex-col px-4 pt-3 pb-6">
        <MachineRows />
        <JobFields />
        <div className="mt-4">
          <GoalSetter />
          <MeasuredFrom />
          <AdjustersSection />
          <FittedSection />
          <RoomSection />
          <BackTogether />
        </div>
      </div>
      <Footer>
        <p className="text-second min-w-[250px] flex-1">
          Grey is assumed for a {classDefaults[record.document.machine.class].title}: type over it.
          <TaughtBy />
        </p>
        <SaveFile />
        <NextLink from="intake" />
      </Footer>
    </ApartContext>
  );
}

/** Where ratios come from an earlier job on the same machine. */
function TaughtBy() {
  const { learnt } = useThisJob().record.document.machine;
  return learnt && <> Its ratios are as {learnt.from} taught them.</>;
}
