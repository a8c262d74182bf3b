/** Names of the plan as C strings and comments: what would end either is taken out. */
export const safe = (text: string): string => text.replace(/[^\p{L}\p{N} .,'+-]/gu, ' ').trim();

/** C has no empty arrays: a row that is never read stands for none. */
export const rows = (lines: readonly string[], none: string): string =>
  lines.length > 0 ? lines.join('\n') : `  ${none},`;
