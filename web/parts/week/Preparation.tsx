import type { Schemas } from '../../api/client';

/** Warm-up or cool-down of a session in one line; nothing where there is none. */
export function Preparation({ what, part }: { what: string; part: Schemas['Preparation'] }) {
  if (part.total.seconds === 0) return null;
  return (
    <p className="text-sm">
      <b>
        {what} {part.total.text}
      </b>
      {part.moves.length > 0 && `: ${part.moves.map((move) => `${move.name} ${move.time.text}`).join('; ')}`}
    </p>
  );
}
