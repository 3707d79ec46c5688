/** Hands a PDF to whoever sits at the device. */
export function savePdf(base64: string, name: string) {
  const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([bytes], { type: 'application/pdf' }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
