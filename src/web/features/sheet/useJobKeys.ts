import { stagesOf, type Stage } from '#core/judgement/stages.ts';
import { useHotkeys } from 'react-hotkeys-hook';
import { useEffect } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { cornersIn } from '#core/kinds/classes/index.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { useUndoKeys } from '../../jobStore/useUndoKeys.ts';

/** The keys of the sheet. */
export function useJobKeys(job: Job, stage: Stage): void {
  const navigate = useNavigate();
  const go = (to: Stage | undefined) => to && void navigate(`/jobs/${job.record.id}/${to}`);
  // By the address and not by what is drawn: a second press may come before the stage is there.
  const step = (by: 1 | -1) => {
    const stages = stagesOf(job.record.document);
    const here = stages.indexOf(window.location.pathname.split('/').at(-1) as Stage);
    go(stages[here + by]);
  };
  const { state } = useLocation() as { state: { focus?: string } | null };
  // The fields are there once the stage is drawn.
  useEffect(() => {
    if (state?.focus !== 'reading') return;
    focusEmptyReading();
    // Once only: a reload must not move the focus again.
    void navigate('.', { replace: true, state: null });
  }, [state, navigate]);
  useHotkeys('BracketLeft', () => step(-1), [job]);
  useHotkeys('BracketRight', () => step(1), [job]);
  useHotkeys('1,2,3,4', (event) => focusCorner(job, Number(event.key)), { preventDefault: true }, [
    job,
    stage,
  ]);
  useHotkeys(
    'm',
    () => {
      const to: Stage = job.state.current > 0 || job.state.turning ? 'measure' : 'baseline';
      if (to === stage) focusEmptyReading();
      else void navigate(`/jobs/${job.record.id}/${to}`, { state: { focus: 'reading' } });
    },
    { preventDefault: true },
    [job, stage],
  );
  useHotkeys('b', () => void navigate(`/jobs/${job.record.id}/bay`), { preventDefault: true }, [
    job.record.id,
  ]);
  useHotkeys('s', openSum, { preventDefault: true });
  useUndoKeys(job.actions);
}

function focusCorner(job: Job, number: number): void {
  const id = cornersIn(job.record.document)[number - 1];
  const corner = document.querySelector(`[data-corner="${id}"]`);
  corner?.querySelector<HTMLElement>('input, button')?.focus();
}

function focusEmptyReading(): void {
  const fields = [...document.querySelectorAll<HTMLInputElement>('[data-fields] input[data-order]')];
  const inOrder = fields.sort((a, b) => Number(a.dataset.order) - Number(b.dataset.order));
  (inOrder.find((field) => field.value === '') ?? inOrder[0])?.focus();
}

/** The sum of the focused figure, else of the first on the sheet. */
function openSum(): void {
  const focused = document.activeElement;
  const figure = focused?.matches('[data-sum]') ? focused : document.querySelector('main [data-sum]');
  (figure as HTMLElement | null)?.click();
}
