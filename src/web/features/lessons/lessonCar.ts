import { plainSetting } from '#core/machine/corner.ts';
import type { ContactDescription, MachineDescription } from '#core/machine/description.ts';
import { equilibrium } from '#core/machine/equilibrium.ts';

const G = 9.80665;

const contact = (name: string, x: number, y: number): ContactDescription => ({
  name,
  axle: x > 0 ? 'front' : 'rear',
  x,
  y,
  travelMm: 200,
  ratio: { kind: 'constant', ratio: 1 },
  springRatio: null,
  springs: {
    kind: 'stack',
    stack: { springs: [{ kind: 'linear', rateNPerMm: 30, solidMm: null }], rings: [] },
  },
  preloadMm: 10,
  gas: null,
  stop: null,
  topOut: null,
  tyreRateNPerMm: 220,
  unsprungKg: 30,
  padMm: 0,
});

const car: MachineDescription = {
  contacts: [
    contact('LF', 1300, 750),
    contact('RF', 1300, -750),
    contact('LR', -1300, 750),
    contact('RR', -1300, -750),
  ],
  masses: [{ name: 'machine', kg: 1080, x: 0, y: 0 }],
  bars: [],
};

export interface CarStand {
  /** Body over each wheel, against the car with nothing turned, mm. */
  riseMm: number[];
  padKg: number[];
  /** Share of the weight on front right and rear left. */
  cross: number;
}

/** A plain car with its seats turned so far, mm each: by the same mechanics as any job. */
export function standCar(seatsMm: readonly number[], before: readonly number[] = [0, 0, 0, 0]): CarStand {
  const at = (seats: readonly number[]) =>
    equilibrium(
      car,
      seats.map((seatBy) => ({ ...plainSetting, seatBy })),
    );
  const heights = ({ body }: ReturnType<typeof at>) =>
    car.contacts.map(({ x, y }) => body.heaveMm + (body.pitchMmPerM * x + body.rollMmPerM * y) / 1000);
  const [now, then] = [at(seatsMm), at(before)];
  const old = heights(then);
  const padKg = now.contacts.map(({ padLoadN }) => padLoadN / G);
  const [, rf = 0, lr = 0] = padKg;
  return {
    riseMm: heights(now).map((mm, i) => mm - (old[i] as number)),
    padKg,
    cross: (rf + lr) / padKg.reduce((sum, kg) => sum + kg, 0),
  };
}
