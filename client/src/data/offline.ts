// The app itself is kept on the device, so that it opens without a network.
export function registerOffline(): void {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  const register = () =>
    void navigator.serviceWorker
      .register('/sw.js')
      .catch((error: unknown) => console.warn('Not kept for offline use:', error));
  // The first effect often runs after the load event has gone by
  if (document.readyState === 'complete') register();
  else window.addEventListener('load', register, { once: true });
}
