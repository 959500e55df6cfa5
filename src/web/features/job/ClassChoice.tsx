import { classDefaults, type MachineClass } from '#core/kinds/classes/index.ts';

interface Props {
  classes: readonly MachineClass[];
  current: MachineClass;
  onChoose: (machineClass: MachineClass) => void;
}

/** Which kind of machine it is. */
export function ClassChoice({ classes, current, onChoose }: Props) {
  return (
    <div role="radiogroup" aria-label="Machine class" className="flex flex-wrap gap-2">
      {classes.map((one) => (
        <button
          key={one}
          type="button"
          role="radio"
          aria-checked={one === current}
          onClick={() => onChoose(one)}
          className={`min-h-9 border px-3 ${one === current ? 'border-action text-action bg-sheet border-2 font-semibold' : 'border-second/60'}`}
        >
          {classDefaults[one].title}
        </button>
      ))}
    </div>
  );
}
