import { createHash } from 'node:crypto';
import { type Picture, type Plan, pictureText } from '@glimmer/core/plan';
import { type PlanProblem, readPlan } from '@glimmer/core/plan/reading';

/** A picture by what it holds: it is kept once, whatever plans and versions show it. */
interface PictureRef {
  readonly sha256: string;
}

/** A plan as it is kept: its pictures lie beside it. A picture of an older store lies in it still. */
export type KeptDocument = Omit<Plan, 'pictures'> & {
  /** By their ids: named by what they hold. */
  readonly pictures: Readonly<Record<string, PictureRef | Picture>>;
};

/** A plan that has been read and can be kept. */
export interface PlanToKeep {
  readonly id: string;
  readonly name: string;
  /** As the database keeps it. */
  readonly document: KeptDocument;
  /** Pictures that came with it, by what they hold. */
  readonly pictures: ReadonlyMap<string, Picture>;
  /** Pictures that it only named: they must be here already. */
  readonly named: readonly string[];
}

/** Whether a picture is only named by what it holds. */
export const isRef = (value: unknown): value is PictureRef =>
  typeof value === 'object' &&
  value !== null &&
  Object.keys(value).length === 1 &&
  'sha256' in value &&
  typeof value.sha256 === 'string' &&
  /^[0-9a-f]{64}$/.test(value.sha256);

/** Stands for a picture that is only named while the rest of a plan is checked. */
const anyPicture: Picture = { mime: 'image/svg+xml', svg: '<svg xmlns="http://www.w3.org/2000/svg"/>' };

const hashOf = (picture: Picture): string => createHash('sha256').update(pictureText(picture)).digest('hex');

/** Sets the pictures of a plan apart. */
export function setPicturesApart(plan: Plan, refs: ReadonlyMap<string, PictureRef> = new Map()): PlanToKeep {
  const pictures = new Map<string, Picture>();
  const entries = Object.entries(plan.pictures).map(([id, picture]): [string, PictureRef] => {
    const named = refs.get(id);
    if (named) return [id, named];
    const sha256 = hashOf(picture);
    pictures.set(sha256, picture);
    return [id, { sha256 }];
  });
  return {
    id: plan.id,
    name: plan.name,
    document: { ...plan, pictures: Object.fromEntries(entries) },
    pictures,
    named: [...refs.values()].map(({ sha256 }) => sha256),
  };
}

/** Reads what claims to be a plan; a picture in it may be named by `{ "sha256": … }` instead of being sent again. */
export function readPlanBody(
  body: unknown,
):
  | { readonly ok: true; readonly plan: PlanToKeep }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] } {
  const refs = new Map<string, PictureRef>();
  let document = body;
  if (typeof body === 'object' && body !== null && 'pictures' in body) {
    const { pictures } = body;
    if (typeof pictures === 'object' && pictures !== null) {
      const whole = Object.entries(pictures).map(([id, picture]: [string, unknown]): [string, unknown] => {
        if (!isRef(picture)) return [id, picture];
        refs.set(id, picture);
        return [id, anyPicture];
      });
      if (refs.size > 0) document = { ...body, pictures: Object.fromEntries(whole) };
    }
  }
  const read = readPlan(document);
  return read.ok ? { ok: true, plan: setPicturesApart(read.plan, refs) } : read;
}
