/** Something the person can mend: printed without a stack, exit status 2. */
export class UseError extends Error {}
