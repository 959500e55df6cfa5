import { recheckAfter } from '#words/recheck.ts';
import { useUnitsOf } from '../../ui/settings.ts';
import { dayWords } from '#words/day.ts';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Answer } from '#core/planning/answerShape.ts';
import { percent } from '#words/figures.ts';
import { limits } from '#contract/limits.ts';
import { chanceSum } from '#words/explain/cornerSums.ts';
import { TextField } from '../../forms/TextField.tsx';
import { analysisOf } from '../../jobStore/analysisOf.ts';
import { useDrafts } from '../../jobStore/drafts.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Button } from '../../ui/Button.tsx';
import { SizeLength } from '../../ui/Figure.tsx';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { startNextJob } from '../job/nextJob.ts';
import { NextLink } from '../sheet/Footer.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';
import { MeasureAgain } from '../sheet/MeasureAgain.tsx';
import { Panel } from '../sheet/Panel.tsx';
import { SomethingFitted } from '../sheet/SomethingFitted.tsx';
import { unreadCautions } from '../turn/cautionsRead.ts';

/** The lock: open to be closed, or closed with what may come after it. */
export function Lock() {
  const job = useThisJob();
  return job.state.locked ? <Locked /> : <ToLock />;
}

function Locked() {
  const job = useThisJob();
  const { state, actions } = job;
  const place = { kind: 'locked' as const, round: state.current, corner: null, slot: 'locked' };
  const entry = job.facts.find(({ fact }) => fact.kind === 'locked');
  const day = entry && dayWords(entry.at);
  const distance = useUnitsOf('distance');
  return (
    <>
      <p>
        Locked{day ? ` on ${day}` : ''}
        {entry?.fact.remark ? `, with points open: ${entry.fact.remark}` : ''}. Recheck after{' '}
        {recheckAfter[distance]}: new springs settle and lock rings walk.
      </p>
      <MeasureAgain />
      <Panel title="Something new goes in" words="it is read again, and believed">
        <SomethingFitted />
      </Panel>
      <NextJob />
      <Button onClick={() => actions.clear('Reopened', place)}>Reopen</Button>
    </>
  );
}

/** Whoever asked to lock it types the reason next. */
function focusField(place: HTMLElement | null): void {
  place?.querySelector<HTMLElement>('input, textarea')?.focus();
}

/** How likely it is that all that is wanted is met: heights in tolerance, or sags in their windows. */
function ChanceOf({ answer }: { answer: Answer }) {
  const bySag = answer.corners.every(({ spec }) => spec.targetMm === null);
  return (
    <>
      {percent(answer.chanceNow ?? 0)} chance that{' '}
      {bySag ? (
        'every sag is as wanted'
      ) : (
        <>
          all heights are within <SizeLength mm={answer.tolerance.value} />
          {answer.tolerance.source === 'assumed' && <AssumedMark />}
        </>
      )}
    </>
  );
}

/** With points open a reason is asked for, kept with the lock and printed. */
function ToLock() {
  const job = useThisJob();
  const { answer, state, actions } = job;
  const [reason, setReason] = useState('');
  const [asking, setAsking] = useState(false);
  const [asked, setAsked] = useState(false);
  const unread = unreadCautions(job, 'close-out').length;
  const { openPoints } = analysisOf(job.record);
  const clear = answer !== null && answer.chanceNow !== null && openPoints.length === 0;
  const draftKey = `${job.record.id}|lock.reason`;
  const draft = useDrafts((state) => state.drafts[draftKey]?.text);
  const isAsked = !clear && answer !== null && (asking || draft !== undefined);
  const lock = () => {
    if (!clear && !isAsked) {
      setAsking(true);
      return;
    }
    const typed = (draft ?? reason).trim();
    setAsked(typed === '');
    if (!clear && typed === '') return;
    useDrafts.getState().clearDraft(draftKey);
    const place = { kind: 'locked' as const, round: state.current, corner: null, slot: 'locked' };
    actions.record('Locked', clear ? place : { ...place, remark: typed });
  };
  return (
    <>
      {answer && answer.chanceNow !== null && (
        <p className="font-semibold">
          <SumFigure name="Chance that all are in" sum={() => chanceSum(answer, 'now')}>
            <ChanceOf answer={answer} />
          </SumFigure>
        </p>
      )}
      {unread > 0 && (
        <p className="text-tight label">
          {unread} {unread === 1 ? 'caution' : 'cautions'} not ticked as read.
        </p>
      )}
      <span className="ml-auto flex flex-wrap items-end gap-x-4 gap-y-2">
        {isAsked && (
          <div className="w-72" ref={asking ? focusField : undefined}>
            <TextField
              label="Why it goes out all the same"
              draftKey={draftKey}
              value={reason}
              maxLength={limits.labelLength}
              onCommit={setReason}
            />
            {asked && (
              <p role="alert" className="label text-short">
                Say why first: it is printed with the open points.
              </p>
            )}
          </div>
        )}
        {!clear && <NextLink from="close-out" />}
        <Button look={clear ? 'main' : 'plain'} disabled={!answer} onClick={lock}>
          {clear ? 'Lock it' : 'Lock it as it is'}
        </Button>
      </span>
    </>
  );
}

/** The same machine, back in the bay: its description as it stands, with what was learnt. */
function NextJob() {
  const job = useThisJob();
  const navigate = useNavigate();
  const start = () => {
    const id = startNextJob(job);
    if (id) void navigate(`/jobs/${id}/intake`);
  };
  return (
    <Button className="ml-auto" onClick={start}>
      Next job on this machine
    </Button>
  );
}
