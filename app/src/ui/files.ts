/** Hands a text to the browser as a file. */
export function download(name: string, type: string, text: string): void {
  saveBlob(name, new Blob([text], { type: `${type};charset=utf-8` }));
}

/** Hands bytes to the browser as a file. */
export function saveBlob(name: string, blob: Blob): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

/** Saves what the server makes at an address of this site as a file; its name comes with it. */
export function saveFrom(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}

export interface PickedFile {
  readonly name: string;
  /** The file's bytes as they are. */
  readonly base64: string;
}

const asBase64 = (file: File): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve((reader.result as string).replace(/^[^,]*,/, ''));
    reader.onerror = () => reject(reader.error ?? new Error('the file could not be read'));
    reader.readAsDataURL(file);
  });

/** Lets the user choose a file. @returns null when none was chosen */
export function chooseFile(accept: string): Promise<File | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => resolve(input.files?.[0] ?? null);
    input.oncancel = () => resolve(null);
    input.click();
  });
}

/** Lets the user choose a file and reads it. @returns null when none was chosen */
export async function pickFile(accept: string): Promise<PickedFile | null> {
  const file = await chooseFile(accept);
  return file ? { name: file.name, base64: await asBase64(file) } : null;
}
