import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { answer, api } from '../../api/client';
import { framed, Lines, type Drawing } from '../../ui/Figure';
import { jointWords } from './figureWords';
import { usePoses } from './queries';
import type { Rung } from './draft';

type Spec = Rung['figure'];
interface Place {
  joint: string;
  right: number;
  down: number;
}

/** How far an arrow key takes a joint, in hundredths of body height. */
const step = 2;
const arrows: Record<string, readonly [number, number]> = {
  ArrowLeft: [-step, 0],
  ArrowRight: [step, 0],
  ArrowUp: [0, -step],
  ArrowDown: [0, step],
};

/** Asks for the figure with a joint elsewhere; while an answer is under way only the newest place is kept. */
function useDragging(figure: Spec, ofEnd: boolean, alike: boolean, onChange: (figure: Spec) => void) {
  const queries = useQueryClient();
  const wanted = useRef<Place | null>(null);
  const drag = useMutation({
    mutationFn: ({ from, ...place }: Place & { from: Spec }) =>
      answer(api.POST('/figures/drag', { body: { figure: from, of_end: ofEnd, alike, ...place } })),
    onSuccess: (now) => {
      queries.setQueryData(['drawing', now.figure], now.drawing);
      onChange(now.figure);
      const next = wanted.current;
      wanted.current = null;
      if (next !== null) drag.mutate({ ...next, from: now.figure });
    },
    onError: () => {
      wanted.current = null;
    },
  });
  return {
    error: drag.error,
    to: (place: Place) => {
      if (drag.isPending) wanted.current = place;
      else drag.mutate({ ...place, from: figure });
    },
  };
}

/** One pose of a figure, whose joints are drawn to another place by hand, or with the arrow keys. */
export function Draggable({
  figure,
  drawing,
  ofEnd,
  alike,
  onChange,
}: {
  figure: Spec;
  drawing: Drawing;
  /** the pose that it moves to, or the one that it starts from */
  ofEnd: boolean;
  /** whether the other side follows */
  alike: boolean;
  onChange: (figure: Spec) => void;
}) {
  const poses = usePoses();
  const [held, setHeld] = useState<{ joint: string; box: string } | null>(null);
  const dragging = useDragging(figure, ofEnd, alike, onChange);
  const picture = drawing.pictures[ofEnd ? drawing.still : 0];
  if (picture === undefined) return null;
  const handles = (poses.data?.handles ?? []).filter((each) => !alike || !each.joint.endsWith('-l'));

  function move(event: PointerEvent<SVGSVGElement>) {
    const inverse = event.currentTarget.getScreenCTM()?.inverse();
    if (held === null || inverse === undefined) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(inverse);
    dragging.to({ joint: held.joint, right: at.x, down: at.y });
  }

  return (
    <div>
      <svg
        viewBox={held?.box ?? framed(drawing.box)}
        className="w-full touch-none overflow-visible"
        role="group"
        aria-label={ofEnd ? 'End' : 'Start'}
        onPointerMove={move}
        onLostPointerCapture={() => {
          setHeld(null);
        }}
      >
        <Lines drawing={drawing} picture={picture} />
        {handles.map(({ joint, point }) => {
          const [x = 0, y = 0] = picture.points[point] ?? [];
          return (
            <circle
              key={joint}
              cx={x}
              cy={y}
              r={3.6}
              role="button"
              tabIndex={0}
              aria-label={`${ofEnd ? 'End' : 'Start'}: ${jointWords(joint)}`}
              className={`cursor-grab stroke-act ${held?.joint === joint ? 'fill-act' : 'fill-card/70 hover:fill-act'}`}
              strokeWidth={1}
              onPointerDown={(event) => {
                event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId);
                setHeld({ joint, box: framed(drawing.box) });
              }}
              onKeyDown={(event: KeyboardEvent) => {
                const by = arrows[event.key];
                if (by === undefined) return;
                event.preventDefault();
                dragging.to({ joint, right: x + by[0], down: y + by[1] });
              }}
            />
          );
        })}
      </svg>
      <p role="alert" className="text-sm font-semibold text-warn empty:hidden">
        {dragging.error?.message}
      </p>
    </div>
  );
}
