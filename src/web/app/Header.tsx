import { SlidersHorizontal } from 'lucide-react';
import { Link } from 'react-router';
import { HeaderSlot } from '../ui/headerSlot.tsx';
import { useSettings } from '../ui/settings.ts';
import { ReachNotice } from './ReachNotice.tsx';
import { UnsentNotice } from './UnsentNotice.tsx';

interface Props {
  onFind: () => void;
  onKeys: () => void;
  onUnits: () => void;
}

/** The line over every screen: what the page writes there, what is unsent, units, colours, help. */
export function Header({ onFind, onKeys, onUnits }: Props) {
  const { theme, toggleTheme } = useSettings();
  return (
    <header className="border-rule flex min-h-14 flex-wrap items-center gap-x-5 gap-y-1 border-b px-6 py-1.5 narrow:px-4">
      <Link
        to="/"
        className="text-[20px] font-extrabold [font-stretch:118%]"
        aria-label="Margin, to the jobs"
      >
        Margin
      </Link>
      <div className="border-rule flex min-w-0 flex-1 items-center border-l pl-4 narrow:order-last narrow:w-full narrow:flex-none narrow:border-l-0 narrow:pl-0">
        <HeaderSlot.Target />
      </div>
      <ReachNotice />
      <UnsentNotice />
      <Units onUnits={onUnits} />
      <div className="text-second flex items-center gap-4 print:hidden">
        <button type="button" onClick={toggleTheme} className="min-h-8">
          {theme === 'day' ? 'Night' : 'Day'}
        </button>
        <button type="button" onClick={onFind} className="min-h-8">
          <kbd className="border-rule mr-1 border px-1 font-sans text-[13px]">/</kbd>Find
        </button>
        <Link to="/settings" className="grid min-h-8 place-items-center narrow:hidden">
          Settings
        </Link>
        <Link to="/help" className="grid min-h-8 place-items-center">
          Help
        </Link>
        <button type="button" onClick={onKeys} className="min-h-8 max-lg:hidden">
          <kbd className="border-rule mr-1 border px-1 font-sans text-[13px]">?</kbd>Keys
        </button>
      </div>
    </header>
  );
}

function Units({ onUnits }: { onUnits: () => void }) {
  const { system, setSystem } = useSettings();
  return (
    <div className="flex items-center gap-4 print:hidden" role="group" aria-label="Units">
      {(['mm', 'in'] as const).map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={system === one}
          onClick={() => setSystem(one)}
          className={`min-h-8 px-1 ${system === one ? 'border-action border-b-2 font-semibold' : 'text-second border-b-2 border-transparent'}`}
        >
          {one}
        </button>
      ))}
      <button
        type="button"
        aria-label="Units of each quantity"
        aria-haspopup="dialog"
        onClick={onUnits}
        className="text-second -ml-3 grid size-8 place-items-center narrow:hidden"
      >
        <SlidersHorizontal size={16} aria-hidden />
      </button>
    </div>
  );
}
