import { lazy, Suspense, useState } from 'react';
import { MoreButton, type JobMenuProps } from './MoreButton.tsx';

const OpenedJobMenu = lazy(async () => ({
  default: (await import('./OpenedJobMenu.tsx')).OpenedJobMenu,
}));

/** What can be done with a whole job: its details, a copy, out of the way, back. The menu itself is not in the first load. */
export function JobMenu(props: JobMenuProps) {
  const [asked, setAsked] = useState(false);
  const closed = <MoreButton name={props.job.name} onClick={() => setAsked(true)} />;
  if (!asked) return closed;
  return (
    <Suspense fallback={closed}>
      <OpenedJobMenu {...props} />
    </Suspense>
  );
}
