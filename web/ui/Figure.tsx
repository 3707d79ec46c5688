import { Pause, Play } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Schemas } from '../api/client';
import { usePrefersCalm } from '../lib/reading';
import { Button } from './Button';

export type Drawing = Schemas['Drawing'];
type Picture = Drawing['pictures'][number];
type Shape = Picture['shapes'][number];

const kit = {
  kit: 'fill-act stroke-act',
  round: 'fill-none stroke-act',
  hole: 'fill-card stroke-none',
  under: 'fill-none stroke-act',
  fixed: 'fill-line stroke-wood',
  stretch: 'fill-none stroke-act',
} as const;

/** Drawn before the body. */
const behind = new Set<Shape['style']>(['fixed', 'under']);

function Piece({ shape }: { shape: Shape }) {
  const [a = 0, b = 0, c = 0, d = 0] = shape.numbers;
  const look = {
    className: kit[shape.style],
    strokeWidth: 2,
    strokeLinecap: 'round' as const,
    strokeLinejoin: 'round' as const,
  };
  switch (shape.form) {
    case 'line':
      return (
        <line
          x1={a}
          y1={b}
          x2={c}
          y2={d}
          {...look}
          {...(shape.style === 'stretch' ? { strokeDasharray: '3 3' } : {})}
        />
      );
    case 'disc':
      return <circle cx={a} cy={b} r={c} {...look} />;
    case 'outline':
      return <polygon points={shape.numbers.join(' ')} {...look} />;
    case 'box':
      return <rect x={a} y={b} width={c} height={d} {...look} />;
  }
}

const limb = { fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round' } as const;
/** A leg has one joint more. Only arms are set off from the trunk that they cross. */
const armJoints = 4;
const widths = { far: 4.4, near: 4.4, trunk: 8, head: 0 } as const;

/** One moment of a figure. */
export function Lines({ drawing, picture }: { drawing: Drawing; picture: Picture }) {
  return (
    <>
      <polygon
        points={drawing.floor.map((corner) => corner.join(',')).join(' ')}
        className="fill-line/40 stroke-line"
      />
      {picture.shapes.map((shape, i) => behind.has(shape.style) && <Piece key={i} shape={shape} />)}
      {drawing.strokes.map((stroke, i) => {
        const points = stroke.joints.map((joint) => picture.points[joint] ?? [0, 0]);
        if (stroke.part === 'head') {
          return <circle key={i} cx={points[0]?.[0]} cy={points[0]?.[1]} r={6} className="fill-ink" />;
        }
        const line = points.map((point) => point.join(',')).join(' ');
        return (
          <g key={i}>
            {stroke.part === 'near' && stroke.joints.length === armJoints && (
              <polyline points={line} {...limb} strokeWidth={6.6} className="stroke-card" />
            )}
            <polyline
              points={line}
              {...limb}
              strokeWidth={widths[stroke.part]}
              className={stroke.part === 'far' ? 'stroke-faint/65' : 'stroke-ink'}
            />
          </g>
        );
      })}
      {picture.shapes.map((shape, i) => !behind.has(shape.style) && <Piece key={i} shape={shape} />)}
    </>
  );
}

function mix(a: number, b: number, share: number): number {
  return a + (b - a) * share;
}

function between(a: Picture, b: Picture, share: number): Picture {
  return {
    points: a.points.map((point, i) => point.map((n, k) => mix(n, b.points[i]?.[k] ?? n, share))),
    shapes: a.shapes.map((shape, i) => ({
      ...shape,
      numbers: shape.numbers.map((n, k) => mix(n, b.shapes[i]?.numbers[k] ?? n, share)),
    })),
  };
}

/** Where the figure is so many seconds after its start. */
function at(drawing: Drawing, seconds: number): Picture | undefined {
  const total = drawing.beats.reduce((sum, beat) => sum + beat.seconds, 0);
  if (total === 0) return drawing.pictures[drawing.still];
  let left = seconds % total;
  let from = drawing.beats[drawing.beats.length - 1]?.picture ?? 0;
  for (const beat of drawing.beats) {
    if (left < beat.seconds) {
      const [a, b] = [drawing.pictures[from], drawing.pictures[beat.picture]];
      return a === undefined || b === undefined ? undefined : between(a, b, left / beat.seconds);
    }
    left -= beat.seconds;
    from = beat.picture;
  }
  return drawing.pictures[from];
}

/** As high as somebody who stands. */
const standing = 104;

/** The box that is shown of a drawing, the floor at the foot: who lies is drawn no larger than who stands. */
export function framed([left = 0, top = 0, width = 0, height = 0]: number[]): string {
  const more = Math.max(0, standing - height);
  return [left, top - more, width, height + more].join(' ');
}

/** A figure that does not move. */
export function Still({
  drawing,
  label = '',
  className = '',
}: {
  drawing: Drawing | undefined;
  label?: string;
  className?: string;
}) {
  if (drawing === undefined) return <span className={className} />;
  const picture = drawing.pictures[drawing.still];
  return (
    <svg
      viewBox={framed(drawing.box)}
      className={className}
      {...(label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
    >
      {picture !== undefined && <Lines drawing={drawing} picture={picture} />}
    </svg>
  );
}

/** Where it starts and where it ends, or is held. */
export function Ends({
  drawing,
  label = '',
  told = false,
  className = '',
}: {
  drawing: Drawing | undefined;
  label?: string;
  /** whether each picture says which it is */
  told?: boolean;
  className?: string;
}) {
  if (drawing === undefined) return null;
  const shown = drawing.still === 0 ? [0] : [0, drawing.still];
  return (
    <span className="inline-flex gap-1">
      {shown.map((picture, i) => {
        const name = i < shown.length - 1 ? 'start' : drawing.held ? 'hold' : 'end';
        return (
          <span key={picture} className="text-center text-sm leading-tight text-faint">
            <Still
              drawing={{ ...drawing, still: picture }}
              label={label === '' ? '' : `${label}, ${name}`}
              className={className}
            />
            {told && <span className="block">{name}</span>}
          </span>
        );
      })}
    </span>
  );
}

/** A figure that follows a clock: where it is so many seconds after its start. Still where the reader asked for calm. */
export function Following({
  drawing,
  seconds,
  label,
  className = '',
}: {
  drawing: Drawing;
  /** null holds it in its most telling moment */
  seconds: number | null;
  label: string;
  className?: string;
}) {
  const prefersCalm = usePrefersCalm();
  const picture =
    seconds === null || prefersCalm || drawing.beats.length === 0
      ? drawing.pictures[drawing.still]
      : at(drawing, seconds);
  return (
    <svg viewBox={framed(drawing.box)} className={className} role="img" aria-label={label}>
      {picture !== undefined && <Lines drawing={drawing} picture={picture} />}
    </svg>
  );
}

/** A figure that moves at the tempo of its rung, and can be stopped; still where the reader asked for calm. */
export function Moving({ drawing, label, className = '' }: { drawing: Drawing; label: string; className?: string }) {
  const prefersCalm = usePrefersCalm();
  const [wanted, setWanted] = useState<boolean | null>(null);
  const plays = (wanted ?? !prefersCalm) && drawing.beats.length > 0;
  const [picture, setPicture] = useState<Picture | undefined>(drawing.pictures[drawing.still]);

  useEffect(() => {
    if (!plays) return;
    const began = performance.now();
    let asked = requestAnimationFrame(function next(now) {
      setPicture(at(drawing, Math.max(0, now - began) / 1000));
      asked = requestAnimationFrame(next);
    });
    return () => {
      cancelAnimationFrame(asked);
    };
  }, [drawing, plays]);

  const shown = plays ? picture : drawing.pictures[drawing.still];
  return (
    <figure className="relative">
      <svg
        viewBox={drawing.box.join(' ')}
        className={className}
        role="img"
        aria-label={label}
        data-plays={plays || undefined}
      >
        {shown !== undefined && <Lines drawing={drawing} picture={shown} />}
      </svg>
      {drawing.beats.length > 0 && (
        <Button
          look="quiet"
          className="absolute right-1 bottom-1 print:hidden"
          aria-label={plays ? 'Stop the figure' : 'Play the figure'}
          onClick={() => {
            setWanted(!plays);
          }}
        >
          {plays ? <Pause size={18} aria-hidden /> : <Play size={18} aria-hidden />}
        </Button>
      )}
    </figure>
  );
}
