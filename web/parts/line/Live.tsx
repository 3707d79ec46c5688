import { useRef, useState } from 'react';
import { SelectField } from '../../ui/Field';
import { Button } from '../../ui/Button';
import { Plays } from '../devices/Plays';
import type { Camera } from './camera';
import { playCamera } from './changes';
import { whyNot, type View } from './marks';
import type { Watched } from './queries';
import { useLive } from './useLive';

const offs = [
  ['500', 'half a second'],
  ['1000', 'one second'],
  ['2000', 'two seconds'],
  ['3000', 'three seconds'],
] as const;

const plays = [
  ['straight', 'stays straight'],
  ['sagging', 'sags after 12 s'],
  ['piking', 'pikes after 12 s'],
] as const;

/** The camera's picture with the line over it, its angle, and how long it is held. */
export function Live({
  camera,
  rung,
  view,
  hold,
  simulated = false,
  beside = false,
  onOver,
  onStill,
}: {
  camera: Camera;
  rung: string;
  view: View;
  /** which hold is watched now; null where none is */
  hold: number | null;
  /** whether what it says stands beside the picture where there is room */
  beside?: boolean;
  /** whether what it films can be chosen */
  simulated?: boolean;
  onOver: (watched: Watched) => void;
  /** takes the picture that is seen now to be marked by hand */
  onStill?: (canvas: HTMLCanvasElement) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [mayBeOff, setMayBeOff] = useState('1000');
  const live = useLive(camera, { rung, view, hold, mayBeOffMs: Number(mayBeOff), canvas, onOver });
  const said = live.watched?.latest?.line.text ?? [];
  const why = live.found === null ? 'Looking …' : whyNot(live.found, view);
  return (
    <div
      data-frame-ms={live.ms}
      data-live={live.unreachable ? 'unreachable' : live.hidden ? 'hidden' : 'on'}
      className={beside ? 'grid gap-4 md:grid-cols-[3fr_2fr]' : ''}
    >
      <canvas
        ref={canvas}
        width={640}
        height={480}
        className="block max-h-[62vh] w-full rounded-md bg-ink/10 object-contain"
        aria-label={camera.name}
      />
      <div>
        <div className="min-h-32">
          {live.hidden ? (
            <p className="mt-1 text-lg font-semibold">The page was hidden: the camera is off. Start it again.</p>
          ) : live.blind ? (
            <p className="mt-1 text-lg font-semibold">The camera shows nothing.</p>
          ) : live.unreachable ? (
            <p role="alert" className="mt-1 text-lg font-semibold text-warn">
              The server does not answer: nothing is judged.
            </p>
          ) : (
            <>
              {hold !== null && (
                <p className="mt-1 text-4xl font-bold" data-held={live.watched?.held_s ?? 0}>
                  {(live.watched?.held_s ?? 0).toFixed(1)} <span className="text-xl font-normal">s held</span>
                </p>
              )}
              <p role="alert" className="font-semibold text-warn empty:hidden">
                {live.refused}
              </p>
              <p className="text-lg">{why ?? said[0] ?? ''}</p>
              {why === null && said.slice(1).map((line) => <p key={line}>{line}</p>)}
              {why === null &&
                live.watched?.latest?.suggests.map(({ id, name, cue }) => (
                  <p key={id} className="mt-1 rounded-md bg-warn-soft px-3 py-1 text-lg">
                    Looks like <b>{name.toLowerCase()}</b>. Say: <b>{cue}</b>
                  </p>
                ))}
            </>
          )}
        </div>
        <div className="mt-1 flex flex-wrap items-end gap-3">
          <SelectField
            label="It ends when off for"
            className="w-48"
            value={mayBeOff}
            options={offs}
            onChange={setMayBeOff}
          />
          {onStill !== undefined && (
            <Button
              className="min-h-11"
              onClick={() => {
                if (canvas.current !== null) onStill(canvas.current);
              }}
            >
              Take this picture
            </Button>
          )}
        </div>
        {simulated && (
          <Plays
            plays={plays}
            onPlay={(play) => {
              void playCamera(rung, play).catch(() => undefined);
            }}
          />
        )}
      </div>
    </div>
  );
}
