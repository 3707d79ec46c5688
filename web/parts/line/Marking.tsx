import { useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { Drawn, strokeOf } from './Drawn';
import type { Place } from './find';
import { pointNames } from './marks';
import type { Picture } from './picture';
import type { Judged } from './queries';

const magnified = 4;
const glass = 128;

/** A picture with its points: found, tapped in order, dragged, or moved by the arrow keys under a magnifier. */
export function Marking({
  picture,
  names,
  anyhow,
  places,
  judged,
  apart = false,
  onChange,
}: {
  picture: Picture;
  /** what is marked, in order */
  names: readonly string[];
  /** where they lie before anybody moved them */
  anyhow: Place[];
  places: readonly Place[];
  judged?: Judged | undefined;
  /** whether every two are a line of their own */
  apart?: boolean;
  onChange: (places: Place[]) => void;
}) {
  const box = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  const { width, height } = picture;
  const radius = strokeOf(width) * 3.5;
  const next = names[places.length];
  const placeOf = (event: { clientX: number; clientY: number }): Place => {
    const on = box.current?.getBoundingClientRect();
    if (on === undefined) return [0, 0];
    return inside([((event.clientX - on.left) / on.width) * width, ((event.clientY - on.top) / on.height) * height]);
  };
  const inside = ([x, y]: Place): Place => [
    Math.round(10 * Math.min(width, Math.max(0, x))) / 10,
    Math.round(10 * Math.min(height, Math.max(0, y))) / 10,
  ];
  const move = (i: number, to: Place) => {
    onChange(places.map((place, k) => (k === i ? inside(to) : place)));
  };
  const shown = held === null ? undefined : places[held];
  return (
    <div>
      <div className="relative">
        <svg
          ref={box}
          viewBox={`0 0 ${width} ${height}`}
          className="block w-full touch-none rounded-md bg-ink/10"
          role="group"
          aria-label="Points in the picture"
          onPointerDown={(event) => {
            if (next === undefined) return;
            onChange([...places, placeOf(event)]);
            setHeld(places.length);
            event.currentTarget.setPointerCapture(event.pointerId);
          }}
          onPointerMove={(event) => {
            if (held !== null && event.buttons > 0) move(held, placeOf(event));
          }}
          onPointerUp={() => {
            setHeld(null);
          }}
        >
          <image href={picture.url} width={width} height={height} />
          {(apart ? [places.slice(0, 2), places.slice(2)] : [places]).map((line, i) => (
            <Drawn key={i} places={line} width={width} judged={judged} />
          ))}
          {places.map(([x, y], i) => (
            <g
              key={names[i]}
              role="button"
              tabIndex={0}
              aria-label={`${pointNames[names[i] ?? ''] ?? ''}: ${Math.round(x)} from the left, ${Math.round(y)} from the top`}
              data-point={names[i]}
              className="cursor-grab"
              onPointerDown={(event) => {
                event.stopPropagation();
                setHeld(i);
                box.current?.setPointerCapture(event.pointerId);
                event.currentTarget.focus();
              }}
              onFocus={() => {
                setHeld(i);
              }}
              onBlur={() => {
                setHeld(null);
              }}
              onKeyDown={(event) => {
                const by = event.shiftKey ? 10 : 1;
                const ways: Record<string, Place> = {
                  ArrowLeft: [-by, 0],
                  ArrowRight: [by, 0],
                  ArrowUp: [0, -by],
                  ArrowDown: [0, by],
                };
                const way = ways[event.key];
                if (way === undefined) return;
                event.preventDefault();
                move(i, [x + way[0], y + way[1]]);
              }}
            >
              <circle cx={x} cy={y} r={radius * 2.2} fill="transparent" />
              <circle cx={x} cy={y} r={radius} fill="none" stroke="#000" strokeWidth={radius * 0.7} />
              <circle cx={x} cy={y} r={radius} fill="none" stroke="#fff" strokeWidth={radius * 0.3} />
            </g>
          ))}
        </svg>
        {shown !== undefined && <Glass picture={picture} at={shown} left={shown[0] > width / 2} />}
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <p role="status">
          {next === undefined
            ? 'Drag a point, or move it with the arrow keys, to correct it.'
            : `Tap the ${(pointNames[next] ?? next).toLowerCase()}.`}
        </p>
        {next !== undefined && places.length === 0 && (
          <Button
            onClick={() => {
              onChange(anyhow);
            }}
          >
            Put all points in, to be moved
          </Button>
        )}
        {places.length > 0 && (
          <Button
            look="quiet"
            onClick={() => {
              onChange([]);
            }}
          >
            All points anew
          </Button>
        )}
      </div>
    </div>
  );
}

/** What is under a point, larger. */
function Glass({ picture, at, left }: { picture: Picture; at: Place; left: boolean }) {
  const across = glass / magnified;
  return (
    <svg
      aria-hidden
      viewBox={`${at[0] - across / 2} ${at[1] - across / 2} ${across} ${across}`}
      className={`pointer-events-none absolute top-2 size-32 rounded-full border-2 border-ink bg-card ${left ? 'left-2' : 'right-2'}`}
    >
      <image href={picture.url} width={picture.width} height={picture.height} />
      <path d={`M${at[0] - 5} ${at[1]}h10M${at[0]} ${at[1] - 5}v10`} stroke="#000" strokeWidth={0.9} />
      <path d={`M${at[0] - 5} ${at[1]}h10M${at[0]} ${at[1] - 5}v10`} stroke="#fff" strokeWidth={0.35} />
    </svg>
  );
}
