import { forgetOwner } from '../../lib/device';
import { leave } from './store';

/** Leaves nothing to read on the device: drafts and copies go, runs that the server has too, and those it lacks are sealed. */
export async function forgetDevice() {
  if ('caches' in window) await caches.delete('even-rungs');
  await leave();
  forgetOwner();
}
