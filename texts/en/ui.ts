export const ui = {} as const;
