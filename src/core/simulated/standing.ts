/** A simulated machine come to rest. */
export interface Rest {
  travelMm: number[];
  /** Body's height over the origin at each contact, mm. */
  heightMm: number[];
  padsN: number[];
}

/** How its adjusters and its friction stand. */
export interface Standing {
  /** mm of each seat towards its spring, from where the description has it. */
  seatsBy?: readonly number[];
  /** N that friction holds at each wheel, against being pressed in. */
  heldN?: readonly number[];
}
