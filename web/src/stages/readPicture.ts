import { type Plan, plenty } from '@glimmer/core/plan';

const MOST_FILE_BYTES = 20_000_000;
/** Photos are brought down to this: finer than the picture is ever shown. */
const LONGEST_PX = 1800;

interface ReadPicture {
  readonly picture: Plan['pictures'][string];
  /** Width ÷ height. */
  readonly aspect: number;
}

const loadImage = (url: string): Promise<HTMLImageElement> =>
  new Promise((resolve, reject) => {
    const image = new Image();
    image.onload = () => resolve(image);
    image.onerror = () => reject(new Error('this is not a picture that a browser can show'));
    image.src = url;
  });

async function readSvg(file: File): Promise<ReadPicture> {
  if (file.size > plenty.pictureBytes)
    throw new Error(
      `${file.name} holds ${(file.size / 1e6).toFixed(1)} MB; a drawing may hold ${plenty.pictureBytes / 1e6} MB. Simplify it or export it as PNG`,
    );
  const [{ findActiveContent }, { cleanDrawing }] = await Promise.all([
    import('@glimmer/core/plan/reading'),
    import('./cleanDrawing.ts'),
  ]);
  const text = await file.text();
  const active = findActiveContent(text);
  if (active) throw new Error(`${file.name}: ${active}`);
  const svg = cleanDrawing(text);
  const image = await loadImage(`data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`);
  return {
    picture: { mime: 'image/svg+xml', svg },
    aspect: image.naturalWidth > 0 && image.naturalHeight > 0 ? image.naturalWidth / image.naturalHeight : 1.4,
  };
}

async function readPhoto(file: File): Promise<ReadPicture> {
  const url = URL.createObjectURL(file);
  try {
    const image = await loadImage(url);
    const scale = Math.min(1, LONGEST_PX / Math.max(image.naturalWidth, image.naturalHeight));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(image.naturalWidth * scale));
    canvas.height = Math.max(1, Math.round(image.naturalHeight * scale));
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    const base64 = canvas.toDataURL('image/jpeg', 0.85).split(',')[1] ?? '';
    return { picture: { mime: 'image/jpeg', base64 }, aspect: canvas.width / canvas.height };
  } finally {
    URL.revokeObjectURL(url);
  }
}

/**
 * Reads a picture that the maker brings in: a plain SVG as it is, a photo scaled down.
 * @throws with a sentence to show, where it is too large, holds a script, or is no picture.
 */
export async function readPicture(file: File): Promise<ReadPicture> {
  if (file.size > MOST_FILE_BYTES)
    throw new Error(
      `${file.name} holds ${Math.round(file.size / 1e6)} MB; a picture may hold ${MOST_FILE_BYTES / 1e6} MB. Save it smaller and bring it in again`,
    );
  try {
    return await (file.type === 'image/svg+xml' || file.name.endsWith('.svg') ? readSvg(file) : readPhoto(file));
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    throw new Error(message.startsWith(file.name) ? message : `${file.name} was not brought in: ${message}`, {
      cause: error,
    });
  }
}
