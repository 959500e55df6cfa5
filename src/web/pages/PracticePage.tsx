import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { machineClasses, classDefaults, type MachineClass } from '#core/kinds/classes/index.ts';
import { practiceLevels, type PracticeLevel } from '#core/practiceKinds.ts';
import { levelWords } from '#words/practice.ts';
import { faultOf } from '../api/faultOf.ts';
import { useBeginPractice } from '../api/practice.ts';
import { PracticeLines } from '../features/practice/PracticeLines.tsx';
import { DayChallenge } from '../features/practice/DayChallenge.tsx';
import { Button } from '../ui/Button.tsx';
import { Fault } from '../ui/Fault.tsx';
import { HeaderSlot } from '../ui/headerSlot.tsx';
import { Select } from '../ui/Select.tsx';
import { capital } from '../ui/words.ts';

/** Where machines are drawn to practise on: what is true of them comes out at the end. */
export function PracticePage() {
  return (
    <main className="mx-auto w-full max-w-[1232px] flex-1 px-6 py-5 narrow:px-4">
      <title>Practice · Margin</title>
      <HeaderSlot.Fill>
        <h1 className="font-semibold">Practice</h1>
      </HeaderSlot.Fill>
      <p className="max-w-[70ch]">
        A machine rolls in that nobody knows. Read it, turn it, let it down and read again, by your own
        judgement first. Then with the plan. At the end the truth opens: what it really was, and what each
        move really did.
      </p>
      <NewMachine />
      <div className="mt-6 grid grid-cols-2 gap-x-10 gap-y-6 max-lg:grid-cols-1">
        <DayChallenge />
        <section aria-label="Lessons">
          <h2 className="border-rule text-head border-b pb-1 font-semibold">Lessons</h2>
          <p className="mt-2">
            Fifteen ideas of the trade, one at a time, five minutes each, each with something to move.{' '}
            <Link to="/lessons" className="text-action font-semibold underline underline-offset-4">
              To the lessons
            </Link>
          </p>
        </section>
      </div>
      <PracticeLines />
    </main>
  );
}

function NewMachine() {
  const navigate = useNavigate();
  const [level, setLevel] = useState<PracticeLevel>('first-day');
  const [machineClass, setClass] = useState<MachineClass | 'any'>('any');
  const begin = useBeginPractice();
  const draw = () =>
    begin.mutate(
      { id: crypto.randomUUID(), level, machineClass: machineClass === 'any' ? null : machineClass },
      { onSuccess: ({ id }) => void navigate(`/practice/${id}`) },
    );
  return (
    <section aria-label="New machine" className="mt-4">
      <div
        role="radiogroup"
        aria-label="Level"
        className="grid grid-cols-5 gap-3 max-lg:grid-cols-2 narrow:grid-cols-1"
      >
        {practiceLevels.map((one) => (
          <button
            key={one}
            type="button"
            role="radio"
            aria-checked={one === level}
            onClick={() => setLevel(one)}
            className={`flex flex-col items-start border px-3 py-2 text-left ${one === level ? 'border-action bg-sheet -m-px border-2' : 'border-second/60'}`}
          >
            <span className={`text-head font-semibold ${one === level ? 'text-action' : ''}`}>
              {levelWords[one].title}
            </span>
            <span className="text-second">{levelWords[one].words}</span>
          </button>
        ))}
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-4">
        <label>
          <span className="label text-second block">Machine</span>
          <Select
            value={machineClass}
            options={[
              { value: 'any', words: 'Any' },
              ...machineClasses.map((value) => ({ value, words: capital(classDefaults[value].title) })),
            ]}
            onChange={(to) => setClass(to as MachineClass | 'any')}
          />
        </label>
        <Button look="main" className="min-h-11" disabled={begin.isPending} onClick={draw}>
          Roll it in
        </Button>
      </div>
      <Fault words={begin.error && faultOf(begin.error)} />
    </section>
  );
}
