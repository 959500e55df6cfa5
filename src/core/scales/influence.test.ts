import { blankBar } from '../document/create.ts';
import type { JobDocument } from '../document/types.ts';
import { equilibrium } from '../machine/equilibrium.ts';
import { GRAVITY } from '../machine/solver.ts';
import { plainSetting } from '../machine/corner.ts';
import { answerFor } from '../planning/answer.ts';
import { add, fourCorners, must, record } from '../../../tests/fixtures/records.ts';
import { describePadCar, hidePadCar, padFacts, standOf } from '../../../tests/fixtures/padCar.ts';
import { seatEffects } from './effects.ts';

/** Everything the sheet could know of the plain car, so that its model is the true one. */
const knowing = (edit: (document: JobDocument) => void = () => undefined) =>
  describePadCar((document) => {
    for (const id of fourCorners)
      Object.assign(document.corners[id], { tyreRateNPerMm: 220, unsprungKg: 35 });
    edit(document);
  });

const TURN_MM = 2;

describe('what a turn does, against a machine brought to rest by relaxation', () => {
  test.each([
    ['free', undefined],
    ['with a front bar hooked up', 18],
  ])('%s: eight numbers for each seat', (_, barNPerMm) => {
    const car = hidePadCar(1, barNPerMm === undefined ? { plain: true } : { plain: true, barNPerMm });
    const document = knowing((one) => {
      if (barNPerMm !== undefined) one.bars.front = blankBar(barNPerMm, true);
    });
    const answer = must(answerFor(add(record(document), ...padFacts(0, standOf(car)))));
    const effects = seatEffects(answer);
    expect(effects.map(({ seat }) => seat)).toEqual([...fourCorners]);
    effects.forEach(({ corners }, j) => {
      const turned = (mm: number) =>
        standOf({ ...car, seatsBy: car.seatsBy.map((seat, k) => (k === j ? seat + mm : seat)) });
      const [up, down] = [turned(TURN_MM / 2), turned(-TURN_MM / 2)];
      corners.forEach(({ heightMm, padKg }, i) => {
        const kg = (up.padsKg[i] ?? 0) - (down.padsKg[i] ?? 0);
        // Hub to arch and what the tyre gives more: the body's own rise.
        const hub = (up.heightsMm[i] ?? 0) - (down.heightsMm[i] ?? 0);
        const rise = hub - (kg * GRAVITY) / 220;
        expect(Math.abs(padKg - kg)).toBeLessThan(0.05 * Math.abs(kg) + 0.05);
        expect(Math.abs(heightMm - rise)).toBeLessThan(0.05 * Math.abs(rise) + 0.05);
      });
    });
  });

  test('one seat of a hooked axle moves its own wheel less than a free one, and the four weights the other way round', () => {
    const own = (barNPerMm?: number) => {
      const car = hidePadCar(1, barNPerMm === undefined ? { plain: true } : { plain: true, barNPerMm });
      const document = knowing((one) => {
        if (barNPerMm !== undefined) one.bars.front = blankBar(barNPerMm, true);
      });
      return seatEffects(must(answerFor(add(record(document), ...padFacts(0, standOf(car))))))[0]?.corners[0];
    };
    const [free, hooked] = [must(own() ?? null), must(own(25) ?? null)];
    expect(hooked.heightMm).toBeLessThan(free.heightMm);
    expect(hooked.padKg).toBeGreaterThan(0);
  });

  test('where a lower mount sets the height its turn is told, as the engine itself has it', () => {
    const car = hidePadCar(1, { plain: true });
    const document = knowing((one) => {
      for (const id of fourCorners)
        one.corners[id].mount = { pitchMm: 1.5, threadMm: 40, engagedMm: 70, leastMm: null, mostMm: 95 };
    });
    const answer = must(answerFor(add(record(document), ...padFacts(0, standOf(car)))));
    const [lf] = seatEffects(answer);
    expect([lf?.by, lf?.turnBy]).toEqual(['mount', 1.5]);
    const { machine } = answer.machine.believed;
    const loads = answer.fit.values;
    const described = {
      ...machine,
      masses: machine.masses.map((mass, k) => ({ ...mass, kg: mass.kg * (loads.massScales[k] ?? 1) })),
      contacts: machine.contacts.map((contact, i) => ({
        ...contact,
        tyreRateNPerMm: contact.tyreRateNPerMm * (loads.tyreScales[i] ?? 1),
      })),
    };
    const stand = (mountMm: number) =>
      equilibrium(
        described,
        loads.settings.map((setting, i) => ({ ...plainSetting, ...setting, mountMm: i === 0 ? mountMm : 0 })),
      );
    const [up, down] = [stand(0.75), stand(-0.75)];
    lf?.corners.forEach(({ padKg }, i) => {
      const kg = ((up.contacts[i]?.padLoadN ?? 0) - (down.contacts[i]?.padLoadN ?? 0)) / GRAVITY;
      expect(padKg).toBeCloseTo(kg, 1);
    });
  });

  test('what nobody can turn is not told', () => {
    const car = hidePadCar(1, { plain: true });
    const document = knowing((one) => (one.corners.RR.adjustable = false));
    const answer = must(answerFor(add(record(document), ...padFacts(0, standOf(car)))));
    expect(seatEffects(answer).map(({ seat }) => seat)).toEqual(['LF', 'RF', 'LR']);
  });

  test('notches are told by the notch', () => {
    const car = hidePadCar(1, { plain: true });
    const answer = (stepMm: number | null) =>
      must(
        answerFor(
          add(record(knowing((one) => (one.corners.LF.stepMm = stepMm))), ...padFacts(0, standOf(car))),
        ),
      );
    const [turn, notch] = [answer(null), answer(6)].map((one) => seatEffects(one)[0]);
    expect([turn?.turnBy, notch?.turnBy]).toEqual([2, 6]);
    expect(notch?.corners[0]?.heightMm).toBeCloseTo(3 * (turn?.corners[0]?.heightMm ?? 0), 3);
  });
});

test('what a turn does is known as well as the springs are: guessed ones say so by their spread', () => {
  const shareOf = (edit: (document: JobDocument) => void) => {
    const document = knowing(edit);
    const answer = must(
      answerFor(add(record(document), ...padFacts(0, standOf(hidePadCar(1, { plain: true }))))),
    );
    const [at] = seatEffects(answer)[0]?.corners ?? [];
    return (at?.padSdKg ?? 0) / Math.abs(at?.padKg ?? 1);
  };
  const named = shareOf(() => undefined);
  const guessed = shareOf((one) => {
    for (const id of fourCorners) Object.assign(one.corners[id], { springs: [], preloadMm: null });
  });
  expect(named).toBeGreaterThan(0.005);
  expect(named).toBeLessThan(0.12);
  expect(guessed).toBeGreaterThan(2 * named);
});
