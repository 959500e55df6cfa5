import { camPosition } from '#core/document/taken.ts';
import { positionText } from '#words/positions.ts';
import { Select } from '../../ui/Select.tsx';
import { springWay } from '#words/instruction.ts';
import { Link } from 'react-router';
import { seatBetween, type CornerSetting } from '#core/book/settings.ts';
import { cornerNames } from '#core/kinds/corners.ts';
import { cornersOf } from '#core/kinds/classes/index.ts';
import { AssumedMark } from '../job/AssumedMark.tsx';
import { Pressure } from '../job/MoveWords.tsx';
import { capital } from '../../ui/words.ts';
import { Length, SizeLength, Turns } from '../../ui/Figure.tsx';
import { useTell } from '../../ui/settings.ts';
import { pageWords, type BookMachine, type Page } from './machines.ts';
import { PutBack } from './PutBack.tsx';

interface Props {
  machine: BookMachine;
  /** The setting it is in, or any other to count from. */
  left: Page;
  /** The one it is held against; none where a machine has only one. */
  right: Page | null;
  choose: (side: 'from' | 'to', key: string) => void;
}

/** Two settings side by side, and what leads from the one to the other. */
export function Compare({ machine, left, right, choose }: Props) {
  const corners = cornersOf(left.job.machineClass);
  const newest = machine.pages[0];
  return (
    <section aria-label={`Settings of ${machine.name}`}>
      <h2 className="text-head font-semibold">{machine.name}</h2>
      <div className="mt-2 flex flex-wrap gap-x-6 gap-y-2">
        <Choice label="From" machine={machine} value={left.key} onChange={(key) => choose('from', key)} />
        {right && (
          <Choice label="To" machine={machine} value={right.key} onChange={(key) => choose('to', key)} />
        )}
      </div>
      <div className="overflow-x-auto">
        <table className="mt-4 w-full min-w-[620px]">
          <thead className="label text-second text-right">
            <tr>
              <th className="py-1 text-left font-normal">corner</th>
              <th className="font-normal">height</th>
              <th className="font-normal">set at</th>
              {right && (
                <>
                  <th className="font-normal">height then</th>
                  <th className="font-normal">set at then</th>
                  <th className="font-normal">to get there</th>
                </>
              )}
            </tr>
          </thead>
          <tbody>
            {corners.map((id) => {
              const [a, b] = [left.setting.corners[id], right?.setting.corners[id]];
              return (
                <tr key={id} className="border-rule border-t text-right">
                  <td className="py-1.5 text-left font-medium">{capital(cornerNames[id])}</td>
                  <td>
                    <Height setting={a} />
                  </td>
                  <td>
                    <SetAt setting={a} />
                  </td>
                  {right && (
                    <>
                      <td>
                        <Height setting={b} />
                      </td>
                      <td>
                        <SetAt setting={b} />
                      </td>
                      <td className="text-action font-semibold">
                        {a && b ? <Way from={a} to={b} sameJob={left.job.id === right.job.id} /> : '—'}
                      </td>
                    </>
                  )}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <RiderLine left={left} right={right} />
      <SkidLine left={left} right={right} />
      {!right && (
        <p className="text-second mt-3">
          One setting so far: the next round, or the next job on this machine, stands beside it here.
        </p>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-5">
        {right && newest?.key === left.key && <PutBack from={left} to={right} />}
        <Link
          to={`/jobs/${left.job.id}/next`}
          className="text-action font-semibold underline underline-offset-4"
        >
          Open {left.job.name}
        </Link>
      </div>
    </section>
  );
}

/** Where a skid's blocks and strap stood, then and now. */
function SkidLine({ left, right }: { left: Page; right: Page | null }) {
  const parts = (['blocks', 'strap'] as const).flatMap((part) => {
    const [a, b] = [left.setting[part], right?.setting[part] ?? null];
    if (a === null && b === null) return [];
    const name = part === 'blocks' ? 'Transfer blocks' : 'Limiter strap';
    return [`${name} ${a ?? 'not noted'}${right ? `, then ${b ?? 'not noted'}` : ''}`];
  });
  return parts.length === 0 ? null : <p className="mt-3">{parts.join('. ')}.</p>;
}

function Choice({
  label,
  machine,
  value,
  onChange,
}: {
  label: string;
  machine: BookMachine;
  value: string;
  onChange: (key: string) => void;
}) {
  return (
    <label>
      <span className="label text-second block">{label}</span>
      <Select
        look="max-w-full pr-2"
        value={value}
        options={machine.pages.map((page) => ({ value: page.key, words: pageWords(page) }))}
        onChange={onChange}
      />
    </label>
  );
}

function Height({ setting }: { setting: CornerSetting | undefined }) {
  if (setting?.sag)
    return (
      <>
        sag <Length mm={setting.sag.mm} decimals={0} />
        <span className="label text-second block">
          {setting.sag.who === 'alone' ? 'nobody on' : 'rider on'}
          {setting.sag.atShaft && ', at the shaft'}
        </span>
      </>
    );
  return !setting || setting.heightMm === null ? <>—</> : <Length mm={setting.heightMm} />;
}

/** Who was on while sag was read, then and now; nothing where nobody was. */
function RiderLine({ left, right }: { left: Page; right: Page | null }) {
  const tell = useTell();
  const words = (page: Page | null) => {
    const rider = page?.setting.rider ?? null;
    if (!rider) return null;
    const weight = rider.kg === null ? 'not weighed' : tell('mass', rider.kg);
    return `${rider.name}, ${weight}${rider.gearOn ? ' in full gear' : ', gear left off while reading'}`;
  };
  const [a, b] = [words(left), words(right)];
  if (a === null && b === null) return null;
  return (
    <p className="mt-3">
      {a === b || b === null ? `Sag with ${a ?? ''}.` : `Sag with ${a ?? 'nobody noted'}; then with ${b}.`}
    </p>
  );
}

function SetAt({ setting }: { setting: CornerSetting | undefined }) {
  if (!setting) return <>—</>;
  const { compression, rebound } = setting;
  return (
    <>
      <Adjuster setting={setting} />
      {(compression !== null || rebound !== null) && (
        <span className="label text-second block">
          clicks {compression ?? '—'} / {rebound ?? '—'}
        </span>
      )}
    </>
  );
}

const position = ({ cam, camHalves }: CornerSetting) =>
  `position ${positionText(camPosition({ halves: camHalves }, cam ?? 0))}`;

function Adjuster({ setting }: { setting: CornerSetting }) {
  if (setting.cam !== null) return <>{position(setting)}</>;
  if (setting.airBar !== null) return <Pressure bar={setting.airBar} />;
  if (setting.collarMm === null) return <>—</>;
  return (
    <>
      <SizeLength mm={setting.collarMm} />
      {!setting.collarRead && (
        <span
          className="label text-second block"
          title="carried from its last reading by what was turned since"
        >
          worked out, not read
        </span>
      )}
    </>
  );
}

function Way({ from, to, sameJob }: { from: CornerSetting; to: CornerSetting; sameJob: boolean }) {
  if (to.cam !== null && from.cam !== null) return <>{to.cam === from.cam ? 'leave' : position(to)}</>;
  if (to.airBar !== null && from.airBar !== null) {
    if (Math.abs(to.airBar - from.airBar) < 0.05) return <>leave</>;
    return (
      <>
        to <Pressure bar={to.airBar} />
      </>
    );
  }
  const mm = seatBetween(from, to, sameJob);
  const mountMm = sameJob ? to.mountMm - from.mountMm : 0;
  if (mm === null) return <span className="text-second font-normal">not known</span>;
  const turns = Math.abs(mm) >= from.pitchMm / 16;
  return (
    <>
      {turns && (
        <>
          <Turns turns={mm / from.pitchMm} /> {springWay(mm)}
          {from.pitchAssumed && <AssumedMark />}
        </>
      )}
      {mountMm !== 0 && (
        <>
          {turns && ', '}mount <SizeLength mm={Math.abs(mountMm)} /> {mountMm > 0 ? 'out' : 'in'}
        </>
      )}
      {!turns && mountMm === 0 && 'leave'}
    </>
  );
}
