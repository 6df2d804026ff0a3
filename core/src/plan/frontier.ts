// What is still open in a search, the most promising on top.

export interface Bounded {
  bound: number;
}

/** A heap with the greatest bound on top. */
export function push<N extends Bounded>(heap: N[], node: N): void {
  heap.push(node);
  let at = heap.length - 1;
  while (at > 0) {
    const up = (at - 1) >> 1;
    if ((heap[up] as N).bound >= (heap[at] as N).bound) break;
    [heap[up], heap[at]] = [heap[at] as N, heap[up] as N];
    at = up;
  }
}

export function pop<N extends Bounded>(heap: N[]): N {
  const top = heap[0] as N;
  const last = heap.pop() as N;
  if (heap.length === 0) return top;
  heap[0] = last;
  let at = 0;
  for (;;) {
    const left = 2 * at + 1;
    const right = left + 1;
    let most = at;
    if (left < heap.length && (heap[left] as N).bound > (heap[most] as N).bound) most = left;
    if (right < heap.length && (heap[right] as N).bound > (heap[most] as N).bound) most = right;
    if (most === at) return top;
    [heap[most], heap[at]] = [heap[at] as N, heap[most] as N];
    at = most;
  }
}
