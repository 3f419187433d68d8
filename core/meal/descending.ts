/** Numbers, each handed out once, the greatest first. */
export class Descending {
  private readonly heap: number[] = []

  push(value: number): void {
    const { heap } = this
    let at = heap.length
    heap.push(value)
    while (at > 0) {
      const parent = (at - 1) >> 1
      if (heap[parent]! >= value) break
      heap[at] = heap[parent]!
      at = parent
    }
    heap[at] = value
  }

  pop(): number {
    const { heap } = this
    const top = heap[0]!
    const last = heap.pop()!
    if (heap.length > 0) {
      let at = 0
      for (;;) {
        let child = 2 * at + 1
        if (child >= heap.length) break
        if (child + 1 < heap.length && heap[child + 1]! > heap[child]!) child++
        if (heap[child]! <= last) break
        heap[at] = heap[child]!
        at = child
      }
      heap[at] = last
    }
    return top
  }
}
