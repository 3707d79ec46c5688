// Compresses what is sent as it is, once: beside each file one for browsers that read Brotli and one for the others.
// usage: node ops/compress.mjs FOLDER
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';

for (const name of readdirSync(process.argv[2], { recursive: true })) {
  const file = join(process.argv[2], name);
  if (!statSync(file).isFile() || !/\.(js|css|json|svg)$/.test(name)) continue;
  const text = readFileSync(file);
  writeFileSync(`${file}.gz`, gzipSync(text, { level: 9 }));
  writeFileSync(`${file}.br`, brotliCompressSync(text));
}
