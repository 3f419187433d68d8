import type { Food } from './food.schema'

/** What makes people ill when it is half-cooked: beans with lectin, meat and fish, eggs. */
export const isWatched = ({ lectin, group }: Pick<Food, 'lectin' | 'group'>): boolean =>
  lectin || group === 'meat' || group === 'egg'
