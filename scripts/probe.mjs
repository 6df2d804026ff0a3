// How long the health of a server takes to tell while something else is at work: does that starve the others?

const PROBE_MS = 50;

export async function timed(work) {
  const from = performance.now();
  const answer = await work();
  const { byteLength } = await answer.arrayBuffer();
  return { ms: performance.now() - from, status: answer.status, megabytes: byteLength / 1024 ** 2 };
}

/** @returns what the work gave, and how long health took meanwhile at most and in all but one of a hundred, ms */
export async function whileProbed(url, work) {
  const seen = [];
  let over = false;
  const probes = (async () => {
    while (!over) {
      // A line of its own for each: one that lay idle may be let go of in this very moment
      seen.push((await timed(() => fetch(`${url}/api/health`, { headers: { Connection: 'close' } }))).ms);
      await new Promise((resolve) => setTimeout(resolve, PROBE_MS));
    }
  })();
  try {
    const result = await work();
    over = true;
    await probes;
    seen.sort((a, b) => a - b);
    return { result, healthMs: seen.at(-1) ?? 0, healthP99: seen[Math.ceil(seen.length * 0.99) - 1] ?? 0 };
  } finally {
    over = true;
  }
}
