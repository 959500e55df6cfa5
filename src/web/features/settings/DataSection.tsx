import { Link } from 'react-router';
import { OpenFiles } from '../data/OpenFiles.tsx';
import { Section } from './Section.tsx';

/** Everything out as open files, and in again. */
export function DataSection() {
  return (
    <Section id="data" title="Data in and out">
      <p className="mt-2">
        Every job is a file that can be read without Margin, with its pictures in it. Deleted jobs are left
        out.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <a
          href="/api/export"
          download
          className="border-rule hover:bg-wash inline-flex h-10 items-center border px-4"
        >
          Save all jobs (zip)
        </a>
        <OpenFiles label="Open job files or a zip" />
      </div>
      <p className="text-second mt-3">
        Springs come and go as a CSV in the{' '}
        <Link to="/rack" className="underline">
          rack
        </Link>
        , kits as files under{' '}
        <Link to="/kits" className="underline">
          Kits
        </Link>
        .
      </p>
    </Section>
  );
}
