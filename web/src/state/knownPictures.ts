import { type Picture, type Plan, pictureText } from '@glimmer/core/plan';

/** By what each picture holds, reckoned once a picture: an edit of the plan leaves it the same object. */
const hashes = new WeakMap<Picture, Promise<string>>();
/** What the server has confirmed in this session, by what it holds: what comes out of the browser’s store is another object. */
const known = new Set<string>();

async function reckonHash(picture: Picture): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(pictureText(picture)));
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

function hashOf(picture: Picture): Promise<string> {
  const found = hashes.get(picture) ?? reckonHash(picture);
  hashes.set(picture, found);
  return found;
}

/** Notes that the server has all pictures of a plan. */
export async function noteKnownPictures({ pictures }: Plan): Promise<void> {
  for (const picture of Object.values(pictures)) known.add(await hashOf(picture));
}

/** The plan with each picture that the server has only named, by what it holds. */
export async function nameKnownPictures(plan: Plan): Promise<object> {
  const entries = Object.entries(plan.pictures);
  if (entries.length === 0 || known.size === 0) return plan;
  const named = await Promise.all(
    entries.map(async ([id, picture]) => {
      const sha256 = await hashOf(picture);
      return [id, known.has(sha256) ? { sha256 } : picture];
    }),
  );
  return { ...plan, pictures: Object.fromEntries(named) };
}
