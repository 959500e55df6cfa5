import { BackupSection } from '../features/settings/BackupSection.tsx';
import { DataSection } from '../features/settings/DataSection.tsx';
import { DevicesSection } from '../features/settings/DevicesSection.tsx';
import { InstrumentsSection } from '../features/settings/InstrumentsSection.tsx';
import { LinksSection } from '../features/settings/LinksSection.tsx';
import { NewJobsSection } from '../features/settings/NewJobsSection.tsx';
import { ProgramSection } from '../features/settings/ProgramSection.tsx';
import { ShopSection } from '../features/settings/ShopSection.tsx';
import { UnitsSection } from '../features/settings/UnitsSection.tsx';
import { PartsNav } from '../ui/PartsNav.tsx';

const parts = [
  ['units', 'Units'],
  ['shop', 'The shop'],
  ['new-jobs', 'New jobs'],
  ['devices', 'Devices'],
  ['instruments', 'Instruments'],
  ['links', 'Links for customers'],
  ['backup', 'Backup'],
  ['data', 'Data in and out'],
  ['program', 'The program'],
] as const;

/** What is set once: for this device, and for the whole shop. */
export function SettingsPage() {
  return (
    <main className="mx-auto w-full max-w-[980px] px-6 py-5 narrow:px-4">
      <title>Settings · Margin</title>
      <h1 className="text-head font-semibold">Settings</h1>
      <PartsNav label="Parts of the settings" parts={parts} />
      <UnitsSection />
      <ShopSection />
      <NewJobsSection />
      <DevicesSection />
      <InstrumentsSection />
      <LinksSection />
      <BackupSection />
      <DataSection />
      <ProgramSection />
    </main>
  );
}
