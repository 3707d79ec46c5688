/** A line that is cut in the middle of an answer says nothing by itself. */
export const patienceMs = 3000;

/** Where pictures come from while they are looked at. */
export interface Camera {
  name: string;
  /** What it sees now; null where it shows nothing. */
  grab: () => Promise<ImageBitmap | null>;
  stop: () => void;
}

const refusals: Record<string, string> = {
  NotAllowedError: 'This browser was not allowed to use the camera.',
  NotFoundError: 'There is no camera on this device.',
  NotReadableError: 'The camera is used by something else.',
};

/** The device's own camera; the one that looks away from the screen where there are two. */
export async function deviceCamera(): Promise<Camera> {
  // older browsers, and pages that came over an open line, have none
  const devices = navigator.mediaDevices as MediaDevices | undefined;
  if (devices === undefined) throw new Error('The camera needs a safe line: open the page over https.');
  const stream = await devices
    .getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } }, audio: false })
    .catch((error: unknown) => {
      const name = error instanceof DOMException ? error.name : '';
      throw new Error(refusals[name] ?? 'The camera does not answer.');
    });
  const video = document.createElement('video');
  video.muted = true;
  video.playsInline = true;
  video.srcObject = stream;
  await video.play();
  const track = stream.getVideoTracks()[0];
  return {
    name: track?.label ?? 'Camera',
    // a camera that was pulled out leaves its last picture standing
    grab: () =>
      video.videoWidth === 0 || track?.readyState !== 'live'
        ? Promise.resolve(null)
        : createImageBitmap(video).catch(() => null),
    stop: () => {
      for (const track of stream.getTracks()) track.stop();
      video.srcObject = null;
    },
  };
}

/** The studio's camera, picture by picture from the server. */
export function studioCamera(name: string): Camera {
  return {
    name,
    grab: async () => {
      try {
        const answer = await fetch('/api/camera/frame', { signal: AbortSignal.timeout(patienceMs) });
        return answer.ok ? await createImageBitmap(await answer.blob()) : null;
      } catch {
        return null;
      }
    },
    stop: () => undefined,
  };
}
