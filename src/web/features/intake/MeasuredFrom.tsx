import { kindsOn, referenceKinds } from '#core/geometry/reference.ts';
import { isTurned } from '#core/kinds/adjusters/index.ts';
import { cornersIn, footingOf } from '#core/kinds/classes/index.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { pathWords } from '#words/fields.ts';
import { PathField } from '../../forms/fields.tsx';
import { TextField } from '../../forms/TextField.tsx';
import { useSides } from '../../jobStore/bothSides.tsx';
import { pathKey, valueAt } from '../../jobStore/draftKeys.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';
import { useSay } from '../../ui/settings.ts';
import { capital, cornerNumbers } from '../../ui/words.ts';
import { CornerRow, CornerTable } from '../sheet/CornerRow.tsx';
import { Panel } from '../sheet/Panel.tsx';
import { CaliperEnd } from './CollarParts.tsx';

/** Where tape and caliper are held. Its title says it, so that it need not be opened to be known. */
export function MeasuredFrom() {
  const { document } = useThisJob().record;
  const say = useSay(1);
  const ids = cornersIn(document);
  const kinds = [...new Set(ids.map((id) => referenceKinds[document.corners[id].reference.kind].title))];
  const offsets = [...new Set(ids.map((id) => document.corners[id].reference.offsetMm))];
  const [offset = 0] = offsets;
  const offsetWords =
    offsets.length > 1 ? 'offsets differ' : offset === 0 ? 'no offset' : `offset ${say(offset)}`;
  return (
    <Panel title="Where it is measured" words={`${kinds.join(', ')}; ${offsetWords}`}>
      <div data-fields>
        <CornerTable caption="Where it is measured" numbers>
          <CornerRow label="Height reference" help="what the tape is held against" paths={['reference.kind']}>
            {(id) => <Reference id={id} />}
          </CornerRow>
          <CornerRow
            label="Offset"
            help="added to the tape’s reading to reach the specified point"
            paths={['reference.offsetMm']}
          >
            {(id) => (
              <PathField path={['corners', id, 'reference', 'offsetMm']} order={80 + cornerNumbers[id]} />
            )}
          </CornerRow>
          {ids.some((id) => isTurned(document.corners[id].fitting)) && (
            <>
              <CornerRow label="Caliper goes from" help="to the collar" paths={['collar.grows']}>
                {(id) => <CaliperEnd id={id} />}
              </CornerRow>
              <CornerRow label="Collar datum" help="where the caliper is held" paths={['collar.datum']}>
                {(id) => <Datum id={id} />}
              </CornerRow>
              <CornerRow
                label="Second edge"
                help="where the first is out of reach once fitted: its name, and how it reads"
                paths={['second']}
              >
                {(id) => <SecondEdge id={id} />}
              </CornerRow>
            </>
          )}
        </CornerTable>
      </div>
    </Panel>
  );
}

function Reference({ id }: { id: CornerId }) {
  const job = useThisJob();
  const path = ['corners', id, 'reference', 'kind'];
  const words = capital(pathWords(path, useSides().named(id)));
  return (
    <Select
      label={words}
      look="w-full text-[13px] [font-stretch:72%]"
      value={job.record.document.corners[id].reference.kind}
      options={kindsOn(footingOf(job.record.document.machine.class)).map((kind) => ({
        value: kind,
        words: referenceKinds[kind].title,
      }))}
      onChange={(to) => job.actions.change(words, [path, to])}
    />
  );
}

function Datum({ id }: { id: CornerId }) {
  const job = useThisJob();
  const path = ['corners', id, 'collar', 'datum'];
  const words = capital(pathWords(path, useSides().named(id)));
  return (
    <TextField
      label={words}
      hideLabel
      value={valueAt(job.record.document, path) as string}
      draftKey={pathKey(job.record.id, path)}
      maxLength={80}
      onCommit={(value) => job.actions.change(words, [path, value])}
    />
  );
}

/** Another edge that the seat can be read from; left empty there is none. */
function SecondEdge({ id }: { id: CornerId }) {
  const job = useThisJob();
  const { second } = job.record.document.corners[id];
  const path = ['corners', id, 'second'];
  const where = useSides().named(id);
  const words = capital(pathWords(path, where));
  const set = (to: { datum: string; grows: 'with-seat' | 'against-seat' } | null) =>
    job.actions.change(words, [path, to]);
  return (
    <>
      <TextField
        label={words}
        hideLabel
        value={second?.datum ?? ''}
        draftKey={pathKey(job.record.id, path)}
        maxLength={80}
        placeholder="none"
        onCommit={(datum) => set(datum === '' ? null : { grows: 'with-seat', ...second, datum })}
      />
      {second && (
        <Select
          label={`${words}, as the seat goes towards the spring`}
          value={second.grows}
          options={[
            { value: 'with-seat', words: 'reads more towards the spring' },
            { value: 'against-seat', words: 'reads less towards the spring' },
          ]}
          onChange={(to) => set({ ...second, grows: to === 'with-seat' ? 'with-seat' : 'against-seat' })}
        />
      )}
    </>
  );
}
