import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { CloseDialog } from '../../ui/Dialog';
import { toggled } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useRung } from '../rungs/useRungs';
import type { Camera } from './camera';
import { Cameras } from './Cameras';
import type { Place } from './find';
import { startFinder } from './finder';
import { Keep } from './Keep';
import { Live } from './Live';
import { lineOf, marked, placedAnyhow, wanted, whyNot, type View } from './marks';
import { Marking } from './Marking';
import { PictureFile } from './PictureFile';
import { inBase64, pictureOf, type Picture } from './picture';
import { useJudged, type Watched } from './queries';
import { Said } from './Said';

export interface LineCheckProps {
  rung: string;
  client?: { id: string; name: string } | undefined;
  /** takes a ticked fault to where the check was asked for */
  onTick?: ((fault: string, on: boolean) => void) | undefined;
}

/** The line of a body in a picture, or live: found or tapped, judged by the server, kept where that is allowed. */
export default function LineCheck({ rung, client, onTick }: LineCheckProps) {
  const page = useRung(rung);
  const [view, setView] = useState<View | null>(null);
  if (page.isPending) return <Waiting what="the exercise" />;
  if (page.isError) return <Notice title={page.error.message} />;
  const { line } = page.data.rung;
  const side = line?.side !== undefined;
  const at = view ?? (side ? 'side' : 'behind');
  return (
    <>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        {side && (
          <div role="group" aria-label="From where">
            <Choice
              options={[
                ['side', 'From the side'],
                ['behind', 'From behind: level hips'],
              ]}
              value={at}
              onChange={setView}
            />
          </div>
        )}
        <CloseDialog>
          <Button look="quiet" className="ml-auto">
            Close
          </Button>
        </CloseDialog>
      </div>
      <p className="mt-1 text-[0.9375rem] text-faint">
        {at === 'side'
          ? `Camera at hip height, square to the body. One bright round sticker each on ear, shoulder, hip, knee and ankle${line?.side?.leg === undefined ? '' : ` of ${line.side.leg}`}; without stickers five taps do.`
          : 'Camera behind the client at hip height, held level. A bright round sticker on each hip bone; without stickers two taps do.'}{' '}
        The picture stays on this device unless it is kept.
      </p>
      <Check key={at} rung={rung} view={at} client={client} onTick={onTick} />
    </>
  );
}

function Check({ rung, view, client, onTick }: LineCheckProps & { view: View }) {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [camera, setCamera] = useState<{ camera: Camera; simulated: boolean } | null>(null);
  const [places, setPlaces] = useState<Place[]>([]);
  const [why, setWhy] = useState<string | null>(null);
  const [ticked, setTicked] = useState<string[]>([]);
  const [over, setOver] = useState<Watched | null>(null);
  const [holds, setHolds] = useState(0);
  const shown = useRef<Picture | null>(null);
  useEffect(
    () => () => {
      if (shown.current !== null) URL.revokeObjectURL(shown.current.url);
    },
    [],
  );
  const complete = places.length === wanted[view];
  const judged = useJudged(rung, view, places, complete && picture !== null);

  async function take(source: ImageBitmapSource) {
    const taken = await pictureOf(source).catch(() => null);
    if (taken === null) {
      setWhy('This file is no picture that the browser can read.');
      return;
    }
    const finder = startFinder();
    const { found, picture: seen } = await finder.find(taken.bitmap, wanted[view]);
    finder.stop();
    seen.close();
    if (shown.current !== null) URL.revokeObjectURL(shown.current.url);
    shown.current = taken.picture;
    setPicture(taken.picture);
    setPlaces(found.points === null ? [] : found.points.map(([x, y]) => [tenth(x), tenth(y)]));
    setWhy(whyNot(found, view));
    setTicked([]);
    setCamera(null);
    setOver(null);
  }

  const tick = (fault: string, on: boolean) => {
    setTicked(toggled(ticked, fault, on));
    onTick?.(fault, on);
  };
  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-center gap-2">
        {camera === null && (
          <Cameras
            onChoose={(chosen, simulated) => {
              setPicture(null);
              setOver(null);
              setWhy(null);
              setCamera({ camera: chosen, simulated });
            }}
          />
        )}
        {camera !== null && (
          <Button
            className="min-h-11"
            onClick={() => {
              setCamera(null);
            }}
          >
            Camera off
          </Button>
        )}
        <PictureFile onPick={(file) => void take(file)} />
      </div>
      <p role="status" className="mt-1 font-semibold empty:hidden">
        {why}
      </p>
      {camera !== null && (
        <div className="mt-2">
          <Live
            camera={camera.camera}
            rung={rung}
            view={view}
            hold={over === null ? holds : null}
            simulated={camera.simulated}
            beside
            onOver={setOver}
            onStill={(canvas) => void take(canvas)}
          />
          {over !== null && (
            <p role="status" className="mt-1 text-xl" data-over>
              Held <b>{over.held_s.toFixed(1)} s</b>
              {over.suggests[0] !== undefined && (
                <>
                  , then {over.suggests[0].name.toLowerCase()}. Say: <b>{over.suggests[0].cue}</b>
                </>
              )}{' '}
              <Button
                onClick={() => {
                  setOver(null);
                  setHolds(holds + 1);
                }}
              >
                Watch again
              </Button>
            </p>
          )}
        </div>
      )}
      {picture !== null && (
        <div className="mt-2 grid gap-4 md:grid-cols-[3fr_2fr]">
          <Marking
            picture={picture}
            names={marked[view]}
            anyhow={placedAnyhow(view, picture.width, picture.height)}
            places={places}
            judged={judged.data}
            onChange={setPlaces}
          />
          <div>
            {complete && judged.data !== undefined && <Said judged={judged.data} ticked={ticked} onTick={tick} />}
            {complete && judged.isError && <Notice title={judged.error.message} />}
            {client === undefined ? (
              <p className="mt-3 text-[0.9375rem] text-faint">
                To keep a line, open the check from a client: on the wall, the floor, a test day or the log.
              </p>
            ) : (
              <Keep
                key={picture.url}
                client={client}
                body={
                  complete && judged.isSuccess
                    ? { line: lineOf(rung, view, places), width: picture.width, height: picture.height, faults: ticked }
                    : null
                }
                picture={() => inBase64(picture.blob)}
              />
            )}
          </div>
        </div>
      )}
    </div>
  );
}

function tenth(number: number): number {
  return Math.round(10 * number) / 10;
}
