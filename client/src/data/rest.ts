// While a page rests: what nobody waits for is done then, so that what somebody waits for comes first.

/**
 * Does something when the page rests.
 *
 * @param latestMs it does not wait longer than that; without it, as long as there is other work
 * @returns takes it back, where it has not begun
 */
export function atRest(work: () => void, latestMs?: number): () => void {
  // Safari has no word for rest
  if (typeof requestIdleCallback === 'function') {
    const idle = requestIdleCallback(work, latestMs === undefined ? undefined : { timeout: latestMs });
    return () => cancelIdleCallback(idle);
  }
  const timer = setTimeout(work);
  return () => clearTimeout(timer);
}
