/**
 * The live run judged by accidents at pots that are not the product's own: how often beans with lectin came out under
 * what they need, and whether it was said; how often a pot ran dry though the advice was followed.
 *
 *   npx tsx scripts/bench-accidents.ts [RUNS]
 */
import { plan } from '../core/program/plan'
import { ACCIDENT_STYLES, accidents, countAccidents, type AccidentStyle } from '../tests/trials/accidents'

const runs = Number(process.argv[2] ?? 100)
const styles = Object.keys(ACCIDENT_STYLES) as AccidentStyle[]
console.table({
  ...Object.fromEntries(styles.map((style) => [style, countAccidents(accidents(runs, style, plan))])),
  'whistles, none tapped after three': countAccidents(accidents(runs, 'whistles', plan, { deafAfter: 3 })),
})
