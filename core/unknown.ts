/** One standard deviation of what nobody has measured yet, as a share (engineering estimates). */
export const UNMEASURED = {
  /** Heat of a flame or of a device. */
  heat: 0.15,
  /** What a bag of food needs. */
  batch: 0.2,
  /** The pressure at which the weight lifts, or the switch acts. */
  lift: 0.08,
  /** The swing of the weight, from lift to reseat. */
  swing: 0.25,
  /** What really is in the pot, and how fast its vent lets steam go. */
  load: 0.08,
  vent: 0.25,
} as const
