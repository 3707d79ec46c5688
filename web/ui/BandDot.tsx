import type { Schemas } from '../api/client';

/** The colour of a band; its name stands beside it. */
export function BandDot({ band }: { band: Schemas['Band'] }) {
  return (
    <span
      aria-hidden
      className="inline-block size-3.5 rounded-full border border-wood align-[-2px]"
      style={{ backgroundColor: band.colour }}
    />
  );
}
