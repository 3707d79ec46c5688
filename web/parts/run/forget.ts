import { forgetOwner } from '../../lib/device';
import { forgetCopies } from './copies';
import { leave } from './store';

/** Leaves nothing to read on the device: drafts and copies go, runs that the server has too, and those it lacks are sealed. */
export async function forgetDevice() {
  await forgetCopies();
  await leave();
  forgetOwner();
}
