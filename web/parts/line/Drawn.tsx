import type { Schemas } from '../../api/client';
import type { Place } from './find';

/** How thick a line is in a picture of a width. */
export function strokeOf(width: number): number {
  return Math.max(2, width / 160);
}

/** A line over a picture that can be seen on black and on white: white, with black around it. */
export function Drawn({
  places,
  width,
  judged,
}: {
  places: readonly Place[];
  width: number;
  judged?: Pick<Schemas['JudgedLinePage'], 'line'> | undefined;
}) {
  const stroke = strokeOf(width);
  const d = places.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join(' ');
  const at = { hip: places[2], knee: places[3] } as const;
  return (
    <g fill="none" strokeLinejoin="round" strokeLinecap="round" pointerEvents="none">
      <path d={d} stroke="#000" strokeWidth={stroke * 2.4} />
      <path d={d} stroke="#fff" strokeWidth={stroke} />
      {places.length === 5 &&
        judged?.line.angles.map(({ at: joint, off, meant }) => {
          const place = at[joint];
          return place === undefined || meant === null ? null : (
            <text
              key={joint}
              x={place[0]}
              y={place[1] - stroke * 6}
              textAnchor="middle"
              fontSize={stroke * 7}
              fontWeight={700}
              stroke="#000"
              strokeWidth={stroke * 1.6}
              fill="#fff"
              paintOrder="stroke"
            >
              {off > 0 ? '+' : off < 0 ? '−' : ''}
              {Math.abs(off).toFixed(1)}°
            </text>
          );
        })}
    </g>
  );
}
