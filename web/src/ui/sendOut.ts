/** Has the browser fetch an address as a file; under a name where the address gives it none. */
export function fetchFile(url: string, name = ''): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
}

/** Gives a text to the browser as a file of that name. */
export function sendOut(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  fetchFile(url, name);
  URL.revokeObjectURL(url);
}

/** A product's name as a file's: small letters and dashes. */
export const fileName = (name: string, ending: string): string =>
  `${
    name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'formula'
  }.${ending}`;
