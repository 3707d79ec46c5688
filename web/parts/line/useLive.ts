import { useEffect, useRef, useState, type RefObject } from 'react';
import { ApiError, isUnreachable, type Schemas } from '../../api/client';
import type { Camera } from './camera';
import { watchLine } from './changes';
import type { Found, Place } from './find';
import { startFinder } from './finder';
import { marksOf, wanted, type View } from './marks';
import { strokeOf } from './Drawn';
import type { Watched } from './queries';

/** Pictures are looked at no more often. */
const everyMs = 100;
/** Samples go to the server no more often. */
const askedEveryMs = 125;
const mostAtOnce = 50;

export interface Live {
  found: Found | null;
  /** how long the newest picture took to be looked at */
  ms: number;
  watched: Watched | null;
  /** nothing is judged: the server does not answer */
  unreachable: boolean;
  refused: string | null;
  /** the camera shows nothing */
  blind: boolean;
  /** the page was hidden, and the camera let go */
  hidden: boolean;
}

const begun: Live = {
  found: null,
  ms: 0,
  watched: null,
  unreachable: false,
  refused: null,
  blind: false,
  hidden: false,
};

/**
 * A camera's picture with its line. Here points are found and nothing else; the server judges them, tells when the hold is over and how long
 * it was.
 *
 * @param hold which hold is watched; null where the line is only shown
 */
export function useLive(
  camera: Camera,
  {
    rung,
    view,
    hold,
    mayBeOffMs,
    canvas,
    onOver,
  }: {
    rung: string;
    view: View;
    hold: number | null;
    mayBeOffMs: number;
    canvas: RefObject<HTMLCanvasElement | null>;
    onOver: (watched: Watched) => void;
  },
): Live {
  const [live, setLive] = useState(begun);
  const latest = useRef({ hold, mayBeOffMs, onOver });
  useEffect(() => {
    latest.current = { hold, mayBeOffMs, onOver };
  });
  useEffect(() => {
    const finder = startFinder();
    const since = performance.now();
    let ended = false;
    let watching: number | null = null;
    let over: number | null = null;
    let state: Schemas['WatchState'] | undefined;
    let samples: Schemas['WatchRequest']['samples'] = [];
    let asking = false;
    let askedAt = 0;
    const tell = (more: Partial<Live>) => {
      if (!ended) setLive((before) => ({ ...before, ...more }));
    };
    const ask = async () => {
      const now = latest.current;
      if (now.hold !== watching) {
        watching = now.hold;
        over = null;
        state = undefined;
        samples = samples.slice(-1);
      }
      asking = true;
      askedAt = performance.now();
      const sent = samples.slice(-mostAtOnce);
      samples = [];
      try {
        const watched = await watchLine({
          rung,
          may_be_off_ms: now.mayBeOffMs,
          ...(state === undefined ? {} : { state }),
          samples: sent,
        });
        const counts = watching !== null && over !== watching;
        state = counts ? watched.state : undefined;
        tell({
          watched: counts ? watched : { ...watched, held_s: 0, over: false },
          unreachable: false,
          refused: null,
        });
        if (counts && watched.over && latest.current.hold === watching) {
          over = watching;
          state = undefined;
          latest.current.onOver(watched);
        }
      } catch (error) {
        // what was not answered in time was not answered
        const problem = error instanceof ApiError && !isUnreachable(error) ? error : null;
        tell({ watched: null, unreachable: problem === null, refused: problem?.message ?? null });
      }
      asking = false;
    };
    const look = async () => {
      while (!ended) {
        const at = performance.now();
        const picture = await camera.grab();
        if (picture !== null) {
          const { found, picture: seen, ms } = await finder.find(picture, wanted[view]);
          paint(canvas.current, seen, found.points ?? []);
          seen.close();
          tell({ found, ms, blind: false });
          samples.push({
            at_ms: Math.round(at - since),
            ...(found.points === null ? {} : marksOf(view, found.points)),
          });
          if (!asking && performance.now() - askedAt >= askedEveryMs) void ask();
        } else tell({ blind: true, watched: null });
        await new Promise((resolve) => setTimeout(resolve, Math.max(0, everyMs - (performance.now() - at))));
      }
    };
    const stop = () => {
      if (ended) return;
      ended = true;
      finder.stop();
      camera.stop();
    };
    const hide = () => {
      if (document.visibilityState !== 'hidden') return;
      tell({ hidden: true });
      stop();
    };
    document.addEventListener('visibilitychange', hide);
    void look();
    return () => {
      document.removeEventListener('visibilitychange', hide);
      stop();
    };
  }, [camera, rung, view, canvas]);
  return live;
}

/** The picture with its line. */
function paint(canvas: HTMLCanvasElement | null, picture: ImageBitmap, places: readonly Place[]) {
  const pen = canvas?.getContext('2d') ?? null;
  if (canvas === null || pen === null) return;
  if (canvas.width !== picture.width || canvas.height !== picture.height) {
    canvas.width = picture.width;
    canvas.height = picture.height;
  }
  pen.drawImage(picture, 0, 0);
  const stroke = strokeOf(picture.width);
  pen.lineJoin = 'round';
  pen.lineCap = 'round';
  for (const [colour, thick] of [
    ['#000', stroke * 2.4],
    ['#fff', stroke],
  ] as const) {
    pen.beginPath();
    places.forEach(([x, y], i) => {
      if (i === 0) pen.moveTo(x, y);
      else pen.lineTo(x, y);
    });
    pen.strokeStyle = colour;
    pen.lineWidth = thick;
    pen.stroke();
  }
}
