/** Offers what is at an address as a file to be saved. */
export function download(url: string, name: string): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
}

/** Offers a text as a file to be saved. */
export const saveAs = (name: string, type: string, text: string): void =>
  download(`data:${type};charset=utf-8,${encodeURIComponent(text)}`, name);

/** Offers bytes as a file to be saved. */
export function downloadBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  download(url, name);
  // The browser has taken it up by then.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
