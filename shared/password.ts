/** What most people take who are asked for a password, whatever they write before and behind it. */
const COMMON = new Set(
  `password passwort passwords contrasena motdepasse senha qwerty qwertz azerty qwertyuiop asdfghjkl zxcvbnm iloveyou
  welcome letmein football baseball basketball princess sunshine monkey dragon master admin administrator superman batman
  shadow michael jennifer computer internet whatever trustno starwars pokemon abcdef abcdefgh abcdefghij kitchen dinner
  bivvet pressurecooker changeme default secret test tester`.split(/\s+/),
)
/** Fewer different characters than that are a pattern. */
const FEWEST_DIFFERENT = 4
const ROWS = [
  '01234567890123456789',
  '98765432109876543210',
  'abcdefghijklmnopqrstuvwxyz',
  'qwertyuiopasdfghjklzxcvbnm',
]

/** True of a password that is tried first by whoever guesses: a common one, a row of keys, a pattern, or the name itself. */
export function isGuessable(password: string, name = ''): boolean {
  const given = password.toLowerCase()
  const word = given
    .replace(/^[^\p{L}@$]+|[^\p{L}@$]+$/gu, '')
    .replaceAll('0', 'o')
    .replaceAll('@', 'a')
    .replaceAll('$', 's')
  const said = name.toLowerCase().replace(/[^\p{L}\d]/gu, '')
  return (
    new Set(given).size < FEWEST_DIFFERENT ||
    COMMON.has(word) ||
    ROWS.some((row) => row.includes(given)) ||
    (said.length > 3 && given.replace(/[^\p{L}]/gu, '') === said.replace(/\d/g, ''))
  )
}
