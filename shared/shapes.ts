/** The shapes in which documents are written now. They go up by one with an upgrade beside the schema. */
export const KITCHEN_SHAPE = 3
export const POT_SHAPE = 2
export const PLAN_SHAPE = 2
export const POT_FILE_SHAPE = 2
export const DISH_SHAPE = 1
export const PORTION_SHAPE = 1
export const MEAL_SHAPE = 1
/** Of what a run says by itself: one that was worked out in another shape is worked out anew. */
export const FIT_SHAPE = 4
