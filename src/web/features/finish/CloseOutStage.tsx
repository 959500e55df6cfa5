import { notYetWords } from '#words/notYet.ts';
import { byCorner } from '#core/planning/answerShape.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { cornerHeight, hasTaught } from '#core/figures/cornerHeight.ts';
import { cautionList } from '#words/cautions.ts';
import { goodEnough, notYet } from '#core/planning/enough.ts';
import { gainGroups } from '#core/estimate/corner.ts';
import { factAt } from '#core/document/facts.ts';
import { axleOf, cornerNames } from '#core/kinds/corners.ts';
import { cornersIn } from '#core/kinds/classes/index.ts';
import { chanceSum, collarSum, gainSum, heightNowSum, offSum } from '#words/explain/cornerSums.ts';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { limits } from '#contract/limits.ts';
import { startNextJob } from '../job/nextJob.ts';
import type { Job } from '../../jobStore/useJob.ts';
import { capital } from '../../ui/words.ts';
import { MeasuredLength } from '../../ui/FigureKinds.tsx';
import { SumFigure } from '../sums/SumFigure.tsx';
import { useSettings } from '../../ui/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { Length, SizeLength, Plain } from '../../ui/Figure.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { Cautions } from '../turn/Cautions.tsx';
import { unreadCautions } from '../turn/cautionsRead.ts';
import { CloseOutSections } from './CloseOutSections.tsx';
import { Footer, NextLink } from '../sheet/Footer.tsx';

/** Where it ended, what was learnt, and the lock. */
export function CloseOutStage() {
  const job = useThisJob();
  const { answer, state } = job;
  const system = useSettings((one) => one.system);
  const taught = gainGroups(job.record.document).filter(
    ({ id }) => answer !== null && hasTaught(answer, axleOf(id)),
  );
  return (
    <div className="flex flex-1 flex-col">
      <div className="px-4 py-5">
        <h2 className="text-head font-semibold">{headline(job)}</h2>
        <Heights />
        {answer && state.current > 0 && taught.length > 0 && (
          <p className="mt-4">
            Learnt here, kept with the machine:{' '}
            {taught.map((group, i) => (
              <span key={group.id}>
                {i > 0 && ', '}
                {group.title}{' '}
                <SumFigure name={`Wheel per seat, ${group.title}`} sum={() => gainSum(group, answer)}>
                  ≈{' '}
                  <b>
                    <Plain value={answer.posterior.gains[group.id]?.now.mean ?? 0} decimals={2} />
                  </b>{' '}
                  ± <Plain value={answer.posterior.gains[group.id]?.now.sd ?? 0} decimals={2} /> {system} per{' '}
                  {system} of seat
                </SumFigure>
              </span>
            ))}
            .
          </p>
        )}
      </div>
      <CloseOutSections />
      <Cautions title="Before it goes out" list={cautionList('close-out', job.record.document)} />
      <div className="flex-1" />
      <Footer>
        <Lock />
      </Footer>
    </div>
  );
}

function headline({ answer, state }: Job): string {
  if (state.locked) return 'Locked at these heights.';
  if (!answer || answer.chanceNow === null) return 'Nothing to close yet: it needs targets and readings.';
  if (goodEnough(answer)) return 'In tolerance. Lock every ring and tighten the bushes at this height.';
  return `${capital(notYetWords(notYet(answer)))}.`;
}

function Heights() {
  const job = useThisJob();
  const { answer } = job;
  if (!answer) return null;
  return (
    <table className="mt-4 w-full max-w-xl">
      <thead className="label text-second text-left">
        <tr>
          <th className="py-1 font-normal">corner</th>
          <th className="py-1 text-right font-normal">height</th>
          <th className="py-1 text-right font-normal">target</th>
          <th className="py-1 text-right font-normal">off by</th>
          <th className="py-1 text-right font-normal">collar reads</th>
        </tr>
      </thead>
      <tbody>
        {cornersIn(job.record.document).flatMap((id) => {
          const corner = byCorner(answer)[id];
          if (!corner) return [];
          const { measured } = cornerHeight(answer, id);
          const { targetMm } = corner.spec;
          const off = targetMm === null || !measured ? null : measured.value - targetMm;
          const out = off !== null && Math.abs(off) > answer.tolerance.value;
          return [
            <tr key={id} className="border-rule border-t">
              <td className="py-1.5">{capital(cornerNames[id])}</td>
              <td className="py-1.5 text-right font-semibold">
                {measured ? (
                  <SumFigure
                    name={`Measured height, ${cornerNames[id]}`}
                    sum={() => heightNowSum(corner, answer)}
                  >
                    <MeasuredLength figure={measured} className="" />
                  </SumFigure>
                ) : (
                  <span className="text-second font-normal">not measured yet</span>
                )}
              </td>
              <td className="py-1.5 text-right">{targetMm === null ? '—' : <Length mm={targetMm} />}</td>
              <td className={`py-1.5 text-right ${out ? 'text-short font-semibold' : ''}`}>
                {off === null ? (
                  '—'
                ) : (
                  <SumFigure name={`Off by, ${cornerNames[id]}`} sum={() => offSum(corner, answer)}>
                    <Length mm={off} signed />
                  </SumFigure>
                )}
                {out && ' out'}
              </td>
              <td className="py-1.5 text-right">
                {corner.collarMm === null ? (
                  '—'
                ) : (
                  <SumFigure name={`Collar reads, ${cornerNames[id]}`} sum={() => collarSum(corner, answer)}>
                    <SizeLength mm={corner.collarMm} />
                  </SumFigure>
                )}
                {corner.collarMm !== null &&
                  answer.state.rounds[answer.state.current]?.collars[id] === undefined && (
                    <span className="label text-second"> by what was turned</span>
                  )}
              </td>
            </tr>,
          ];
        })}
      </tbody>
    </table>
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

/** A machine that comes back is measured again: what its springs have lost is learnt, and put right if it matters. */
function BackFromTheRoad() {
  const job = useThisJob();
  const navigate = useNavigate();
  const [km, setKm] = useState<number | null>(null);
  const begin = () => {
    const place = { kind: 'driven' as const, round: job.state.current + 1, corner: null, slot: 'km' };
    job.actions.record('Back from the road', { ...place, km: km ?? 0 });
    void navigate(`/jobs/${job.record.id}/measure`);
  };
  return (
    <div data-fields className="relative flex items-end gap-2">
      <NumberField
        className="w-28"
        label="Driven since, km"
        showLabel
        order={1}
        quantity="number"
        decimals={0}
        range={limits.recheckKm}
        draftKey={`${job.record.id}|back.km`}
        value={km}
        onCommit={setKm}
      />
      <Button onClick={begin} disabled={km === null}>
        It is back: recheck
      </Button>
    </div>
  );
}

function Lock() {
  const job = useThisJob();
  const { answer, state, actions } = job;
  const place = { kind: 'locked' as const, round: state.current, corner: null, slot: 'locked' };
  if (state.locked) {
    const at = job.facts.find(({ fact }) => fact.kind === 'locked')?.at;
    return (
      <>
        <p>
          Locked{at ? ` on ${new Date(at).toLocaleDateString(undefined, { dateStyle: 'long' })}` : ''}.
          Recheck after 150 to 500 km: new springs settle and lock rings walk.
        </p>
        <BackFromTheRoad />
        <NextJob />
        <Button onClick={() => actions.clear('Opened again', place)}>Open again</Button>
      </>
    );
  }
  const sure = answer ? goodEnough(answer) : false;
  const unread = unreadCautions(job, 'close-out').length;
  return (
    <>
      {answer && answer.chanceNow !== null && (
        <p className="font-semibold">
          <SumFigure name="Chance that all are in" sum={() => chanceSum(answer, 'now')}>
            {Math.round(answer.chanceNow * 100)} in 100 that all heights are within{' '}
            <SizeLength mm={answer.tolerance.value} />
          </SumFigure>
        </p>
      )}
      {unread > 0 && (
        <p className="text-tight label">
          {unread} {unread === 1 ? 'caution' : 'cautions'} not ticked as read.
        </p>
      )}
      <span className="ml-auto flex flex-wrap items-center gap-x-4 gap-y-2">
        {!sure && <NextLink from="close-out" />}
        <Button
          look={sure ? 'main' : 'plain'}
          disabled={!answer || factAt(job.facts, place) !== undefined}
          onClick={() => actions.record('Locked', place)}
        >
          {sure ? 'Lock it' : 'Lock it as it is'}
        </Button>
      </span>
    </>
  );
}
