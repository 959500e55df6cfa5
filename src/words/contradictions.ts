import type { Contradiction } from '#core/findings/contradictions.ts';
import { cornerNames, twinOf, type CornerId } from '#core/kinds/corners.ts';
import { tellMetric, type Say } from './figures.ts';

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const named = (corner: CornerId) => cornerNames[corner];
const across = (corner: CornerId) => named(twinOf(corner) ?? corner);
/** Entries that cannot all be so, in words, and what to look at; `say` writes mm in the reader's units. */
export function contradictionWords(one: Contradiction, say: Say): { what: string; remedy: string } {
  const tell = say.tell ?? tellMetric;
  const kg = (value: number) => tell('mass', value);
  const rate = (value: number) => tell('rate', value);
  const bar = (value: number) => tell('pressure', value);
  switch (one.about) {
    case 'weights':
      return {
        what: `The wheels add up to ${kg(one.wheelsKg)}. With what is on board the machine is said to weigh ${kg(one.sheetKg)}.`,
        remedy: 'Check the weights of the wheels, then the weight of the machine.',
      };
    case 'spring-of-twin':
      return {
        what: `${capital(named(one.corner))}: the spring is ${rate(one.rateNPerMm)}, the one ${across(one.corner)} ${rate(one.twinNPerMm)}.`,
        remedy: 'Look at the numbers on both springs. A digit may be missing.',
      };
    case 'all-alike':
      return {
        what: `All ${one.count} corners read ${say(one.mm)}.`,
        remedy: 'Four corners hardly ever read the same. Check that each was read.',
      };
    case 'pair-apart':
      return {
        what: `${capital(named(one.corner))} reads ${say(one.mm)}, ${across(one.corner)} ${say(one.twinMm)}. The other axle does not lean like that.`,
        remedy: one.likely
          ? `Is it ${say(one.likely.mm)} ${named(one.likely.corner)}, with two digits swapped? Read both again.`
          : 'Read both again, at the same points. Then look at the floor under the wheels.',
      };
    case 'in-cm':
      return {
        what: `${capital(named(one.corner))}: ${say(one.read)} was read, about ${say(one.likelyMm)} is expected.`,
        remedy: 'It looks as if it was typed in centimetres. Correct the reading.',
      };
    case 'preload':
      return {
        what:
          one.preloadMm < 0
            ? `${capital(named(one.corner))}: ${say(-one.preloadMm)} of slack is more than the damper’s whole stroke, ${say(one.mostMm)}. The spring would never touch.`
            : `${capital(named(one.corner))}: ${say(one.preloadMm)} of preload is more than the spring can be squeezed, ${say(one.mostMm)}.`,
        remedy: 'Check the preload with the wheel hanging.',
      };
    case 'travel-used':
      return {
        what: `${capital(named(one.corner))}: ${say(one.usedMm)} of travel is used, and the whole travel is ${say(one.travelMm)}.`,
        remedy: 'Check both figures: one of them is wrong.',
      };
    case 'tyres-unlike':
      return {
        what: `The ${named(one.corner)} tyre has ${bar(one.bar)}, the ${across(one.corner)} ${bar(one.twinBar)}.`,
        remedy: 'Set both alike first, then measure again.',
      };
    case 'tyre-not-as-wanted':
      return {
        what: `The ${named(one.corner)} tyre has ${bar(one.bar)}, ${bar(one.wantedBar)} is wanted.`,
        remedy: 'Set the pressure first, then measure again.',
      };
    case 'floor-twice':
      return {
        what: `${capital(named(one.corner))}: the height is read from the floor, and the floor there is said to lie ${say(Math.abs(one.floorMm))} ${one.floorMm > 0 ? 'higher' : 'lower'}.`,
        remedy:
          'It is right if it was read from that floor. If it was read from a level line, clear the floor.',
      };
  }
}
