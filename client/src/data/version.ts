// Is this page of the version that the server serves now? A page that was opened before an update works on, and is told.
import { useHealth } from './queries';

/** The script that an exported app begins with; its name carries the digest of what is in it. */
const ENTRY = /\/(entry-[0-9a-f]+\.js)$/;

/** @param scripts addresses of the scripts of a page; @returns null in development, where they carry no digest */
export function entryOf(scripts: readonly string[]): string | null {
  for (const address of scripts) {
    const name = ENTRY.exec(address)?.[1];
    if (name !== undefined) return name;
  }
  return null;
}

/** Whether the server has another app than the one that runs here. */
export function useIsOutdated(): boolean {
  const served = useHealth().data?.app ?? null;
  const own = entryOf([...document.scripts].map(({ src }) => src));
  return served !== null && own !== null && served !== own;
}

/** A worker that was asked for must have come in this time, ms; a reload without it shows the old app once more. */
const COMES_MS = 15_000;

/** Fetches the newest app, then opens this page with it. What waits to be sent stays on the device. */
export async function reloadToNewest(): Promise<void> {
  try {
    const registration = await navigator.serviceWorker?.getRegistration();
    await registration?.update();
    const coming = registration?.installing ?? registration?.waiting ?? null;
    if (coming) await activated(coming);
  } catch {
    // Without a worker, or a network: the page is fetched as it is
  }
  window.location.reload();
}

function activated(worker: ServiceWorker): Promise<void> {
  return new Promise((resolve) => {
    const look = () => {
      if (worker.state === 'activated' || worker.state === 'redundant') resolve();
    };
    worker.addEventListener('statechange', look);
    setTimeout(resolve, COMES_MS);
    look();
  });
}
