/** Hands a file to whoever sits at the device. */
export function saveFile(content: BlobPart, type: string, name: string) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** Likewise a PDF that came as base 64. */
export function savePdf(base64: string, name: string) {
  saveFile(
    Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0)),
    'application/pdf',
    name,
  );
}
