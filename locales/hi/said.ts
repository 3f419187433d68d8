import dishProblems from './dish-problems.json'
import mealMessages from './meals.json'
import problemMessages from './problems.json'
import runMessages from './runs.json'
import shell from './shell.json'
import stepMessages from './steps.json'

// What the command line and the server say, a calendar and a recipe hold.
export { default as catalogue } from './catalogue.json'
export { default as cautions } from './cautions.json'
export { default as ingredients } from './ingredients.json'
export const problems = { ...problemMessages.problems, ...dishProblems.problems, ...mealMessages.problems }
export const { meals } = mealMessages
export const { runs } = runMessages
export const { steps } = stepMessages
export const { levels, liquids, units } = shell
