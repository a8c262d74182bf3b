/** Hands a text or bytes to the browser as a file to keep. */
export function saveFile(name: string, content: BlobPart, type: string): void {
  // Without a mark a table is opened as if it were written in letters of another sort.
  const marked = type === 'text/csv' ? ['\uFEFF', content] : [content];
  const url = URL.createObjectURL(new Blob(marked, { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

const MOST_PLAN_BYTES = 16_000_000;

/** The text of a plan file, refused by its size before it is read. */
export async function readPlanFile(file: File): Promise<string> {
  if (file.size > MOST_PLAN_BYTES)
    throw new Error(
      `${file.name} holds ${Math.round(file.size / 1e6)} MB; a plan holds at most ${MOST_PLAN_BYTES / 1e6} MB`,
    );
  return file.text();
}
