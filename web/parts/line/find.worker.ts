import { findStickers, type Found } from './find';

export interface Asked {
  id: number;
  picture: ImageBitmap;
  wanted: 5 | 2;
}

export interface Answered {
  id: number;
  found: Found;
  picture: ImageBitmap;
  /** how long it took to find them */
  ms: number;
}

/** Wider pictures are looked at in this size: finding takes no longer, and a sticker has pixels enough. */
const widest = 640;

const canvas = new OffscreenCanvas(widest, widest);
const pen = canvas.getContext('2d', { willReadFrequently: true });

self.addEventListener('message', ({ data: { id, picture, wanted } }: MessageEvent<Asked>) => {
  const scale = Math.min(1, widest / picture.width);
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  pen?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const pixels = pen?.getImageData(0, 0, canvas.width, canvas.height);
  const began = performance.now();
  const found: Found = pixels === undefined ? { points: null, why: 'nothing', spots: 0 } : findStickers(pixels, wanted);
  const ms = performance.now() - began;
  const answer: Answered = {
    id,
    found: found.why === null ? { ...found, points: found.points.map(([x, y]) => [x / scale, y / scale]) } : found,
    picture,
    ms,
  };
  self.postMessage(answer, { transfer: [picture] });
});
