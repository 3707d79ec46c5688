/** The mark of an exercise that is barred or far from usual: kept with a reason, or not to be done. */
export function Kept({ unsafe, insisted }: { unsafe: readonly string[]; insisted: string | null }) {
  if (unsafe.length === 0 && insisted === null) return null;
  return (
    <span
      data-kept={insisted !== null}
      className="block text-sm leading-tight font-semibold text-warn print:text-black"
    >
      {unsafe.length > 0 && <>! This {unsafe.join('; ')}. </>}
      {insisted ?? 'Left out when it is run.'}
    </span>
  );
}
