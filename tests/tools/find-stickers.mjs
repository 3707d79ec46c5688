// Finds stickers in pictures as the pages do. In: {"wanted": 5, "pictures": [paths of BMP files]}; out: what was found in each, and how long it took.
import { readFileSync } from 'node:fs';
import ts from 'typescript';

const source = readFileSync(new URL('../../web/parts/line/find.ts', import.meta.url), 'utf8');
const code = ts.transpileModule(source, {
  compilerOptions: { module: ts.ModuleKind.ESNext, target: ts.ScriptTarget.ES2022 },
});
const { findStickers } = await import(`data:text/javascript,${encodeURIComponent(code.outputText)}`);

/** 24 bits a pixel, the lowest row first. */
function pixels(path) {
  const file = readFileSync(path);
  const [start, width, height] = [file.readUInt32LE(10), file.readInt32LE(18), file.readInt32LE(22)];
  const row = Math.ceil((width * 3) / 4) * 4;
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const from = start + (height - 1 - y) * row + 3 * x;
      const to = 4 * (y * width + x);
      data[to] = file[from + 2];
      data[to + 1] = file[from + 1];
      data[to + 2] = file[from];
      data[to + 3] = 255;
    }
  }
  return { data, width, height };
}

const { wanted, pictures } = JSON.parse(readFileSync(0, 'utf8'));
const found = pictures.map((path) => {
  const picture = pixels(path);
  const began = performance.now();
  return { ...findStickers(picture, wanted), ms: performance.now() - began };
});
process.stdout.write(JSON.stringify(found));
