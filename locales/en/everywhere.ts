import catalogue from './catalogue.json'
import problems from './problems.json'
import shell from './shell.json'

/** What every screen needs comes in one file: its frame, names of foods, and what is wrong. */
export default { ...shell, ...problems, catalogue }
