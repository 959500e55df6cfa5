import type { MachineClass } from '#core/kinds/classes/index.ts';
import { car } from './car.ts';
import { twoWheels } from './inLine.ts';
import type { Picture } from './picture.ts';
import { quad } from './quad.ts';
import { sideBySide } from './sideBySide.ts';
import { snowmobile } from './snowmobile.ts';
import { truck } from './truck.ts';

/** How each class is drawn. */
export const classPictures: Record<MachineClass, Picture> = {
  car,
  truck,
  'side-by-side': sideBySide,
  quad,
  snowmobile,
  motorcycle: twoWheels({ scooter: false, bar: 340 }),
  'dual-purpose': twoWheels({ scooter: false, bar: 400 }),
  scooter: twoWheels({ scooter: true, bar: 340 }),
};
