import type { Picture } from './types.ts';

/** What a picture holds, as one text: two with the same are the same picture. */
export const pictureText = (picture: Picture): string =>
  `${picture.mime}\n${'svg' in picture ? picture.svg : picture.base64}`;
