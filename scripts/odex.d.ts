// The package ships TypeScript sources that do not pass strict checks; this is the part that the bench uses.
export class Solver {
  constructor(components: number)
  denseOutput: boolean
  absoluteTolerance: number
  relativeTolerance: number
  solve(
    rates: (x: number, y: number[]) => number[],
    from: number,
    start: number[],
    to: number,
    output: (
      n: number,
      from: number,
      to: number,
      y: number[],
      dense: (component: number, x: number) => number,
    ) => boolean,
  ): { y: number[] }
}
