/** What a picture may be at most, or must be at least, to be read. Pixels are shares of the picture's longer side. */
export const pictureLimits = {
  /** Lens above or below the point on the body; the page asks for 100 mm. */
  lensOffMm: 170,
  askedLensOffMm: 100,
  turnDeg: 25,
  rollDeg: 20,
  leastDistanceMm: 550,
  rimRadiusShare: 0.055,
  blurShare: 0.0016,
  /** Of the rim's round that shows an edge. */
  edgeShare: 0.68,
  /** The same where somebody pointed at it. */
  pointedEdgeShare: 0.4,
  /** What is left between edge and circle, of the rim's radius. */
  offCircleShare: 0.0045,
  /** The same where somebody pointed at it: what it scatters by is then part of how far it may be out. */
  pointedOffCircleShare: 0.012,
  glareShare: 0.2,
  darkShade: 14,
  /** A single picture that is less sure is not worth keeping. */
  sdMm: 4,
  /** How clear a ring must be to be taken for a rim without anybody pointing at it. */
  ringScore: 0.95,
  /** An arch's edge lies over the hub within these, in rim radii, where nobody points at it. */
  archRadii: [1.3, 2.45],
} as const;
