/** A wheel in its arch as it truly is. Lengths are from the middle of the rim's outer lip: along to the right, up, out. */
export interface WheelScene {
  /** Of the rim's outer lip. */
  rimDiameterMm: number;
  tyreRadiusMm: number;
  /** From the hub straight up to the arch's edge. */
  archMm: number;
  /** How far the arch's edge stands out of the plane of the lip. */
  lipOutMm: number;
  archRadiusMm: number;
  archAlongMm: number;
  camberDeg: number;
  steerDeg: number;
  look: Look;
}

/** What things look like; light is from 0 to 1, as a share of white. */
export interface Look {
  seed: number;
  /** Dark wheels have a lip that stands out little from the tyre. */
  rim: 'machined' | 'silver' | 'dark';
  lipLight: number;
  lipWidthMm: number;
  /** Where along the lip it shines most, rad, and how much darker it is opposite. */
  shineAt: number;
  shineLessShare: number;
  spokes: number;
  spokeTurn: number;
  spokeWidthMm: number;
  spokeLight: number;
  discLight: number;
  tyreLight: number;
  /** The tyre comes out from behind the lip: the groove between them lies in shadow, so wide and so much darker than the tyre. */
  grooveMm: number;
  grooveShare: number;
  /** A ring on the tyre's side, lighter than it by this. */
  ringLight: number;
  lettered: boolean;
  bodyLight: number;
  /** The arch's rolled edge against the body. */
  edgeLight: number;
  gapLight: number;
  floorLight: number;
  /** 0 is washed, 1 is caked. */
  dirt: number;
  /** Scuffed places of the lip, as shares of its round. */
  scuffed: number;
  /** A shadow's edge over the picture: how dark it is (1 is none), and where. */
  shadowShare: number;
  shadowAlongMm: number;
  shadowTurn: number;
  /** Something in front of the wheel: how far across it from its left reaches, as a share of the rim; 0 is nothing. */
  coveredShare: number;
  /** Whether a sheet of marks hangs on the body. */
  sheet: { alongMm: number; upMm: number; turnDeg: number } | null;
}

/** One picture of it: where the lens was, how it was held, and what the camera did to it. */
export interface Shot {
  widthPx: number;
  heightPx: number;
  lensAlongMm: number;
  lensUpMm: number;
  lensOutMm: number;
  /** To the right. */
  turnDeg: number;
  pitchDeg: number;
  rollDeg: number;
  focalPx: number;
  /** Radial distortion, of third and fifth order: a place at r from the axis came from r (1 + bend r² + bend4 r⁴). */
  bend: number;
  bend4: number;
  /** The axis off the middle of the picture. */
  axisOffPx: [number, number];
  /** One standard deviation of the blur of lens and focus. */
  blurPx: number;
  movedPx: number;
  movedTurn: number;
  /** 1 is exposed well. */
  exposure: number;
  /** Noise of a middle grey in 8-bit shades. */
  noise: number;
  gamma: number;
}
