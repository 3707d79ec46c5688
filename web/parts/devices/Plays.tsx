/** Only beside a simulated device: what it plays. */
export function Plays<Play extends string>({
  plays,
  onPlay,
}: {
  plays: readonly (readonly [Play, string])[];
  onPlay: (play: Play) => void;
}) {
  return (
    <p className="flex flex-wrap items-center gap-2 text-[0.9375rem] text-faint">
      Simulated client:
      {plays.map(([id, name]) => (
        <button
          key={id}
          type="button"
          className="min-h-8 rounded border border-line px-2 text-ink hover:border-ink"
          onClick={() => {
            onPlay(id);
          }}
        >
          {name}
        </button>
      ))}
    </p>
  );
}
