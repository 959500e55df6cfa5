import { useKits } from '../../api/kits.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { TakeKit } from '../kits/TakeKit.tsx';
import { FittedHere } from '../sheet/FittedHere.tsx';
import { Panel } from '../sheet/Panel.tsx';

/** A job that begins with a kit just put in: nothing of it stands here while the shop keeps none. */
export function KitRow() {
  const { record, state } = useThisJob();
  const { data } = useKits();
  const some = (data?.kits ?? []).some(
    ({ kit: { classes } }) => classes.length === 0 || classes.includes(record.document.machine.class),
  );
  if ((state.rounds[0]?.fitted.length ?? 0) > 0)
    return (
      <div className="-mx-4">
        <FittedHere round={0} />
      </div>
    );
  if (!some) return null;
  return (
    <Panel title="A kit was just put in" words="its sheet gives springs, start places and targets">
      <TakeKit />
    </Panel>
  );
}
