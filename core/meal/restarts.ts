/** 1, 1, 2, 1, 1, 2, 4, …: how long the next try is (Luby, Sinclair and Zuckerman 1993). */
export function luby(n: number): number {
  let size = 1
  let power = 0
  while (size < n + 1) {
    size = 2 * size + 1
    power++
  }
  while (size - 1 !== n) {
    size = (size - 1) >> 1
    power--
    n %= size
  }
  return 2 ** power
}
