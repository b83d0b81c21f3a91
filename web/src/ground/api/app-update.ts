let asked = false;

/**
 * Brings the app up to date with a newer server: the service worker fetches the new version, and the page is loaded again once it
 * has taken over. Edits that have not reached the server are stored on the device and go out from the new page.
 */
export function updateApp(): void {
  if (asked || !('serviceWorker' in navigator)) return;
  asked = true;
  const again = () => window.location.reload();
  navigator.serviceWorker.addEventListener('controllerchange', again, { once: true });
  void navigator.serviceWorker
    .getRegistration()
    .then(async (registration) => {
      await registration?.update();
      // Nothing newer is there, or it is asked to take over, as soon as all of it is fetched.
      const newer = registration?.waiting ?? registration?.installing;
      const takeOver = () => {
        if (newer?.state === 'installed') newer.postMessage({ type: 'SKIP_WAITING' });
      };
      newer?.addEventListener('statechange', takeOver);
      takeOver();
    })
    .catch(() => undefined)
    // A later answer of the server may ask again.
    .finally(() => window.setTimeout(() => (asked = false), 60_000));
}
