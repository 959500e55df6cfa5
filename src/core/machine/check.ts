import { checkRatio } from '../geometry/ratioMap.ts';
import { ratioMap } from '../geometry/ratioMap.ts';
import { FaultList, type Checked, type Fault } from '../faults.ts';
import { checkAir } from '../springs/air.ts';
import { checkGas } from '../springs/gas.ts';
import { checkStack } from '../springs/stack.ts';
import { checkTorsion } from '../springs/torsion.ts';
import type { ContactDescription, MachineDescription } from './description.ts';

const PLACE = { min: -2e4, max: 2e4 };

/** Checks a whole machine: every number, every table, and that its contacts can carry a body. */
export function checkMachine(machine: MachineDescription): Checked<MachineDescription> {
  const faults = new FaultList();
  checkContacts(machine.contacts, faults);
  if (machine.masses.length < 1 || machine.masses.length > 100)
    faults.add('masses', machine.masses, { be: 'count', of: 'masses', least: 1, most: 100 });
  machine.masses.forEach((mass, i) => {
    faults.number(`masses[${i}].kg`, mass.kg, { min: 0, max: 1e5 });
    faults.number(`masses[${i}].x`, mass.x, PLACE);
    faults.number(`masses[${i}].y`, mass.y, PLACE);
  });
  checkBars(machine, faults);
  return faults.faults.length === 0 ? { ok: true, value: machine } : { ok: false, faults: faults.faults };
}

function checkContacts(contacts: readonly ContactDescription[], faults: FaultList): void {
  if (contacts.length < 2 || contacts.length > 12)
    faults.add('contacts', contacts, { be: 'count', of: 'contacts', least: 2, most: 12 });
  contacts.forEach((contact, i) => {
    for (const fault of checkContact(`contacts[${i}]`, contact)) faults.faults.push(fault);
    if (contacts.findIndex(({ name }) => name === contact.name) !== i)
      faults.add(`contacts[${i}].name`, contact.name, { be: 'own-name' });
  });
  if (faults.faults.length === 0) checkFooting(contacts, faults);
}

/** On one line along the machine it stands like a bike; on any other line it falls over. */
function checkFooting(contacts: readonly ContactDescription[], faults: FaultList): void {
  const [first] = contacts as [ContactDescription];
  const far = contacts.reduce((best, one) => (apart(first, one) > apart(first, best) ? one : best), first);
  const length = apart(first, far);
  const off = Math.max(
    ...contacts.map((one) =>
      Math.abs((far.x - first.x) * (one.y - first.y) - (far.y - first.y) * (one.x - first.x)),
    ),
  );
  if (length < 100) faults.add('contacts', undefined, { be: 'contacts-apart', withinMm: Math.round(length) });
  else if (off / length < 1 && contacts.some(({ y }) => Math.abs(y - first.y) > 1e-6))
    faults.add('contacts', undefined, { be: 'contacts-not-in-line' });
}

function apart(a: ContactDescription, b: ContactDescription): number {
  return Math.hypot(a.x - b.x, a.y - b.y);
}

/** Every fault of one contact. */
export function checkContact(path: string, contact: ContactDescription): Fault[] {
  const faults = new FaultList();
  faults.number(`${path}.x`, contact.x, PLACE);
  faults.number(`${path}.y`, contact.y, PLACE);
  faults.number(`${path}.preloadMm`, contact.preloadMm, { min: -1000, max: 2000 });
  faults.number(`${path}.tyreRateNPerMm`, contact.tyreRateNPerMm, { min: 1, max: 1e6 });
  faults.number(`${path}.unsprungKg`, contact.unsprungKg, { min: 0, max: 5000 });
  faults.number(`${path}.padMm`, contact.padMm, { min: -1000, max: 1000 });
  if (!faults.number(`${path}.travelMm`, contact.travelMm, { min: 0, above: true, max: 3000 }))
    return faults.faults;
  checkRatio(`${path}.ratio`, contact.ratio, contact.travelMm, faults);
  if (contact.springRatio) checkRatio(`${path}.springRatio`, contact.springRatio, contact.travelMm, faults);
  if (faults.faults.length > 0) return faults.faults;
  const map = ratioMap(contact.ratio, contact.travelMm);
  map.evaluate(contact.travelMm);
  if (!(map.slope > 0)) faults.add(`${path}.ratio`, map.slope, { be: 'growing-ratio' });
  const strokeMm = map.value;
  checkSprings(path, contact, strokeMm, faults);
  if (contact.gas) checkGas(`${path}.gas`, contact.gas, strokeMm, faults);
  if (contact.stop) {
    faults.number(`${path}.stop.contactMm`, contact.stop.contactMm, { min: 0, max: 3000 });
    faults.growing(`${path}.stop.rows`, contact.stop.rows, 'squeeze-force');
  }
  if (contact.topOut) {
    faults.number(`${path}.topOut.rateNPerMm`, contact.topOut.rateNPerMm, { min: 0, max: 1e5 });
    faults.number(`${path}.topOut.lengthMm`, contact.topOut.lengthMm, { min: 0, max: 500 });
  }
  return faults.faults;
}

function checkSprings(
  path: string,
  { springs, preloadMm }: ContactDescription,
  strokeMm: number,
  faults: FaultList,
): void {
  switch (springs.kind) {
    case 'stack': {
      for (const fault of checkStack(`${path}.springs.stack`, springs.stack)) faults.faults.push(fault);
      const solid = springs.stack.springs.reduce((sum, { solidMm }) => sum + (solidMm ?? Infinity), 0);
      if (Number.isFinite(preloadMm) && preloadMm >= solid)
        faults.add(`${path}.preloadMm`, preloadMm, { be: 'not-solid-yet', solidMm: solid });
      return;
    }
    case 'torsion':
      checkTorsion(`${path}.springs.torsion`, springs.torsion, faults);
      if (!Number.isInteger(springs.cam) || springs.torsion.camDegrees[springs.cam] === undefined)
        faults.add(`${path}.springs.cam`, springs.cam, {
          be: 'cam-position',
          last: springs.torsion.camDegrees.length - 1,
        });
      return;
    case 'air':
      checkAir(`${path}.springs.air`, springs.air, strokeMm, faults);
      if (preloadMm !== 0) faults.add(`${path}.preloadMm`, preloadMm, { be: 'no-preload-of-air' });
      return;
    default:
      faults.add(`${path}.springs.kind`, (springs as { kind: unknown }).kind, {
        be: 'one-of',
        values: ['stack', 'torsion', 'air'],
      });
  }
}

function checkBars({ bars, contacts }: MachineDescription, faults: FaultList): void {
  bars.forEach((bar, i) => {
    faults.number(`bars[${i}].rateNPerMm`, bar.rateNPerMm, { min: 0, max: 1e5 });
    faults.number(`bars[${i}].offsetMm`, bar.offsetMm, { min: -500, max: 500 });
    bar.between.forEach((name, k) => {
      if (!contacts.some((contact) => contact.name === name))
        faults.add(`bars[${i}].between[${k}]`, name, { be: 'name-of-a-contact' });
    });
    if (bar.between[0] === bar.between[1])
      faults.add(`bars[${i}].between`, bar.between[0], { be: 'two-contacts' });
  });
}
