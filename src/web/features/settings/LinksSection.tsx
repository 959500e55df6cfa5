import { faultOf } from '../../api/faultOf.ts';
import { useGivenSheets } from '../../api/sheets.ts';
import { Fault } from '../../ui/Fault.tsx';
import { GivenList } from '../given/GivenList.tsx';
import { Section } from './Section.tsx';

/** Sheets that customers can open. */
export function LinksSection() {
  const { data, error } = useGivenSheets(null);
  return (
    <Section id="links" title="Links for customers">
      {data && !data.possible && (
        <p className="mt-2">
          None are given out: the server does not know under what address customers come. How to name it
          stands in docs/operations.md.
        </p>
      )}
      {data?.possible && data.sheets.length === 0 && (
        <p className="mt-2">None can be opened. A handover sheet is given out from the sheet itself.</p>
      )}
      {data && <GivenList sheets={data.sheets} />}
      <Fault words={error && faultOf(error)} />
    </Section>
  );
}
