/** Front or rear; a skid's arms count as rear. */
export type Axle = 'front' | 'rear';

interface Place {
  name: string;
  axle: Axle;
  /** +1 left, -1 right, 0 on the middle line. */
  side: 1 | 0 | -1;
  /** Place between the axles: +1/2 at the front one, -1/2 at the rear one. */
  along: number;
  /** The corner across the axle; null on the middle line. */
  twin: string | null;
}

/** Where machines stand on their springs: a wheel, a ski, or one arm of a skid. */
const places = {
  LF: { name: 'front left', axle: 'front', side: 1, along: 0.5, twin: 'RF' },
  RF: { name: 'front right', axle: 'front', side: -1, along: 0.5, twin: 'LF' },
  LR: { name: 'rear left', axle: 'rear', side: 1, along: -0.5, twin: 'RR' },
  RR: { name: 'rear right', axle: 'rear', side: -1, along: -0.5, twin: 'LR' },
  LS: { name: 'left ski', axle: 'front', side: 1, along: 0.5, twin: 'RS' },
  RS: { name: 'right ski', axle: 'front', side: -1, along: 0.5, twin: 'LS' },
  FA: { name: 'skid front arm', axle: 'rear', side: 0, along: -0.1, twin: null },
  RA: { name: 'skid rear arm', axle: 'rear', side: 0, along: -0.5, twin: null },
  FW: { name: 'front wheel', axle: 'front', side: 0, along: 0.5, twin: null },
  RW: { name: 'rear wheel', axle: 'rear', side: 0, along: -0.5, twin: null },
  RM: { name: 'rear', axle: 'rear', side: 0, along: -0.5, twin: null },
} as const satisfies Record<string, Place>;

export type CornerId = keyof typeof places;

/** Every corner that any class has. */
export const allCorners = Object.keys(places) as CornerId[];

export const cornerNames = Object.fromEntries(allCorners.map((id) => [id, places[id].name])) as Record<
  CornerId,
  string
>;

/** Front or rear axle of a corner; a skid's arms count as the rear one. */
export function axleOf(corner: CornerId): Axle {
  return places[corner].axle;
}

/** +1 for the left side, -1 for the right, 0 on the middle line. */
export function sideOf(corner: CornerId): 1 | 0 | -1 {
  return places[corner].side;
}

/** The corner across the axle; null on the middle line. */
export function twinOf(corner: CornerId): CornerId | null {
  return places[corner].twin;
}

/** Place between the axles as a share of the wheelbase: +1/2 at the front one, -1/2 at the rear one. */
export function alongOf(corner: CornerId): number {
  return places[corner].along;
}
