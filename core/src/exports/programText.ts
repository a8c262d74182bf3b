/** C has no empty arrays: a row that is never read stands for none. */
export const rows = (lines: readonly string[], none: string): string =>
  lines.length > 0 ? lines.join('\n') : `  ${none},`;
