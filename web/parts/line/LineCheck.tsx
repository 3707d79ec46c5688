import { ImageUp } from 'lucide-react';
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
import { lineOf, wanted, whyNot, type View } from './marks';
import { Marking, type Picture } from './Marking';
import { useJudged, type Watched } from './queries';
import { Said } from './Said';

/** A picture is kept no larger. Pixels of its longer side. */
const largest = 1600;
const quality = 0.85;

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
  const [camera, setCamera] = useState<{ camera: Camera; studios: boolean } | null>(null);
  const [places, setPlaces] = useState<Place[]>([]);
  const [why, setWhy] = useState<string | null>(null);
  const [ticked, setTicked] = useState<string[]>([]);
  const [over, setOver] = useState<Watched | null>(null);
  const [holds, setHolds] = useState(0);
  const picker = useRef<HTMLInputElement>(null);
  const shown = useRef<Picture | null>(null);
  useEffect(
    () => () => {
      if (shown.current !== null) URL.revokeObjectURL(shown.current.url);
    },
    [],
  );
  const complete = places.length === wanted[view];
  const judged = useJudged(rung, view, places, complete && picture !== null);

  async function take(canvas: HTMLCanvasElement | OffscreenCanvas) {
    const bitmap = await createImageBitmap(canvas);
    const { width, height } = bitmap;
    const blob = await asJpeg(bitmap);
    const finder = startFinder();
    const { found, picture: seen } = await finder.find(bitmap, wanted[view]);
    finder.stop();
    seen.close();
    if (shown.current !== null) URL.revokeObjectURL(shown.current.url);
    shown.current = { blob, url: URL.createObjectURL(blob), width, height };
    setPicture(shown.current);
    setPlaces(found.points === null ? [] : found.points.map(([x, y]) => [tenth(x), tenth(y)]));
    setWhy(whyNot(found, view));
    setTicked([]);
    setCamera(null);
    setOver(null);
  }

  async function takeFile(file: File) {
    const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
    if (bitmap === null) {
      setWhy('This file is no picture that the browser can read.');
      return;
    }
    await take(smaller(bitmap));
    bitmap.close();
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
            onChoose={(chosen, studios) => {
              setPicture(null);
              setOver(null);
              setWhy(null);
              setCamera({ camera: chosen, studios });
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
        <input
          ref={picker}
          type="file"
          name="picture"
          accept="image/*"
          className="sr-only"
          aria-label="Picture from a file"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file !== undefined) void takeFile(file);
            event.target.value = '';
          }}
        />
        <Button
          className="min-h-11"
          onClick={() => {
            picker.current?.click();
          }}
        >
          <ImageUp size={18} aria-hidden /> From a file
        </Button>
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
            simulated={camera.studios}
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
          <Marking picture={picture} view={view} places={places} judged={judged.data} onChange={setPlaces} />
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

/** A picture drawn anew in a size that is enough; what a device wrote into its file is not drawn. */
function smaller(bitmap: ImageBitmap): OffscreenCanvas {
  const scale = Math.min(1, largest / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(Math.round(bitmap.width * scale), Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas;
}

function asJpeg(bitmap: ImageBitmap): Promise<Blob> {
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0);
  return canvas.convertToBlob({ type: 'image/jpeg', quality });
}

async function inBase64(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}
