/** The copies of pages, and of what was read on them, that the service worker keeps on the device. */
export const COPIES = 'even-rungs';

const owner = 'copies-of';

export async function forgetCopies() {
  if ('caches' in window) await caches.delete(COPIES);
  localStorage.removeItem(owner);
}

/** Copies are of one person: whoever signs in after another begins without them. */
export async function beginCopies(person: string) {
  if (localStorage.getItem(owner) === person) return;
  await forgetCopies();
  localStorage.setItem(owner, person);
}
