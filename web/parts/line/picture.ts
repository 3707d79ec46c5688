/** A picture that is looked at on this device. */
export interface Picture {
  blob: Blob;
  url: string;
  width: number;
  height: number;
}

/** A picture is kept no larger. Pixels of its longer side. */
const largest = 1600;
const quality = 0.85;

/** A picture drawn anew in a size that is enough; what a device wrote into its file is not drawn. */
export async function pictureOf(source: ImageBitmapSource): Promise<{ picture: Picture; bitmap: ImageBitmap }> {
  const whole = await createImageBitmap(source, { imageOrientation: 'from-image' });
  const scale = Math.min(1, largest / Math.max(whole.width, whole.height));
  const [width, height] = [Math.round(whole.width * scale), Math.round(whole.height * scale)];
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')?.drawImage(whole, 0, 0, width, height);
  whole.close();
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality });
  return {
    picture: { blob, url: URL.createObjectURL(blob), width, height },
    bitmap: await createImageBitmap(canvas),
  };
}

export async function inBase64(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}
