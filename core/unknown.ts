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
  /** The heat that the pot gives off, and the steam that gets past its gasket. */
  loss: 0.3,
  leak: 0.5,
  /** What really is in the pot, and how fast its vent lets steam go. */
  load: 0.08,
  vent: 0.25,
} as const

/**
 * So much of what one flame of a burner is off by, another flame of it is off by too, as logarithms; the rest is its
 * own: how far the knob was turned (engineering estimate: four fifths of a spread are the burner's).
 */
export const SHARED_BY_FLAMES = 0.64
/** What is left of the spread of a flame once another flame of its burner is known, as a share of it. */
export const OWN_OF_FLAME = Math.sqrt(1 - SHARED_BY_FLAMES ** 2)
