/** Hands a text or bytes to the browser as a file to keep. */
export function saveFile(name: string, content: BlobPart, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
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
