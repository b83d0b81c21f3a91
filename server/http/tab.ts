/** The name that a page gave itself, as it came with a request; empty where there is none that could be one. */
export const tabOf = (given: string | undefined): string => (given && /^[\w-]{8,40}$/.test(given) ? given : '');
