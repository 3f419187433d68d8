declare module 'fft.js' {
  export default class FFT {
    constructor(size: number)
    createComplexArray(): number[]
    inverseTransform(out: number[], input: ArrayLike<number>): void
    /** Writes the first half of the spectrum, real and imaginary parts in turn. */
    realTransform(out: number[], input: ArrayLike<number>): void
  }
}
