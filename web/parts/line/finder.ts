import type { Answered, Asked } from './find.worker';

export interface Finder {
  /** Finds stickers in a picture, which comes back with them; places in the picture's own pixels. */
  find: (picture: ImageBitmap, wanted: 5 | 2) => Promise<Omit<Answered, 'id'>>;
  stop: () => void;
}

/** Looks at pictures beside the page, so that nothing stands still. */
export function startFinder(): Finder {
  const worker = new Worker(new URL('./find.worker.ts', import.meta.url), { type: 'module' });
  const waiting = new Map<number, (answer: Answered) => void>();
  let last = 0;
  worker.addEventListener('message', ({ data }: MessageEvent<Answered>) => {
    waiting.get(data.id)?.(data);
    waiting.delete(data.id);
  });
  return {
    find: (picture, wanted) =>
      new Promise((resolve) => {
        const asked: Asked = { id: ++last, picture, wanted };
        waiting.set(asked.id, resolve);
        worker.postMessage(asked, [picture]);
      }),
    stop: () => {
      worker.terminate();
    },
  };
}
