/** How a class is drawn from above, front up, in mm from the middle of the wheelbase: as SVG path data. */
export interface Outline {
  /** What the springs carry. */
  body: string;
  /** Seats, glass, bed: finer lines on it. */
  details: string[];
  /** How far the body reaches beyond the axles, as shares of the wheelbase. */
  nose: number;
  tail: number;
  /** Least width of the picture, mm. */
  width: number;
  /** Half of what the arms reach in to, mm; null where there are no arms. */
  armMm: number | null;
}

/** A four-wheeled body from the side. */
export interface Shape {
  nose: number;
  tail: number;
  /** Sill, bonnet and roof over the arch lips, as shares of the wheelbase. */
  sill: number;
  bonnet: number;
  roof: number;
  /** Foot of the windscreen, front and rear end of the roof, foot of the rear glass: shares of the wheelbase from the front axle. */
  screen: readonly [number, number, number, number];
  /** Edge of the bed or boot over the arch lips. */
  deck: number;
}

/** How a class is drawn. */
export interface Picture {
  /** From above, on a wheelbase and track in mm. */
  above: (base: number, track: number) => Outline;
  /** From the side, for machines of which a stance is drawn; null for the others. */
  side: Shape | null;
}
